'use client';
/** Watching changes of many: while one is under way its progress, at its end what came of it and the way back. */
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ChangeView } from '@/core/changes';
import { refusedSentence } from '@/core/contacts';
import type { Format } from '@/core/format';
import type { Jsoned } from '@/core/shared';
import { ask, useFormat } from '../primitives';
import { Button, Progress, ProgressPanel, ProgressStack, Row, Text, useToast } from '../kit';

export type ChangeLine = Jsoned<ChangeView>;
const GOING = ['waiting', 'running', 'undoing'];
const LOOK_MS = 500;

const Context = createContext<{ watch: (id: string) => void }>({ watch: () => {} });
/** Call `watch` with the id of a change that was asked for. */
export const useChangeWatch = () => useContext(Context);

export const useChangeActions = () => {
  const queries = useQueryClient();
  const toast = useToast();
  const { watch } = useChangeWatch();
  const act = (what: 'cancel' | 'undo') => (id: string) => ask(`POST /changes/{id}/${what}`, { params: { id } });
  const after = () => queries.invalidateQueries({ queryKey: ['changes'] });
  const cancel = useMutation({ mutationFn: act('cancel'), onSuccess: after, onError: toast.fail });
  const undo = useMutation({
    mutationFn: act('undo'),
    onSuccess: (change) => {
      watch(change.id);
      void after();
    },
    onError: toast.fail,
  });
  return { cancel: cancel.mutate, undo: undo.mutate };
};

export function outcomeWords(change: ChangeLine, format: Format): string {
  const people = (n: number): string => format.count(n, 'person', 'people');
  if (change.state === 'failed') return change.error ?? 'Failed.';
  if (change.state === 'undone') {
    const rest = refusedSentence(change.undo_left_alone);
    return `Undone for ${people(change.undone)}${rest ? `; ${rest} and stay as they are` : ''}.`;
  }
  const rest = refusedSentence(change.left_alone);
  return `${people(change.changed)}: ${change.sentence.charAt(0).toLowerCase()}${change.sentence.slice(1)}${change.state === 'cancelled' ? `, then canceled after ${format.number(change.done)}` : ''}${rest ? `; ${rest}` : ''}.`;
}

export function ChangeWatchProvider({ children }: { children: ReactNode }) {
  const [watched, setWatched] = useState<string[]>([]);
  const watch = useCallback((id: string) => setWatched((before) => (before.includes(id) ? before : [...before, id])), []);
  const value = useMemo(() => ({ watch }), [watch]);
  return (
    <Context.Provider value={value}>
      {children}
      <ProgressStack aria-live="polite">
        {watched.map((id) => (
          <Watched key={id} id={id} onEnd={() => setWatched((before) => before.filter((one) => one !== id))} />
        ))}
      </ProgressStack>
    </Context.Provider>
  );
}

function Watched({ id, onEnd }: { id: string; onEnd: () => void }) {
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const { cancel, undo } = useChangeActions();
  const { data: change } = useQuery({
    queryKey: ['change', id],
    queryFn: () => ask('GET /changes/{id}', { params: { id } }),
    refetchInterval: ({ state }) => (state.data && !GOING.includes(state.data.state) ? false : LOOK_MS),
    staleTime: 0,
  });
  const over = change !== undefined && !GOING.includes(change.state);
  const told = useRef(false);
  useEffect(() => {
    if (!over || told.current) return;
    told.current = true;
    toast.tell(outcomeWords(change, format), change.can_undo ? () => undo(id) : undefined);
    queries.removeQueries({ queryKey: ['change', id] });
    void queries.invalidateQueries();
    onEnd();
  }, [over, change, id, toast, onEnd, queries, undo, format]);
  if (!change || over) return null;
  const of = change.state === 'undoing' ? change.changed : change.total;
  const done = change.state === 'undoing' ? change.undone : change.done;
  return (
    <ProgressPanel>
      <div>
        {change.state === 'undoing' ? 'Undoing' : 'In progress'}: {change.sentence.charAt(0).toLowerCase()}
        {change.sentence.slice(1)}
      </div>
      <Row>
        <Progress done={done} of={of} label="Progress" />
        <Text tone="soft" small>
          {format.number(done)} of {format.number(of)}
        </Text>
        {change.state === 'running' && (
          <Button size="small" onClick={() => cancel(id)}>
            Cancel
          </Button>
        )}
      </Row>
    </ProgressPanel>
  );
}
