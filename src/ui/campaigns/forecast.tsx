'use client';
/** The forecast below the ruler: what the campaign as drawn would do, day by day, to whoever it would take today. */
import { useState } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { CampaignRehearsalView, DayForecast, Plan } from '@/core/campaigns';
import { byChannel, CHANNEL_KEYS, type Because } from '@/core/contacts';
import { ask, useNow, useZone, useFormat } from '../primitives';
import type { Campaign } from './shapes';
import { Button, ChartBox, Columns, EmptyState, Figure, Heading, Legend, Row, Select, Text, useToast } from '../kit';

const KINDS = [
  ['call', 'Calls', 'var(--violet)'],
  ['text', 'Texts', 'var(--teal)'],
  ['email', 'Emails', 'var(--leaf)'],
  ['letter', 'Letters', 'var(--copper)'],
] as const;

/** Why a touch would not go or would move, in few words. */
const WHY: Partial<Record<Because['why'], string>> = {
  quiet_hours: 'quiet hours',
  holiday: 'a holiday',
  text_gap: 'time between texts',
  capped: 'contact limits',
  no_permission: 'no permission to text',
  withdrawn: 'permission was withdrawn',
  do_not_contact: 'marked do not contact',
  no_address: 'no address',
  address_broken: 'bad address',
  not_followed_up: 'already a client',
  on_the_phone_now: 'a call is under way',
};

export function ForecastBox({ campaign, plan }: { campaign: Campaign; plan: Plan }) {
  const format = useFormat();
  const [id, setId] = useState<string | null>(null);
  const [of, setOf] = useState('');
  const [days, setDays] = useState(365);
  const toast = useToast();
  const order = useMutation({
    mutationFn: () => ask('POST /campaigns/{id}/rehearsals', { params: { id: campaign.id }, body: { plan, days } }),
    onSuccess: (made) => {
      setId(made.id);
      setOf(JSON.stringify(plan));
    },
    onError: toast.fail,
  });
  const { data } = useQuery({
    queryKey: ['campaign-rehearsal', id],
    queryFn: () => ask('GET /campaign-rehearsals/{id}', { params: { id: id! } }),
    enabled: id !== null,
    refetchInterval: ({ state }) => (state.data && !['waiting', 'running'].includes(state.data.state) ? false : 400),
  });
  const under = data !== undefined && ['waiting', 'running'].includes(data.state);
  return (
    <section aria-label="Rehearsal">
      <Row above={1}>
        <Button disabled={order.isPending || under || !plan.steps.length} onClick={() => order.mutate()}>
          Run rehearsal
        </Button>
        <label>
          over{' '}
          <Select aria-label="Days of the rehearsal" value={days} onChange={(event) => setDays(Number(event.target.value))}>
            {[30, 90, 365, 730].map((n) => (
              <option key={n} value={n}>
                {n} days
              </option>
            ))}
          </Select>
        </label>
        {under && (
          <>
            <progress max={Math.max(1, data.people)} value={data.done} aria-label="Rehearsal progress" />
            <Text tone="soft" small>
              {format.number(data.done)} of {format.number(data.people)} people
            </Text>
          </>
        )}
        {!id && (
          <Text tone="soft" small>
            Shows what would happen to everyone who would enroll today. Nothing is sent.
          </Text>
        )}
        {data?.state === 'done' && of !== JSON.stringify(plan) && (
          <Text tone="late" small>
            The campaign has changed since then.
          </Text>
        )}
      </Row>
      {data?.state === 'failed' && (
        <Text as="p" tone="late" role="alert">
          {data.error}
        </Text>
      )}
      {data?.state === 'done' && data.result && <Result rehearsal={data} />}
    </section>
  );
}

