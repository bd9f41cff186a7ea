'use client';
/** The rehearsal: the changed ladder over the inquiries of the last days, before and after, with the people behind each number. */
import { useState } from 'react';
import Link from 'next/link';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Ago, ask, freshKey } from '../primitives';
import { sentOf, type LadderDraft } from './draft';
import { long, type LadderJson, type RehearsalJson } from './shapes';
import { Button, Select, useToast } from '../kit';

const number = (n: number): string => n.toLocaleString('en-US');
const leads = (n: number): string => `${number(n)} ${n === 1 ? 'lead' : 'leads'}`;
type Behind = { title: string; query: { moved?: boolean; agent?: string; from?: string; rung?: string } };

export function RehearsalBox({ ladder, draft }: { ladder: LadderJson; draft: LadderDraft }) {
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
    <section aria-label="Rehearsal" style={{ marginTop: 20 }}>
      <div className="beside">
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
            <span className="soft small">
              {number(data.done)} of {number(data.inquiries)}
            </span>
            <Button
              size="tiny"
              onClick={() => void ask('POST /rehearsals/{id}/cancel', { params: { id: id! } }).catch(toast.fail)}
            >
              Stop
            </Button>
          </>
        )}
        {!data && <span className="soft small">who would have gotten which leads. Nothing changes.</span>}
        {data?.state === 'done' && rehearsed !== sent && (
          <span className="late small">The ladder has changed. Run it again.</span>
        )}
        {data?.state === 'failed' && <span className="late small">{data.error}</span>}
        {data?.state === 'cancelled' && <span className="soft small">Stopped.</span>}
      </div>
      {data?.result && id && <Result key={id} id={id} result={data.result} days={data.days} ladder={ladder} draft={draft} />}
    </section>
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
  const [behind, setBehind] = useState<Behind | null>(null);
  const dead = result.rungs.filter(({ after }) => after === 0);
  const rosterOf = (at: number) => ladder.rosters.find((roster) => roster.id === draft.rungs[at - 1]?.roster_id)?.name ?? '';
  const { before, after } = result.seconds;
  const door = (n: number, title: string, query: Behind['query']) =>
    n ? (
      <Button look="link" onClick={() => setBehind({ title, query })}>
        {number(n)}
      </Button>
    ) : (
      '0'
    );
  return (
    <div style={{ marginTop: 12 }}>
      <p>
        Of <b>{number(result.asked)}</b> leads from the last {days} days decided by a rung,{' '}
        <b>{door(result.moved, 'With another agent', { moved: true })}</b> would go to another agent.{' '}
        {result.inquiries > result.asked && (
          <span className="soft">{number(result.inquiries - result.asked)} were assigned before any rung.</span>
        )}
      </p>
      {dead.length > 0 && (
        <p className="late">
          {dead.length === 1
            ? `Rung ${dead[0]!.position} would have had no leads.`
            : `Rungs ${dead.map(({ position }) => position).join(', ')} would have had no leads.`}
        </p>
      )}
      <div className="rehearsed">
        <table className="grid">
          <Head of="Rung" />
          <tbody>
            {result.rungs.map((rung) => (
              <tr key={rung.id}>
                <td>
                  {rung.position}. {rosterOf(rung.position)}
                </td>
                <td className="n soft">{number(rung.really)}</td>
                <td className="n">{number(rung.before)}</td>
                <td className="n">{door(rung.after, `Rung ${rung.position}`, { rung: rung.id })}</td>
              </tr>
            ))}
            {result.gone.before > 0 && (
              <tr>
                <td className="soft">rungs removed</td>
                <td />
                <td className="n">{number(result.gone.before)}</td>
                <td className="n">0</td>
              </tr>
            )}
            <tr>
              <td className="soft">no rung</td>
              <td />
              <td className="n">{number(result.fell.before)}</td>
              <td className="n">{number(result.fell.after)}</td>
            </tr>
            <tr>
              <td className="soft">a safety net</td>
              <td />
              <td className="n">{number(result.net.before)}</td>
              <td className="n">{number(result.net.after)}</td>
            </tr>
            <tr>
              <td className="soft">time to an agent: median, 90th percentile</td>
              <td />
              <td className="n nowrap">{before ? `${long(before.median)}, ${long(before.late)}` : '–'}</td>
              <td className="n nowrap">{after ? `${long(after.median)}, ${long(after.late)}` : '–'}</td>
            </tr>
            {result.fairness.map((one) => (
              <tr key={one.roster}>
                <td className="soft">Largest gap from fair share: {one.roster}</td>
                <td />
                <td className="n nowrap">{leads(one.before)}</td>
                <td className="n nowrap">{leads(one.after)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <table className="grid">
          <Head of="Agent" />
          <tbody>
            {result.agents.map((agent) => (
              <tr key={agent.id}>
                <td>{agent.name}</td>
                <td className="n soft">{number(agent.really)}</td>
                <td className="n">{number(agent.before)}</td>
                <td className="n">{door(agent.after, agent.name, { agent: agent.id })}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {behind && <Outcomes id={id} behind={behind} onClose={() => setBehind(null)} />}
      <p className="soft small" style={{ marginTop: 8 }}>
        Assumes everyone is available, within their hours and daily limits. Response times are drawn from their history.
        Conditions use each contact as they are today.
      </p>
    </div>
  );
}

const Head = ({ of }: { of: string }) => (
  <thead>
    <tr>
      <th>{of}</th>
      <th className="n" title="What really happened">
        really
      </th>
      <th className="n">no change</th>
      <th className="n">changed</th>
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
    <section aria-label={behind.title} style={{ marginTop: 12 }}>
      <div className="group">
        <h2>{behind.title}, the latest</h2>
        <Button size="tiny" onClick={onClose}>
          Close
        </Button>
      </div>
      {data?.map((one) => (
        <div key={one.inquiry_id} className="pair" style={{ padding: '4px 0' }}>
          <Link
            href={`/contacts?contact=${one.contact_id}`}
            prefetch={false}
            style={{ textDecoration: 'none' }}
            className="strong"
          >
            {one.name || 'No name'}
          </Link>
          <span className="small">
            {one.before === one.after ? (
              one.after
            ) : (
              <>
                <span className="soft">{one.before} →</span> {one.after}
              </>
            )}{' '}
            <Ago at={one.arrived_at} />
          </span>
        </div>
      ))}
    </section>
  );
}
