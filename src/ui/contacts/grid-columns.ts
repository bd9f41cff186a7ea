/** Which columns a person sees, in what order and how wide: kept for them on the server. */
import { useCallback } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../primitives';
import { COLUMNS, FIRST_COLUMNS, type ColumnDef } from './columns';

export interface GridLayout {
  columns: { key: string; width: number }[];
  sort: string;
  descending: boolean;
}
const FIRST: GridLayout = {
  columns: FIRST_COLUMNS.map((key) => ({ key, width: COLUMNS.find((column) => column.key === key)!.width })),
  sort: 'created',
  descending: true,
};
const KEY = ['preferences'];

/** What is kept, or null while it is read; and how to keep something else. */
export function useGridLayout(all: ColumnDef[]): { layout: GridLayout | null; save: (layout: GridLayout) => void } {
  const queries = useQueryClient();
  const { data, isError } = useQuery({
    queryKey: KEY,
    queryFn: async () => (await ask('GET /preferences')) as { contacts_grid?: Partial<GridLayout> },
    staleTime: Infinity,
  });
  const save = useCallback(
    (layout: GridLayout) => {
      queries.setQueryData(KEY, (before: object | undefined) => ({ ...before, contacts_grid: layout }));
      void ask('PUT /preferences', { body: { contacts_grid: { ...layout } } }).catch(() => {});
    },
    [queries],
  );
  if (!data && !isError) return { layout: null, save };
  const saved = { ...FIRST, ...data?.contacts_grid };
  const columns = saved.columns.filter(({ key }) => all.some((column) => column.key === key));
  return { layout: { ...saved, columns: columns.length ? columns : FIRST.columns }, save };
}
