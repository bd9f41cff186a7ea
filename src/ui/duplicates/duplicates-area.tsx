'use client';
/** The review of duplicates: pairs with their reasons, both sides field by field, one key for each answer. */
import { ROLE_NAMES } from '@/core/contacts';
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { showPhone } from '@/core/capture';
import { chosenSide, MERGE_FIELDS, type MergeChoices, type MergeChoice, type PairView } from '@/core/duplicates';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, Strokes, useFormat, useShortcuts, useZone } from '../primitives';
import type { Contact } from '../contacts';
import { Button, Callout, EmptyState, Heading, Kbd, LinkButton, Radio, Row, Table, Text, useToast } from '../kit';

type Pair = Jsoned<PairView>;
const LABELS: Record<MergeChoice, string> = {
  name: 'Name',
  company: 'Company',
  place: 'Address',
  stage: 'Stage',
  horizon: 'Horizon',
  owner: 'Agent',
  source: 'Lead source',
};
const shown: Record<Exclude<MergeChoice, 'horizon'>, (contact: Contact) => string> = {
  name: (contact) => `${contact.first_name} ${contact.last_name}`.trim(),
  company: (contact) => contact.company ?? '',
  place: ({ place }) => [place.street, place.city, place.postal_code].filter(Boolean).join(', '),
  stage: (contact) => contact.stage.name,
  owner: (contact) => contact.owner?.name ?? '',
  source: (contact) => contact.source ?? '',
};

export function DuplicatesArea() {
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const scan = useQuery({
    queryKey: ['duplicates', 'look'],
    queryFn: () => ask('GET /duplicates/scan'),
    refetchInterval: ({ state }) => (state.data && ['waiting', 'running'].includes(state.data.state) ? 700 : false),
  });
  const { data: pairs } = useQuery({
    queryKey: ['duplicates', scan.data?.state, scan.data?.ended_at],
    queryFn: async () => (await ask('GET /duplicates', { query: { limit: 50 } })).items,
    enabled: scan.data?.state === 'done',
  });
  const again = useMutation({
    mutationFn: () => ask('POST /duplicates/scan'),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['duplicates'] }),
    onError: toast.fail,
  });
  const [skipped, setSkipped] = useState<string[]>([]);
  const [first, ...rest] = inTurn(pairs ?? [], skipped);
  const going = scan.data && ['waiting', 'running'].includes(scan.data.state);
  return (
    <section aria-label="Duplicates">
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>
            {pairs ? `${format.number(scan.data?.pairs ?? pairs.length)} possible duplicates` : 'Find duplicates'}
          </Heading>
          <Text as="p" tone="soft" small>
            Most likely first. Merging keeps everything from both and can be undone. The stricter permission wins.
          </Text>
        </div>
        <Row>
          <Button disabled={going || again.isPending} onClick={() => again.mutate()}>
            {scan.data?.state === 'never' ? 'Find duplicates' : 'Search again'}
          </Button>
          <LinkButton href="/contacts">Back to contacts</LinkButton>
        </Row>
      </Row>
      {going && <EmptyState role="status">Searching all contacts…</EmptyState>}
      {scan.data?.state === 'failed' && (
        <Text as="p" tone="late">
          {scan.data.error}
        </Text>
      )}
      {scan.data?.state === 'never' && (
        <EmptyState>Not searched yet. It takes a few seconds, even with many contacts.</EmptyState>
      )}
      {pairs?.length === 0 && (
        <EmptyState>
          <Text tone="good">No duplicates found.</Text>
        </EmptyState>
      )}
      {first && <Review key={keyOf(first)} pair={first} rest={rest} onSkip={() => setSkipped([...skipped, keyOf(first)])} />}
    </section>
  );
}

const keyOf = ({ one, other }: Pair): string => `${one.id} ${other.id}`;
/** Those that were skipped come last, in the order in which they were. */
const inTurn = (pairs: Pair[], skipped: string[]): Pair[] => {
  const place = (pair: Pair) => skipped.lastIndexOf(keyOf(pair));
  return [...pairs].sort((a, b) => place(a) - place(b));
};

/** The three answers to a pair, and taking a merge back. */
function useAnswers(pair: Pair, survivor: Contact, gone: Contact, choices: MergeChoices) {
  const queries = useQueryClient();
  const toast = useToast();
  const after = () => void queries.invalidateQueries();
  const [one_id, other_id] = [pair.one.id, pair.other.id];
  const setApart = () => ask('POST /duplicates/different', { body: { one_id, other_id } });
  const undo = useMutation({
    mutationFn: (id: string) => ask('POST /merges/{id}/undo', { params: { id } }),
    onSuccess: after,
    onError: toast.fail,
  });
  const merge = useMutation({
    mutationFn: () =>
      ask('POST /contacts/{id}/merge', {
        params: { id: survivor.id },
        body: { other_id: gone.id, choices },
        headers: freshKey(),
      }),
    onSuccess: ({ merge_id }) => {
      toast.tell(`${shown.name(survivor)} merged.`, () => undo.mutate(merge_id));
      after();
    },
    onError: toast.fail,
  });
  const different = useMutation({ mutationFn: setApart, onSuccess: after, onError: toast.fail });
  const household = useMutation({
    mutationFn: async () => {
      await ask('PUT /contacts/{id}/household', { params: { id: one_id }, body: { other_id } });
      await setApart();
    },
    onSuccess: after,
    onError: toast.fail,
  });
  return { merge, different, household, busy: merge.isPending || different.isPending || household.isPending };
}

