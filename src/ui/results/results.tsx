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
import { Button, ChartBox, DefinitionList, EmptyState, Heading, Row, Table, Text } from '../kit';

const Funnel = dynamic(() => import('./funnel').then(({ Funnel: chart }) => chart), {
  ssr: false,
  loading: () => <ChartBox height={260} />,
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
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>Results</Heading>
          <Text as="p" tone="soft">
            Leads from the last {days} days{mine ? ', yours only' : ''}. Click a number to see the people.
          </Text>
        </div>
        <Row gap={1.5} role="group" aria-label="Period">
          {PERIODS.map((period) => (
            <Button key={period} pressed={period === days} onClick={() => setDays(period)}>
              {period} days
            </Button>
          ))}
        </Row>
      </Row>
      {!all || all.leads === 0 ? (
        <EmptyState>No leads in this period.</EmptyState>
      ) : (
        <>
          <Funnel row={all} />
          <Table>
            <thead>
              <tr>
                <th>Agent</th>
                {MEASURES.map((measure) => (
                  <th data-numeric="" key={measure.key} title={measure.definition}>
                    {measure.name}
                  </th>
                ))}
                <th data-numeric="" title="Two-way talk time with these leads">
                  Talk
                </th>
                <th data-numeric="" title="Half of the attempted leads were attempted this soon after they came in">
                  Median speed to lead
                </th>
              </tr>
            </thead>
            <tbody>
              {results.rows.map((row) => (
                <AgentRow key={row.agent?.id ?? 'all'} row={row} days={days} />
              ))}
            </tbody>
          </Table>
          <Speed days={days} />
          <DefinitionList>
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
          </DefinitionList>
        </>
      )}
    </section>
  );
}

const Definition = ({ name, text }: { name: string; text: string }) => (
  <>
    <dt>{name}</dt>
    <dd>{text}</dd>
  </>
);

function AgentRow({ row, days }: { row: Jsoned<ResultRow>; days: number }) {
  const cell = (measure: Measure) => {
    const part =
      measure === 'reached' || measure === 'conversations'
        ? share(row[measure], row.tried)
        : measure === 'leads'
          ? null
          : share(row[measure], row.leads);
    return (
      <td data-numeric="" key={measure}>
        <Link href={`/contacts?measure=${measure}&days=${days}${row.agent ? `&agent=${row.agent.id}` : ''}`} prefetch={false}>
          {row[measure].toLocaleString('en-US')}
        </Link>{' '}
        <Text tone="soft" small>
          {part === null ? '' : `${part}%`}
        </Text>
      </td>
    );
  };
  return (
    <tr data-strong={row.agent ? undefined : ''}>
      <td data-nowrap="">{row.agent?.name ?? 'Total'}</td>
      {MEASURES.map((measure) => cell(measure.key))}
      <td data-numeric="" data-nowrap="">
        {row.talkSeconds >= 36_000
          ? `${Math.round(row.talkSeconds / 3600).toLocaleString('en-US')} h`
          : row.talkSeconds
            ? howLong(row.talkSeconds * 1000)
            : '–'}
      </td>
      <td data-numeric="" data-nowrap="">
        {row.medianSpeedSeconds === null ? '–' : howLong(row.medianSpeedSeconds * 1000)}
      </td>
    </tr>
  );
}
