'use client';
/** Where one stands in a list, and who of it is selected; both begin anew when the list is asked something else. */
import { useState } from 'react';
import { choose, isChosen, NOBODY, type Chosen } from '../changes';
import type { ContactList } from './use-contacts';

interface Place {
  at: number;
  chosen: Chosen;
  /** Where a range of selected ones begins. */
  from: number;
  of: string;
}
const NOWHERE = { at: -1, chosen: NOBODY, from: -1 };

export function usePlace(key: string, { rows, offset }: ContactList) {
  const [kept, setPlace] = useState<Place>({ ...NOWHERE, of: key });
  const place = kept.of === key ? kept : { ...NOWHERE, of: key };
  const put = (change: Partial<Place>) => setPlace({ ...place, ...change, of: key });
  const inReach = (n: number) => rows[n - offset];
  return {
    at: place.at,
    chosen: place.chosen,
    setAt: (at: number) => put({ at, from: at }),
    select: (chosen: Chosen) => put({ chosen }),
    toggle: (n: number, range: boolean) => {
      const row = inReach(n);
      if (!row) return;
      const [low, high] = range && place.from >= 0 ? [Math.min(place.from, n), Math.max(place.from, n)] : [n, n];
      const ids = rows.slice(Math.max(0, low - offset), high - offset + 1).map(({ id }) => id);
      put({ at: n, from: range ? place.from : n, chosen: choose(place.chosen, ids, range || !isChosen(place.chosen, row.id)) });
    },
    toggleAll: () =>
      put({
        chosen: choose(
          place.chosen,
          rows.map(({ id }) => id),
          !rows.every((row) => isChosen(place.chosen, row.id)),
        ),
      }),
  };
}
