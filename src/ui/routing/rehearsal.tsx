'use client';
/** The rehearsal: the changed ladder over the inquiries of the last days, before and after, with the people behind each number. */
import { useState } from 'react';
import Link from 'next/link';
import { useMutation, useQuery } from '@tanstack/react-query';
import { ask, freshKey, useFormat } from '../primitives';
import { sentOf, type LadderDraft } from './draft';
import { long, type LadderJson, type RehearsalJson } from './shapes';
import { Ago, Button, Columns, Heading, Row, Select, Stack, Table, Text, useToast } from '../kit';

type Behind = { title: string; query: { moved?: boolean; agent?: string; from?: string; rung?: string } };

export function RehearsalBox({ ladder, draft }: { ladder: LadderJson; draft: LadderDraft }) {
  const format = useFormat();
  const [days, setDays] = useState(30);
  const [id, setId] = useState<string | null>(null);
  const [rehearsed, setRehearsed] = useState('');
  const toast = useToast();
  const sent = JSON.stringify(sentOf(draft));
  const order = useMutation({
    mutationFn: () => ask('POST /rehearsals', { body: { days, ladder: sentOf(draft) }, headers: freshKey() }),
    onSuccess: (made) => {
      setId(made.id);
      setRehearsed(sent);
    },
    onError: toast.fail,
  });
  const { data } = useQuery({
    queryKey: ['ladder', 'rehearsal', id],
    queryFn: () => ask('GET /rehearsals/{id}', { params: { id: id! } }),
    enabled: id !== null,
    refetchInterval: ({ state }) => (state.data && !['waiting', 'running'].includes(state.data.state) ? false : 500),
  });
  const under = data && ['waiting', 'running'].includes(data.state);
  return (
    <Stack as="section" aria-label="Rehearsal" gap={0} above={5}>
      <Row above={1}>
        <Button disabled={order.isPending || under} onClick={() => order.mutate()}>
          Run rehearsal
        </Button>
        <label>
          over the last{' '}
          <Select aria-label="Days of the rehearsal" value={days} onChange={(event) => setDays(Number(event.target.value))}>
            {[7, 30, 90, 180, 365].map((n) => (
              <option key={n} value={n}>
                {n} days
              </option>
            ))}
          </Select>
        </label>
        {under && (
          <>
            <progress max={Math.max(1, data.inquiries)} value={data.done} aria-label="Rehearsal progress" />
            <Text tone="soft" small>
              {format.number(data.done)} of {format.number(data.inquiries)}
            </Text>
            <Button
              size="tiny"
              onClick={() => void ask('POST /rehearsals/{id}/cancel', { params: { id: id! } }).catch(toast.fail)}
            >
              Stop
            </Button>
          </>
        )}
        {!data && (
          <Text tone="soft" small>
            who would have gotten which leads. Nothing changes.
          </Text>
        )}
        {data?.state === 'done' && rehearsed !== sent && (
          <Text tone="late" small>
            The ladder has changed. Run it again.
          </Text>
        )}
        {data?.state === 'failed' && (
          <Text tone="late" small>
            {data.error}
          </Text>
        )}
        {data?.state === 'cancelled' && (
          <Text tone="soft" small>
            Stopped.
          </Text>
        )}
      </Row>
      {data?.result && id && <Result key={id} id={id} result={data.result} days={data.days} ladder={ladder} draft={draft} />}
    </Stack>
  );
}

