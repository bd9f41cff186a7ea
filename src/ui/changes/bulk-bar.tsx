'use client';
/** The bar that rises from below when people are chosen: how many, all of them, and what can be done to them together. */
import type { Question } from '@/core/segments';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useMutation } from '@tanstack/react-query';
import { ask, freshKey, lazily, useFormat, useShortcuts } from '../primitives';
import type { BulkActionForm } from './forms';
import { howMany, NOBODY, selectionOf, type Chosen } from './selection';
import { Button, Kbd, MenuButton, SelectionBar, useToast } from '../kit';

const ChangeDialog = lazily(() => import('./change-dialog').then((one) => one.ChangeDialog));
const ExportDialog = lazily(() => import('./export-dialog').then((one) => one.ExportDialog));

interface Props {
  chosen: Chosen;
  /** How many the list holds in all. */
  total: number;
  question: Question;
  office: boolean;
  onChoose: (chosen: Chosen) => void;
}

const FIRST: [BulkActionForm, string, string?][] = [
  ['tags', 'Tag', '#'],
  ['horizon', 'Horizon'],
  ['stage', 'Stage'],
  ['owner', 'Hand to…'],
  ['campaign', 'Add to campaign'],
  ['call_list', 'Add to call list'],
];
const MORE: [BulkActionForm, string][] = [
  ['roles', 'Roles…'],
  ['field', 'A field…'],
  ['permission', 'A permission…'],
  ['archive', 'Archive…'],
  ['delete', 'Delete…'],
];

export function BulkBar({ chosen, total, question, office, onChoose }: Props) {
  const [doing, setDoing] = useState<BulkActionForm | null>(null);
  const [exporting, setExporting] = useState(false);
  const router = useRouter();
  const toast = useToast();
  const format = useFormat();
  const broadcast = useMutation({
    mutationFn: () =>
      ask('POST /broadcasts', {
        body: { name: 'Selected contacts', channel: 'email', selection: selectionOf(chosen, question) },
        headers: freshKey(),
      }),
    onSuccess: ({ id }) => router.push(`/campaigns/broadcasts/${id}`),
    onError: toast.fail,
  });
  const count = howMany(chosen, total);
  const shown = (kind: BulkActionForm) => office || (kind !== 'owner' && kind !== 'delete');
  useShortcuts('selection', { tags: () => setDoing('tags') }, count > 0 && doing === null);
  if (count === 0) return null;
  return (
    <>
      <SelectionBar role="toolbar" aria-label="Actions for the selected contacts">
        <b aria-live="polite">
          {format.number(count)} of {format.number(total)} selected
        </b>
        {!chosen.all || chosen.ids.size ? (
          <Button look="text" onClick={() => onChoose({ all: true, ids: new Set() })}>
            Select all {format.number(total)}
          </Button>
        ) : null}
        <Button look="text" onClick={() => onChoose(NOBODY)}>
          Clear
        </Button>
        <i aria-hidden="true" />
        {FIRST.filter(([kind]) => shown(kind)).map(([kind, label, key]) => (
          <Button key={kind} look="text" title={key ? `${label} (${key})` : label} onClick={() => setDoing(kind)}>
            {label} {key && <Kbd>{key}</Kbd>}
          </Button>
        ))}
        <MenuButton
          look="text"
          above
          choices={[
            { key: 'export', name: 'Export…', onChoose: () => setExporting(true) },
            { key: 'broadcast', name: 'Broadcast…', onChoose: () => broadcast.mutate() },
            ...MORE.filter(([kind]) => shown(kind)).map(([kind, name]) => ({ key: kind, name, onChoose: () => setDoing(kind) })),
          ]}
        >
          More…
        </MenuButton>
      </SelectionBar>
      {exporting && <ExportDialog selection={selectionOf(chosen, question)} count={count} onClose={() => setExporting(false)} />}
      {doing && (
        <ChangeDialog
          doing={doing}
          selection={selectionOf(chosen, question)}
          onClose={() => setDoing(null)}
          onAsked={() => {
            setDoing(null);
            onChoose(NOBODY);
          }}
        />
      )}
    </>
  );
}
