'use client';
/** Results: what came of the leads of a period, per agent and in all. Every number opens its people. */
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { MEASURES, share, type Measure, type ResultRow } from '@/core/results';
import { howLong, type Jsoned } from '@/core/shared';
import { ask } from '../primitives';
import { Speed } from './speed';
import { Button } from '../kit';

const Funnel = dynamic(() => import('./funnel').then(({ Funnel: chart }) => chart), {
  ssr: false,
  loading: () => <div style={{ height: 260 }} />,
});

export interface Results {
  conversation_seconds: number;
  rows: Jsoned<ResultRow>[];
}
const PERIODS = [7, 30, 90, 180];

export function ResultsArea({ first, days: firstDays, mine }: { first: Results; days: number; mine: boolean }) {
  const [days, setDays] = useState(firstDays);
  const { data, isFetching } = useQuery({
    queryKey: ['results', days],
    queryFn: () => ask('GET /results', { query: { days } }),
    initialData: days === firstDays ? first : undefined,
    placeholderData: (before) => before ?? first,
  });
  const results = data ?? first;
  const all = results.rows.find((row) => row.agent === null);
  return (
    <section aria-busy={isFetching}>
      <div className="headline">
        <div>
          <h1>Results</h1>
          <p className="soft">
            Leads from the last {days} days{mine ? ', yours only' : ''}. Click a number to see the people.
          </p>
        </div>
        <div role="group" aria-label="Period" style={{ display: 'flex', gap: 6 }}>
          {PERIODS.map((period) => (
            <Button key={period} pressed={period === days} onClick={() => setDays(period)}>
              {period} days
            </Button>
          ))}
        </div>
      </div>
      {!all || all.leads === 0 ? (
        <p className="empty">No leads in this period.</p>
      ) : (
        <>
          <Funnel row={all} />
          <table className="grid" style={{ marginTop: 12 }}>
            <thead>
              <tr>
                <th>Agent</th>
                {MEASURES.map((measure) => (
                  <th key={measure.key} className="n" title={measure.definition}>
                    {measure.name}
                  </th>
                ))}
                <th className="n" title="Two-way talk time with these leads">
                  Talk
                </th>
                <th className="n" title="Half of the attempted leads were attempted this soon after they came in">
                  Median speed to lead
                </th>
              </tr>
            </thead>
            <tbody>
              {results.rows.map((row) => (
                <Row key={row.agent?.id ?? 'all'} row={row} days={days} />
              ))}
            </tbody>
          </table>
          <Speed days={days} />
          <dl className="small soft" style={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '2px 12px', marginTop: 16 }}>
            {MEASURES.map((measure) => (
              <Definition
                key={measure.key}
                name={measure.name}
                text={
                  measure.key === 'conversations'
                    ? `${measure.definition.replace(/ of at least.*/, '')} of at least ${howLong(results.conversation_seconds * 1000)}.`
                    : measure.definition
                }
              />
            ))}
            <Definition name="Speed to lead" text="From the inquiry to the first call or message sent by one of your people." />
          </dl>
        </>
      )}
    </section>
  );
}

const Definition = ({ name, text }: { name: string; text: string }) => (
  <>
    <dt className="strong">{name}</dt>
    <dd style={{ margin: 0 }}>{text}</dd>
  </>
);

function Row({ row, days }: { row: Jsoned<ResultRow>; days: number }) {
  const cell = (measure: Measure) => {
    const part =
      measure === 'reached' || measure === 'conversations'
        ? share(row[measure], row.tried)
        : measure === 'leads'
          ? null
          : share(row[measure], row.leads);
    return (
      <td key={measure} className="n">
        <Link href={`/contacts?measure=${measure}&days=${days}${row.agent ? `&agent=${row.agent.id}` : ''}`} prefetch={false}>
          {row[measure].toLocaleString('en-US')}
        </Link>{' '}
        <span className="soft small" style={{ display: 'inline-block', width: 38 }}>
          {part === null ? '' : `${part} %`}
        </span>
      </td>
    );
  };
  return (
    <tr style={row.agent ? undefined : { fontWeight: 600 }}>
      <td className="nowrap">{row.agent?.name ?? 'Total'}</td>
      {MEASURES.map((measure) => cell(measure.key))}
      <td className="n nowrap">
        {row.talkSeconds >= 36_000
          ? `${Math.round(row.talkSeconds / 3600).toLocaleString('en-US')} h`
          : row.talkSeconds
            ? howLong(row.talkSeconds * 1000)
            : '–'}
      </td>
      <td className="n nowrap">{row.medianSpeedSeconds === null ? '–' : howLong(row.medianSpeedSeconds * 1000)}</td>
    </tr>
  );
}