interface ResultProps {
  id: string;
  result: NonNullable<RehearsalJson['result']>;
  days: number;
  ladder: LadderJson;
  draft: LadderDraft;
}
function Result({ id, result, days, ladder, draft }: ResultProps) {
  const format = useFormat();
  const [behind, setBehind] = useState<Behind | null>(null);
  const dead = result.rungs.filter(({ after }) => after === 0);
  const rosterOf = (at: number) => ladder.rosters.find((roster) => roster.id === draft.rungs[at - 1]?.roster_id)?.name ?? '';
  const { before, after } = result.seconds;
  const door = (n: number, title: string, query: Behind['query']) =>
    n ? (
      <Button look="link" onClick={() => setBehind({ title, query })}>
        {format.number(n)}
      </Button>
    ) : (
      '0'
    );
  return (
    <Stack above={3}>
      <p>
        Of <b>{format.number(result.asked)}</b> leads from the last {days} days decided by a rung,{' '}
        <b>{door(result.moved, 'With another agent', { moved: true })}</b> would go to another agent.{' '}
        {result.inquiries > result.asked && (
          <Text tone="soft">{format.number(result.inquiries - result.asked)} were assigned before any rung.</Text>
        )}
      </p>
      {dead.length > 0 && (
        <Text as="p" tone="late">
          {dead.length === 1
            ? `Rung ${dead[0]!.position} would have had no leads.`
            : `Rungs ${dead.map(({ position }) => position).join(', ')} would have had no leads.`}
        </Text>
      )}
      <Columns least={360} gap={7} above={2}>
        <Table>
          <Head of="Rung" />
          <tbody>
            {result.rungs.map((rung) => (
              <tr key={rung.id}>
                <td>
                  {rung.position}. {rosterOf(rung.position)}
                </td>
                <td data-numeric="" data-soft="">
                  {format.number(rung.really)}
                </td>
                <td data-numeric="">{format.number(rung.before)}</td>
                <td data-numeric="">{door(rung.after, `Rung ${rung.position}`, { rung: rung.id })}</td>
              </tr>
            ))}
            {result.gone.before > 0 && (
              <tr>
                <td data-soft="">Rungs removed</td>
                <td />
                <td data-numeric="">{format.number(result.gone.before)}</td>
                <td data-numeric="">0</td>
              </tr>
            )}
            <tr>
              <td data-soft="">No rung</td>
              <td />
              <td data-numeric="">{format.number(result.fell.before)}</td>
              <td data-numeric="">{format.number(result.fell.after)}</td>
            </tr>
            <tr>
              <td data-soft="">Safety net</td>
              <td />
              <td data-numeric="">{format.number(result.net.before)}</td>
              <td data-numeric="">{format.number(result.net.after)}</td>
            </tr>
            <tr>
              <td data-soft="">Time to an agent: median, 90th percentile</td>
              <td />
              <td data-numeric="" data-nowrap="">
                {before ? `${long(before.median)}, ${long(before.late)}` : '–'}
              </td>
              <td data-numeric="" data-nowrap="">
                {after ? `${long(after.median)}, ${long(after.late)}` : '–'}
              </td>
            </tr>
            {result.fairness.map((one) => (
              <tr key={one.roster}>
                <td data-soft="">Largest gap from fair share: {one.roster}</td>
                <td />
                <td data-numeric="" data-nowrap="">
                  {format.count(one.before, 'lead', 'leads')}
                </td>
                <td data-numeric="" data-nowrap="">
                  {format.count(one.after, 'lead', 'leads')}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
        <Table>
          <Head of="Agent" />
          <tbody>
            {result.agents.map((agent) => (
              <tr key={agent.id}>
                <td>{agent.name}</td>
                <td data-numeric="" data-soft="">
                  {format.number(agent.really)}
                </td>
                <td data-numeric="">{format.number(agent.before)}</td>
                <td data-numeric="">{door(agent.after, agent.name, { agent: agent.id })}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Columns>
      {behind && <Outcomes id={id} behind={behind} onClose={() => setBehind(null)} />}
      <Text as="p" tone="soft" small above={2}>
        Assumes everyone is available, within their hours and daily limits. Response times are drawn from their history.
        Conditions use each contact as they are today.
      </Text>
    </Stack>
  );
}

const Head = ({ of }: { of: string }) => (
  <thead>
    <tr>
      <th>{of}</th>
      <th data-numeric="" title="What really happened">
        Actual
      </th>
      <th data-numeric="">Current ladder</th>
      <th data-numeric="">New ladder</th>
    </tr>
  </thead>
);

function Outcomes({ id, behind, onClose }: { id: string; behind: Behind; onClose: () => void }) {
  const { data } = useQuery({
    queryKey: ['ladder', 'rehearsal', id, behind.query],
    queryFn: async () =>
      (await ask('GET /rehearsals/{id}/outcomes', { params: { id }, query: { limit: 100, ...behind.query } })).items,
  });
  return (
    <Stack as="section" aria-label={behind.title} gap={0} above={3}>
      <Row ruled="head" spread>
        <Heading>{behind.title}, the latest</Heading>
        <Button size="tiny" onClick={onClose}>
          Close
        </Button>
      </Row>
      {data?.map((one) => (
        <Row ruled spread wrap={false} gap={3} key={one.inquiry_id}>
          <Link href={`/contacts?contact=${one.contact_id}`} prefetch={false}>
            {one.name || 'No name'}
          </Link>
          <Text small>
            {one.before === one.after ? (
              one.after
            ) : (
              <>
                <Text tone="soft">{one.before} →</Text> {one.after}
              </>
            )}{' '}
            <Ago at={one.arrived_at} />
          </Text>
        </Row>
      ))}
    </Stack>
  );
}