function Result({ rehearsal }: { rehearsal: CampaignRehearsalView }) {
  const { result: forecast, letter_cents, days: length } = rehearsal;
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  const on = (day: number) => format.shortDay(new Date(now.getTime() + day * 86_400_000), zone);
  const { people, untouched, days, held, moved, clashes, calls, letters } = forecast!;
  const total = (kind: keyof DayForecast) => days.reduce((sum, one) => sum + one[kind], 0);
  const weekly = length > 60;
  const bars = weekly ? inWeeks(days) : days;
  const reasons = (counts: Partial<Record<string, number>>) =>
    Object.entries(counts)
      .sort(([, a], [, b]) => b! - a!)
      .map(([why, n]) => `${format.number(n!)}: ${WHY[why as Because['why']] ?? why.replaceAll('_', ' ')}`);
  if (!people) return <EmptyState>No one would enroll today.</EmptyState>;
  return (
    <>
      <p>
        It would enroll <Figure>{format.number(people)}</Figure> {people === 1 ? 'person' : 'people'}:{' '}
        {format.count(total('call'), 'call', 'calls')}, {format.count(total('text'), 'text', 'texts')},{' '}
        {format.count(total('email'), 'email', 'emails')}, {format.count(letters, 'letter', 'letters')}
        {letters > 0 && ` for ${format.money((letters * letter_cents) / 100, true)}`}
        {total('task') > 0 && `, ${format.count(total('task'), 'task', 'tasks')}`}, if no one answers.
        {untouched > 0 && ` ${format.number(untouched)} would get nothing.`}
      </p>
      <ChartBox height={190} role="img" aria-label={`Touches a ${weekly ? 'week' : 'day'} by channel`}>
        <ResponsiveContainer>
          <BarChart data={bars} margin={{ left: 0, right: 8, top: 8, bottom: 0 }}>
            <XAxis dataKey="day" tickFormatter={on} stroke="var(--soft)" fontSize={12} tickLine={false} />
            <YAxis stroke="var(--soft)" fontSize={12} width={48} tickLine={false} allowDecimals={false} />
            <Tooltip
              labelFormatter={(day) => `${weekly ? 'Week of ' : ''}${on(Number(day))}`}
              contentStyle={{ background: 'var(--surface)', border: '1px solid var(--line)', borderRadius: 6 }}
            />
            {KINDS.map(([key, name, color]) => (
              <Bar key={key} dataKey={key} name={name} stackId="all" fill={color} isAnimationActive={false} />
            ))}
          </BarChart>
        </ResponsiveContainer>
      </ChartBox>
      <Row small above={1} aria-hidden="true">
        {KINDS.map(([key, name, color]) => (
          <Legend key={key} color={color}>
            {name}
          </Legend>
        ))}
        <Text tone="soft">{weekly ? 'by weeks' : 'by days'}</Text>
      </Row>
      <Columns least={190} gap={4.5} above={3.5}>
        <List title="Would be skipped" lines={reasons(held)} none="Nothing would be skipped." />
        <List title="Would wait" lines={reasons(moved)} none="Nothing would wait." />
        <List
          title="Same day as another campaign"
          lines={Object.entries(clashes).map(([name, n]) => `${format.number(n)}: “${name}”`)}
          none="None."
        />
        <List
          title="Most calls for one agent in a day"
          lines={calls.slice(0, 5).map(({ agent, day, calls: n }) => `${format.number(n)}: ${agent}, ${on(day)}`)}
          none="No calls."
        />
      </Columns>
    </>
  );
}

function List({ title, lines, none }: { title: string; lines: string[]; none: string }) {
  return (
    <div>
      <Heading>{title}</Heading>
      {lines.length === 0 && (
        <Text tone="soft" small>
          {none}
        </Text>
      )}
      {lines.map((line) => (
        <Text block small key={line}>
          {line}
        </Text>
      ))}
    </div>
  );
}

function inWeeks(days: readonly DayForecast[]): DayForecast[] {
  const weeks = new Map<number, DayForecast>();
  for (const one of days) {
    const day = Math.floor(one.day / 7) * 7;
    const week = weeks.get(day) ?? { day, task: 0, ...byChannel(() => 0) };
    for (const key of [...CHANNEL_KEYS, 'task'] as const) week[key] += one[key];
    weeks.set(day, week);
  }
  return [...weeks.values()];
}
