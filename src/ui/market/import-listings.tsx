'use client';
/** Importing a file of listings. One that is said to be complete withdraws what is not in it: which is shown before, and can be undone. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { ListingsImported } from '@/core/market';
import type { Jsoned } from '@/core/shared';
import { ask, sendFile, useFormat } from '../primitives';
import { Checkbox, Dialog, FileButton, Text, useToast } from '../kit';

type Imported = Jsoned<ListingsImported>;
const SHOWN = 12;

const send = (file: File, query: { whole: boolean; preview?: boolean }): Promise<Imported> =>
  sendFile('PUT /listings/file', file, { query, headers: { 'content-type': 'text/csv' } });

export function ImportListings() {
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const [whole, setWhole] = useState(false);
  const [asked, setAsked] = useState<{ file: File; preview: Imported } | null>(null);
  const [refused, setRefused] = useState<Imported['refused']>([]);
  const after = () => {
    void queries.invalidateQueries({ queryKey: ['listings'] });
    void queries.invalidateQueries({ queryKey: ['market'] });
  };
  const restore = useMutation({
    mutationFn: (imported_at: string) => ask('POST /listings/restore', { body: { imported_at } }),
    onSuccess: ({ restored }) => {
      after();
      toast.tell(`${format.count(restored, 'listing is', 'listings are')} back on the market.`);
    },
    onError: toast.fail,
  });
  const take = useMutation({
    mutationFn: (file: File) => send(file, { whole }),
    onSuccess: (result) => {
      after();
      setAsked(null);
      setRefused(result.refused);
      toast.tell(wordsOf(result, format.number), result.gone ? () => restore.mutate(result.imported_at) : undefined);
    },
    onError: toast.fail,
  });
  const look = useMutation({
    mutationFn: async (file: File) => ({ file, preview: await send(file, { whole, preview: true }) }),
    onSuccess: (looked) => (looked.preview.gone ? setAsked(looked) : take.mutate(looked.file)),
    onError: toast.fail,
  });
  const busy = take.isPending || look.isPending;
  return (
    <div>
      <FileButton accept=".csv,text/csv" disabled={busy} onFile={(file) => (whole ? look : take).mutate(file)}>
        {busy ? 'Importing…' : 'Import listings'}
      </FileButton>
      <Checkbox checked={whole} onChange={(event) => setWhole(event.target.checked)}>
        This file is complete: withdraw listings that are not in it
      </Checkbox>
      <Refused rows={refused} />
      {asked && (
        <Withdrawal preview={asked.preview} busy={busy} onGo={() => take.mutate(asked.file)} onClose={() => setAsked(null)} />
      )}
    </div>
  );
}

function Refused({ rows }: { rows: Imported['refused'] }) {
  if (!rows.length) return null;
  return (
    <ul aria-label="Rows that couldn’t be read">
      {rows.slice(0, 8).map(({ line, why }) => (
        <li key={line}>
          Line {line} {why}.
        </li>
      ))}
    </ul>
  );
}

/** `3 new, 2 changed, 115 unchanged, 1 withdrawn.` */
function wordsOf({ added, changed, same, gone, refused }: Imported, n: (count: number) => string): string {
  const more = [gone && `${n(gone)} withdrawn`, refused.length && `${n(refused.length)} not readable`].filter(Boolean);
  return `${[`${n(added)} new`, `${n(changed)} changed`, `${n(same)} unchanged`, ...more].join(', ')}.`;
}

/** Which listings a file would withdraw, before it does. */
function Withdrawal({
  preview: { gone, withdrawn, refused },
  busy,
  onGo,
  onClose,
}: {
  preview: Imported;
  busy: boolean;
  onGo: () => void;
  onClose: () => void;
}) {
  const format = useFormat();
  const listings = format.count(gone, 'listing', 'listings');
  return (
    <Dialog
      title={`Withdraw ${listings}?`}
      width="sm"
      onClose={onClose}
      onSubmit={onGo}
      does={`Import and withdraw ${format.number(gone)}`}
      warn
      busy={busy}
      note={
        <Text tone="soft" small>
          You can undo this.
        </Text>
      }
    >
      <p>{gone === 1 ? 'It’s on the market here and not' : 'They’re on the market here and not'} in this file:</p>
      <ul>
        {withdrawn.slice(0, SHOWN).map(({ number, address }) => (
          <li key={number}>
            {address} <Text tone="soft">{number}</Text>
          </li>
        ))}
      </ul>
      {gone > SHOWN && (
        <Text as="p" tone="soft" small>
          and {format.number(gone - SHOWN)} more
        </Text>
      )}
      {refused.length > 0 && <p>Some rows couldn’t be read. Listings whose number stands in them stay as they are:</p>}
      <Refused rows={refused} />
    </Dialog>
  );
}