function Review({ pair, rest, onSkip }: { pair: Pair; rest: Pair[]; onSkip: () => void }) {
  const [swapped, setSwapped] = useState(false);
  const [choices, setChoices] = useState<MergeChoices>({});
  const [survivor, gone] = swapped ? [pair.other, pair.one] : [pair.one, pair.other];
  const { merge, different, household, busy } = useAnswers(pair, survivor, gone, choices);
  useShortcuts('pair', {
    merge: () => merge.mutate(),
    different: () => different.mutate(),
    household: () => household.mutate(),
    skip: () => rest.length > 0 && onSkip(),
  });
  return (
    <>
      <Callout apart>{pair.because}</Callout>
      <Comparison
        survivor={survivor}
        gone={gone}
        choices={choices}
        onChoose={(field, side) => setChoices({ ...choices, [field]: side })}
        onSwap={() => setSwapped(!swapped)}
      />
      <Row above={3.5}>
        <Button look="main" disabled={busy} onClick={() => merge.mutate()}>
          Merge <Kbd>Enter</Kbd>
        </Button>
        <Button disabled={busy} onClick={() => different.mutate()}>
          Not duplicates <Kbd>x</Kbd>
        </Button>
        <Button disabled={busy} onClick={() => household.mutate()}>
          Same household <Kbd>h</Kbd>
        </Button>
        {rest.length > 0 && (
          <Button disabled={busy} onClick={onSkip}>
            Skip <Kbd>s</Kbd>
          </Button>
        )}
      </Row>
      {rest.length > 0 && <Coming pairs={rest} />}
    </>
  );
}

/** Field by field, one of the two is kept; below, what both have is kept together. */
function Comparison({
  survivor,
  gone,
  choices,
  onChoose,
  onSwap,
}: {
  survivor: Contact;
  gone: Contact;
  choices: MergeChoices;
  onChoose: (field: MergeChoice, side: 'kept' | 'gone') => void;
  onSwap: () => void;
}) {
  const format = useFormat();
  const zone = useZone();
  const since = (contact: Contact) => <Text tone="soft">since {format.longDay(new Date(contact.created_at), zone)}</Text>;
  const sides = [
    ['kept', survivor],
    ['gone', gone],
  ] as const;
  return (
    <Table aria-label="Both contacts">
      <thead>
        <tr>
          <th>
            <Text unseen>Detail</Text>
          </th>
          <th>
            Keep: {shown.name(survivor)} {since(survivor)}
          </th>
          <th>
            Merge in: {shown.name(gone)} {since(gone)}{' '}
            <Button size="small" onClick={onSwap}>
              Swap
            </Button>
          </th>
        </tr>
      </thead>
      <tbody>
        {MERGE_FIELDS.map((field) => {
          const chosen = chosenSide(field, survivor, gone, choices);
          return (
            <tr key={field}>
              <td data-soft="">{LABELS[field]}</td>
              {sides.map(([side, contact]) => (
                <td key={side} {...(chosen === side ? { 'data-strong': '' } : { 'data-soft': '' })}>
                  <Radio name={field} checked={chosen === side} onChange={() => onChoose(field, side)}>
                    {field === 'horizon' ? <Strokes horizon={contact.horizon} /> : shown[field](contact) || '–'}
                  </Radio>
                </td>
              ))}
            </tr>
          );
        })}
        {TOGETHER.map(([label, text]) => (
          <tr key={label}>
            <td data-soft="">
              {label} <Text small>kept from both</Text>
            </td>
            {sides.map(([side, contact]) => (
              <td key={side} data-secret="">
                {text(contact) || '–'}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
const TOGETHER: [string, (contact: Contact) => string][] = [
  ['Emails', (contact) => contact.emails.join(', ')],
  ['Phones', (contact) => contact.phones.map(showPhone).join(', ')],
  ['Roles', (contact) => contact.roles.map((role) => ROLE_NAMES[role]).join(', ')],
  ['Tags', (contact) => contact.tags.join(', ')],
  ['Calls', ({ calls }) => `${calls.attempts} attempted, ${calls.reached} reached`],
];

const Coming = ({ pairs }: { pairs: Pair[] }) => (
  <>
    <Row ruled="head" spread above={4}>
      <Heading>Next</Heading>
    </Row>
    {pairs.map(({ one, other, because }) => (
      <Row ruled spread wrap={false} gap={3} small key={`${one.id} ${other.id}`}>
        <span>
          {shown.name(one)} and {shown.name(other)}
        </span>
        <Text tone="soft">{because}</Text>
      </Row>
    ))}
  </>
);
