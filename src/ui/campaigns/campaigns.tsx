'use client';
/** Campaigns in a table: what each does to how many people; made, copied, held and switched; all held by one switch. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { stepsIn } from '@/core/campaigns';
import { share } from '@/core/results';
import { ask, useNow, useZone, when, useFormat } from '../primitives';
import { CampaignTabs } from '../templates';
import { NewCampaign } from './new-campaign';
import { STATE_WORDS, useCampaigns, type Campaign } from './shapes';
import { Button, EmptyState, ErrorMessage, Heading, LinkButton, Row, Table, Text, useToast } from '../kit';

/** @param office may hold all campaigns at once */
export function CampaignsArea({ first, office }: { first: Campaign[]; office: boolean }) {
  const { data: campaigns } = useCampaigns(first);
  const [making, setMaking] = useState<{ copyOf: Campaign | null } | null>(null);
  const of = (...states: Campaign['state'][]) => campaigns?.filter(({ state }) => states.includes(state));
  return (
    <>
      <CampaignTabs />
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>Campaigns</Heading>
          <Text as="p" tone="soft">
            Touches go out during the contact’s hours and stop as soon as they answer.
          </Text>
        </div>
        <Row above={1}>
          {office && <HoldAll />}
          <Button look="main" onClick={() => setMaking({ copyOf: null })}>
            New campaign
          </Button>
        </Row>
      </Row>
      {campaigns?.length === 0 && <EmptyState>No campaigns yet. Start with one of the built-in ones.</EmptyState>}
      <CampaignTable name="In progress" rows={of('on', 'held')} onCopy={(copyOf) => setMaking({ copyOf })} />
      <CampaignTable name="Drafts" rows={of('draft')} onCopy={(copyOf) => setMaking({ copyOf })} />
      <CampaignTable name="Off" rows={of('off')} onCopy={(copyOf) => setMaking({ copyOf })} />
      {making && <NewCampaign copyOf={making.copyOf} office={office} onClose={() => setMaking(null)} />}
    </>
  );
}

function HoldAll() {
  const queries = useQueryClient();
  const toast = useToast();
  const settings = useQuery({ queryKey: ['settings'], queryFn: () => ask('GET /settings') });
  const held = settings.data?.campaigns_held ?? false;
  const set = useMutation({
    mutationFn: (next: boolean) => ask('PATCH /settings', { body: { campaigns_held: next } }),
    onSuccess: (_, next) => {
      void queries.invalidateQueries();
      toast.tell(next ? 'All campaigns are on hold. Nothing goes out automatically.' : 'Campaigns resumed.', () =>
        set.mutate(!next),
      );
    },
    onError: toast.fail,
  });
  if (!settings.data) return null;
  return (
    <>
      {held && (
        <Text strong tone="late">
          All campaigns are on hold
        </Text>
      )}
      <Button look={held ? 'main' : 'warn'} disabled={set.isPending} onClick={() => set.mutate(!held)}>
        {held ? 'Resume all' : 'Hold all campaigns'}
      </Button>
    </>
  );
}

const COLUMNS = {
  active: 'Enrolled',
  next: 'Next touch',
  replied: 'Replied',
  clients: 'Became clients',
  optedOut: 'Opted out',
  state: 'State',
};
function CampaignTable({ name, rows, onCopy }: { name: string; rows?: Campaign[]; onCopy: (campaign: Campaign) => void }) {
  const format = useFormat();
  const now = useNow();
  const zone = useZone();
  if (!rows?.length) return null;
  return (
    <section aria-label={name}>
      <Table cards widths={[null, 90, 140, 100, 130, 110, 190, 90]}>
        <thead>
          <tr>
            <th>{name}</th>
            <th data-numeric="">{COLUMNS.active}</th>
            <th>{COLUMNS.next}</th>
            <th data-numeric="">{COLUMNS.replied}</th>
            <th data-numeric="">{COLUMNS.clients}</th>
            <th data-numeric="">{COLUMNS.optedOut}</th>
            <th>{COLUMNS.state}</th>
            <th>
              <Text unseen>Copy</Text>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <td>
                <LinkButton look="link" href={`/campaigns/${row.id}`}>
                  <Text strong>{row.name}</Text>
                </LinkButton>
                <Text block tone="soft" small>
                  {stepsIn(row.plan.steps).length} steps{row.group && ` · only one of “${row.group}” at a time`}
                  {!row.shared && ' · yours'}
                  {row.on_earlier > 0 && ` · ${format.number(row.on_earlier)} on an earlier version`}
                </Text>
              </td>
              <td data-numeric="" data-strong="" data-label={COLUMNS.active}>
                {format.number(row.active)}
              </td>
              <td data-label={COLUMNS.next}>
                {row.next_at && row.state === 'on' ? (
                  when(new Date(row.next_at), now, zone, format)
                ) : (
                  <Text tone="soft">none</Text>
                )}
              </td>
              <td data-numeric="" data-label={COLUMNS.replied}>
                <OfAll n={row.answered} total={row.total} />
              </td>
              <td data-numeric="" data-label={COLUMNS.clients}>
                <OfAll n={row.clients} total={row.total} />
              </td>
              <td data-numeric="" data-label={COLUMNS.optedOut}>
                <OfAll n={row.opted_out} total={row.total} />
              </td>
              <td data-label={COLUMNS.state}>
                <State campaign={row} />
              </td>
              <td data-numeric="">
                <Button size="tiny" onClick={() => onCopy(row)} aria-label={`Copy ${row.name}`}>
                  Copy
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </section>
  );
}

function OfAll({ n, total }: { n: number; total: number }) {
  const format = useFormat();
  if (!total) return <Text tone="soft">none yet</Text>;
  return (
    <span title={`${format.number(n)} of ${format.number(total)} ever enrolled`}>
      {format.percent((share(n, total) ?? 0) / 100)}
    </span>
  );
}

/** On, held, off. Switched here and in the editor. */
export function State({ campaign }: { campaign: Campaign }) {
  const queries = useQueryClient();
  const toast = useToast();
  const set = useMutation({
    mutationFn: (state: Campaign['state']) => ask('PATCH /campaigns/{id}', { params: { id: campaign.id }, body: { state } }),
    onSuccess: (_, state) => {
      void queries.invalidateQueries();
      const before = campaign.state;
      toast.tell(
        state === 'on'
          ? `“${campaign.name}” is on.`
          : `“${campaign.name}” is ${state === 'held' ? 'paused: everyone in it waits' : 'off: no one moves forward or enrolls'}.`,
        before === 'draft' ? undefined : () => set.mutate(before),
      );
    },
  });
  if (!campaign.may_change) return <span>{STATE_WORDS[campaign.state]}</span>;
  return (
    <>
      <Row as="span" above={1} role="group" aria-label={`State of ${campaign.name}`}>
        {(campaign.state === 'draft' ? (['on'] as const) : (['on', 'held', 'off'] as const)).map((state) => (
          <Button
            key={state}
            size="tiny"
            pressed={campaign.state === state}
            disabled={set.isPending}
            onClick={() => campaign.state !== state && set.mutate(state)}
          >
            {STATE_WORDS[state]}
          </Button>
        ))}
      </Row>
      <ErrorMessage error={set.error} named />
    </>
  );
}
