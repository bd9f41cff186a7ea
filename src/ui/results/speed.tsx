'use client';
/** Speed to lead: how soon a person of ours tried whoever came, by agent, roster, door, and hour of the week. Every number opens its people. */
import { Fragment } from 'react';
import Link from 'next/link';
import { useQuery } from '@tanstack/react-query';
import { share, SPEED_BY, type SpeedBy, type SpeedRow } from '@/core/results';
import { howLong } from '@/core/shared';
import { ask, useFormat, useRemembered } from '../primitives';
import { Button, EmptyState, Heading, HourCell, HoursGrid, Row, Stack, Table, Text } from '../kit';

const WORDS: Record<SpeedBy, string> = { agent: 'Agent', roster: 'Roster', door: 'Door', hour: 'Hour of the week' };
const HOURS = Array.from({ length: 24 }, (_, hour) => hour);

export function Speed({ days }: { days: number }) {
  const format = useFormat();
  const [by, setBy] = useRemembered('results_by', 'agent');
  const { data } = useQuery({
    queryKey: ['results', 'speed', by, days],
    queryFn: async () => (await ask('GET /results/speed', { query: { by, days } })).items,
    placeholderData: (before, query) => (query?.queryKey[2] === by ? before : undefined),
  });
  const people = (row: SpeedRow, measure: 'leads' | 'fast') => `/contacts?measure=${measure}&days=${days}&${by}=${row.key}`;
  return (
    <Stack as="section" aria-label="Speed to lead" gap={1} above={7}>
      <Row spread align="end" gap={4}>
        <div>
          <Heading>Speed to lead</Heading>
          <Text as="p" tone="soft" small>
            From the inquiry to the first call or message sent by one of your people.
          </Text>
        </div>
        <Row gap={1.5} role="group" aria-label="By">
          {SPEED_BY.map((one) => (
            <Button key={one} size="small" pressed={one === by} onClick={() => setBy(one)}>
              {WORDS[one]}
            </Button>
          ))}
        </Row>
      </Row>
      {data?.length === 0 && <EmptyState>No leads in this period.</EmptyState>}
      {data && data.length > 0 && by === 'hour' && <Week rows={data} people={people} />}
      {data && data.length > 0 && by !== 'hour' && (
        <Table cards>
          <thead>
            <tr>
              <th scope="col">{WORDS[by]}</th>
              <th scope="col" data-numeric="">
                Leads
              </th>
              <th scope="col" data-numeric="">
                Attempted in 5 minutes
              </th>
              <th scope="col" data-numeric="">
                Median
              </th>
            </tr>
          </thead>
          <tbody>
            {data.map((row) => (
              <tr key={row.key}>
                <td>{row.name}</td>
                <td data-numeric="" data-label="Leads">
                  <Link href={people(row, 'leads')} prefetch={false}>
                    {format.number(row.leads)}
                  </Link>
                </td>
                <td data-numeric="" data-label="Attempted in 5 minutes">
                  <span>
                    <Link href={people(row, 'fast')} prefetch={false}>
                      {format.number(row.fast)}
                    </Link>{' '}
                    <Text tone="soft" small>
                      {format.percent((share(row.fast, row.leads) ?? 0) / 100)} of leads
                    </Text>
                  </span>
                </td>
                <td data-numeric="" data-nowrap="" data-label="Median">
                  {row.median_seconds === null ? '–' : howLong(row.median_seconds * 1000)}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </Stack>
  );
}

/** The week by hours: how many came, and how much of the cell is filled says how many of them were tried in five minutes. */
function Week({ rows, people }: { rows: SpeedRow[]; people: (row: SpeedRow, measure: 'leads') => string }) {
  const format = useFormat();
  const clockOf = (hour: number) => format.clockTime(`${String(hour).padStart(2, '0')}:00`);
  const byKey = new Map(rows.map((row) => [row.key, row]));
  return (
    <>
      <HoursGrid role="group" aria-label="Leads by hour of the week">
        <span />
        {HOURS.map((hour) => (
          <Text tone="soft" small key={hour} aria-hidden="true">
            {hour % 3 === 0 ? clockOf(hour) : ''}
          </Text>
        ))}
        {format.weekdays.map(({ day, short: name }) => {
          return (
            <Fragment key={name}>
              <Text tone="soft" small>
                {name}
              </Text>
              {HOURS.map((hour) => {
                const row = byKey.get(`${day}-${hour}`);
                if (!row) return <HourCell key={hour} />;
                const fast = share(row.fast, row.leads) ?? 0;
                const words = `${name} ${clockOf(hour)}: ${format.count(row.leads, 'lead', 'leads')}, ${fast}% attempted in 5 minutes${row.median_seconds === null ? '' : `, median ${howLong(row.median_seconds * 1000)}`}`;
                return (
                  <HourCell key={hour} share={fast / 100}>
                    <Link href={people(row, 'leads')} title={words} aria-label={words} prefetch={false}>
                      {row.leads}
                    </Link>
                  </HourCell>
                );
              })}
            </Fragment>
          );
        })}
      </HoursGrid>
      <Text as="p" tone="soft" small above={1.5}>
        The number is how many leads came in that hour. The filled part is how many were attempted within 5 minutes.
      </Text>
    </>
  );
}
