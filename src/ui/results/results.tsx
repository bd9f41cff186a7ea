'use client';
/** Results: what came of the leads of a period, per agent and in all. Every number opens its people. */
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useQuery } from '@tanstack/react-query';
import { MEASURES, RESULT_PERIODS, share, type Measure, type ResultRow } from '@/core/results';
import { howLong, type Jsoned } from '@/core/shared';
import { ask, useFormat, useRemembered } from '../primitives';
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

export function ResultsArea({ first, days: firstDays, mine }: { first: Results; days: number; mine: boolean }) {
  const [days, setDays] = useRemembered('results_days', firstDays);
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
          {RESULT_PERIODS.map((period) => (
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
          <Table cards>
            <thead>
              <tr>
                <th scope="col">Agent</th>
                {MEASURES.map((measure) => (
                  <th scope="col" data-numeric="" key={measure.key} title={measure.definition}>
                    {measure.name}
                    {baseOf(measure.key) && (
                      <Text block tone="soft" small>
                        % of {baseOf(measure.key) === 'tried' ? 'attempted' : 'leads'}
                      </Text>
                    )}
                  </th>
                ))}
                <th scope="col" data-numeric="" title="Two-way talk time with these leads">
                  Talk time
                </th>
                <th scope="col" data-numeric="" title="Half of the attempted leads were attempted this soon after they came in">
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

/** What a share of a measure is of. */
const baseOf = (measure: Measure): 'tried' | 'leads' | null =>
  measure === 'leads' ? null : measure === 'reached' || measure === 'conversations' ? 'tried' : 'leads';

const Definition = ({ name, text }: { name: string; text: string }) => (
  <>
    <dt>{name}</dt>
    <dd>{text}</dd>
  </>
);

function AgentRow({ row, days }: { row: Jsoned<ResultRow>; days: number }) {
  const format = useFormat();
  const cell = ({ key: measure, name }: { key: Measure; name: string }) => {
    const base = baseOf(measure);
    const part = base && share(row[measure], row[base]);
    return (
      <td data-numeric="" data-label={name} key={measure}>
        <span>
          <Link href={`/contacts?measure=${measure}&days=${days}${row.agent ? `&agent=${row.agent.id}` : ''}`} prefetch={false}>
            {format.number(row[measure])}
          </Link>{' '}
          <Text tone="soft" small>
            {part === null ? '' : format.percent(part / 100)}
          </Text>
        </span>
      </td>
    );
  };
  return (
    <tr data-strong={row.agent ? undefined : ''}>
      <td data-nowrap="">{row.agent ? <Text strong>{row.agent.name}</Text> : 'Total'}</td>
      {MEASURES.map(cell)}
      <td data-numeric="" data-nowrap="" data-label="Talk time">
        {row.talkSeconds >= 36_000
          ? `${format.number(Math.round(row.talkSeconds / 3600))} hr`
          : row.talkSeconds
            ? howLong(row.talkSeconds * 1000)
            : '–'}
      </td>
      <td data-numeric="" data-nowrap="" data-label="Median speed to lead">
        {row.medianSpeedSeconds === null ? '–' : howLong(row.medianSpeedSeconds * 1000)}
      </td>
    </tr>
  );
}
