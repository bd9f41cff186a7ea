'use client';
/**
 * Changing stage, horizon and tags where they stand, in the grid as in the Dossier, each with Undo. What changed is shown at once; only what depends
 * on it is read again.
 */
import { useState, type ReactNode } from 'react';
import { useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { isFollowedUp, stageName, stepOf } from '@/core/contacts';
import type { Word } from '@/core/segments';
import { ask, nameIn, NO_WORDS, Strokes, useVocabulary } from '../primitives';
import { ChoiceMenu, useToast } from '../kit';
import { useTags } from '../segments';
import { ArchiveDialog } from './later';
import type { Contact } from './types';
import { withContact, type ContactPages } from './use-contacts';

/** Shows a contact as it is now in every list that holds it. */
export const showContact = (queries: QueryClient, contact: Contact): void =>
  void queries.setQueriesData<ContactPages>(
    { queryKey: ['contacts'], predicate: ({ queryKey }) => queryKey[1] !== 'count' },
    (pages) => withContact(pages, contact),
  );

/** The same, and reads again what depends on it. */
export function contactChanged(queries: QueryClient, contact: Contact): void {
  showContact(queries, contact);
  void queries.invalidateQueries({
    predicate: ({ queryKey: [what, of] }) =>
      ['wire', 'today', 'tags', 'segments'].includes(String(what)) ||
      (what === 'contacts' && of === 'count') ||
      (['contact', 'timeline', 'enrollments'].includes(String(what)) && of === contact.id),
  });
}

/** Sends a change of a contact and shows it everywhere. */
export function useSaveFact(contact: Pick<Contact, 'id'>) {
  const queries = useQueryClient();
  return async (patch: object): Promise<void> =>
    contactChanged(queries, await ask('PATCH /contacts/{id}', { params: { id: contact.id }, body: patch }));
}

type Changed = Pick<Contact, 'id' | 'stage' | 'horizon' | 'tags'>;

/** What can be changed of one contact in place; `asking` is a dialog that may stand open meanwhile. */
export function useInPlace(contact: Changed) {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const { data: tags = [] } = useTags();
  const [archiving, setArchiving] = useState<string | null>(null);
  const change = useMutation({
    mutationFn: (patch: object) => ask('PATCH /contacts/{id}', { params: { id: contact.id }, body: patch }),
    onSuccess: (changed) => contactChanged(queries, changed),
    onError: toast.fail,
  });
  /* What asked may be gone by the time it is done: a cell closes as soon as one has chosen. */
  const told = (patch: object, words: string, undo: object | null) =>
    void change.mutateAsync(patch).then(
      () => toast.tell(words, undo ? () => change.mutate(undo) : undefined),
      () => undefined,
    );
  const nameOfStage = (key: string) => nameIn(vocabulary)('stage', key) ?? stageName(key);
  const putStage = (stage: string, because?: string) => {
    const before = contact.stage.key;
    told(
      { stage, ...(because ? { archived_because: because } : {}) },
      `Stage: ${nameOfStage(stage)}.${isFollowedUp(stage) ? '' : ' Campaigns ended.'}`,
      before === 'archived' ? null : { stage: before },
    );
  };
  const setTags = (names: string[], words: string) => told({ tags: names }, words, { tags: contact.tags });
  return {
    busy: change.isPending,
    setStage: (stage: string) => (stepOf(stage) === 'archived' ? setArchiving(stage) : putStage(stage)),
    setHorizon: (horizon: string | null) =>
      told({ horizon }, horizon ? `Horizon: ${nameIn(vocabulary)('horizon', horizon) ?? horizon}.` : 'No horizon.', {
        horizon: contact.horizon,
      }),
    addTag: (id: string) => {
      const name = tags.find((tag) => tag.id === id)?.name;
      if (name && !contact.tags.includes(name)) setTags([...contact.tags, name], `Tag “${name}” added.`);
    },
    addNewTag: (name: string) => setTags([...contact.tags, name], `Tag “${name}” added.`),
    removeTag: (name: string) =>
      setTags(
        contact.tags.filter((one) => one !== name),
        `Tag “${name}” removed.`,
      ),
    asking: archiving && (
      <ArchiveDialog
        onClose={() => setArchiving(null)}
        onArchive={(because) => {
          putStage(archiving, because);
          setArchiving(null);
        }}
      />
    ),
  };
}

/** The words to choose from; what the person has is among them, also when it is being deleted. */
const shownWords = (words: Word[] = [], has: string | null, name: string): Word[] =>
  has && !words.some(({ value }) => value === has) ? [...words, { value: has, name }] : words;

interface MenuProps {
  contact: Changed;
  anchor: HTMLElement;
  onPick: (value: string) => void;
  onClose: () => void;
}

export function StageMenu({ contact, anchor, onPick, onClose }: MenuProps) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  return (
    <WordMenu
      anchor={anchor}
      chosen={contact.stage.key}
      choices={shownWords(vocabulary.names.stage, contact.stage.key, contact.stage.name).map(({ value, name, meaning }) => ({
        value,
        name,
        note: meaning,
      }))}
      onPick={onPick}
      onClose={onClose}
    />
  );
}

export function HorizonMenu({ contact, anchor, onPick, onClose }: MenuProps) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  return (
    <WordMenu
      anchor={anchor}
      chosen={contact.horizon ?? ''}
      choices={[
        { value: '', name: 'No horizon' },
        ...shownWords(vocabulary.names.horizon, contact.horizon, '…').map(({ value, name, meaning, rhythm_days }) => ({
          value,
          name: (
            <>
              <Strokes horizon={value} /> {name}
            </>
          ),
          note: [meaning, rhythm_days && `check in every ${rhythm_days} days`].filter(Boolean).join(', '),
        })),
      ]}
      onPick={onPick}
      onClose={onClose}
    />
  );
}

function WordMenu({
  anchor,
  chosen,
  choices,
  onPick,
  onClose,
}: {
  anchor: HTMLElement;
  chosen: string;
  choices: { value: string; name: ReactNode; note?: ReactNode }[];
  onPick: (value: string) => void;
  onClose: () => void;
}) {
  return (
    <ChoiceMenu
      anchor={anchor}
      choices={choices.map(({ value, ...choice }) => ({
        ...choice,
        key: value,
        chosen: value === chosen,
        onChoose: () => value !== chosen && onPick(value),
      }))}
      onClose={onClose}
    />
  );
}
