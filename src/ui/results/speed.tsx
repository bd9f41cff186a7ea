'use client';
/** Speed to lead: how soon a person of ours tried whoever came, by agent, roster, door, and hour of the week. Every number opens its people. */
import { Fragment, useState } from 'react';
import Link from 'next/link';
import { useQuery } from '@tanstack/react-query';
import { share, SPEED_BY, type SpeedBy, type SpeedRow } from '@/core/results';
import { howLong } from '@/core/shared';
import { ask } from '../primitives';
import { Button } from '../kit';

const WORDS: Record<SpeedBy, string> = { agent: 'Agent', roster: 'Roster', door: 'Door', hour: 'Hour of the week' };
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const HOURS = Array.from({ length: 24 }, (_, hour) => hour);

export function Speed({ days }: { days: number }) {
  const [by, setBy] = useState<SpeedBy>('agent');
  const { data } = useQuery({
    queryKey: ['results', 'speed', by, days],
    queryFn: async () => (await ask('GET /results/speed', { query: { by, days } })).items,
    placeholderData: (before, query) => (query?.queryKey[2] === by ? before : undefined),
  });
  const people = (row: SpeedRow, measure: 'leads' | 'fast') => `/contacts?measure=${measure}&days=${days}&${by}=${row.key}`;
  return (
    <section aria-label="Speed to lead" style={{ marginTop: 28 }}>
      <div className="headline">
        <div>
          <h2 style={{ fontSize: 16, color: 'var(--ink)' }}>Speed to lead</h2>
          <p className="soft small">From the inquiry to the first call or message sent by one of your people.</p>
        </div>
        <div role="group" aria-label="By" style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
          {SPEED_BY.map((one) => (
            <Button key={one} size="small" pressed={one === by} onClick={() => setBy(one)}>
              {WORDS[one]}
            </Button>
          ))}
        </div>
      </div>
      {data?.length === 0 && <p className="empty">No leads in this period.</p>}
      {data && data.length > 0 && by === 'hour' && <Week rows={data} people={people} />}
      {data && data.length > 0 && by !== 'hour' && (
        <table className="grid">
          <thead>
            <tr>
              <th>{WORDS[by]}</th>
              <th className="n">Leads</th>
              <th className="n">Attempted in 5 minutes</th>
              <th className="n">Median</th>
            </tr>
          </thead>
          <tbody>
            {data.map((row) => (
              <tr key={row.key}>
                <td>{row.name}</td>
                <td className="n">
                  <Link href={people(row, 'leads')} prefetch={false}>
                    {row.leads.toLocaleString('en-US')}
                  </Link>
                </td>
                <td className="n">
                  <Link href={people(row, 'fast')} prefetch={false}>
                    {row.fast.toLocaleString('en-US')}
                  </Link>{' '}
                  <span className="soft small">{share(row.fast, row.leads)} %</span>
                </td>
                <td className="n nowrap">{row.median_seconds === null ? '–' : howLong(row.median_seconds * 1000)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** The week by hours: how many came, and how much of the cell is filled says how many of them were tried in five minutes. */
function Week({ rows, people }: { rows: SpeedRow[]; people: (row: SpeedRow, measure: 'leads') => string }) {
  const byKey = new Map(rows.map((row) => [row.key, row]));
  return (
    <>
      <div className="week" role="table" aria-label="Leads by hour of the week">
        <span />
        {HOURS.map((hour) => (
          <span key={hour} className="soft small" aria-hidden="true">
            {hour % 3 === 0 ? hour : ''}
          </span>
        ))}
        {DAYS.map((name, day) => (
          <Fragment key={name}>
            <span className="soft small">{name}</span>
            {HOURS.map((hour) => {
              const row = byKey.get(`${day + 1}-${hour}`);
              if (!row) return <span key={hour} className="cell" />;
              const fast = share(row.fast, row.leads) ?? 0;
              const words = `${name} ${hour}:00: ${row.leads} leads, ${fast} % attempted in 5 minutes${row.median_seconds === null ? '' : `, median ${howLong(row.median_seconds * 1000)}`}`;
              return (
                <Link key={hour} className="cell" href={people(row, 'leads')} title={words} aria-label={words} prefetch={false}>
                  <i style={{ height: `${fast}%` }} aria-hidden="true" />
                  <b>{row.leads}</b>
                </Link>
              );
            })}
          </Fragment>
        ))}
      </div>
      <p className="soft small" style={{ marginTop: 6 }}>
        The number is how many leads came in that hour. The filled part is how many were attempted within 5 minutes.
      </p>
    </>
  );
}
