'use client';
/** Campaigns in a table: what each does to how many people; made, copied, held and switched; all held by one switch. */
import { useState } from 'react';
import Link from 'next/link';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { stepsIn } from '@/core/campaigns';
import { share } from '@/core/results';
import { ask, useNow, useZone, when, useFormat } from '../primitives';
import { CampaignTabs } from '../templates';
import { NewCampaign } from './new-campaign';
import { STATE_WORDS, useCampaigns, type Campaign } from './shapes';
import './campaigns.css';
import { Button, ErrorMessage, useToast } from '../kit';

/** @param office may hold all campaigns at once */
export function CampaignsArea({ first, office }: { first: Campaign[]; office: boolean }) {
  const { data: campaigns } = useCampaigns(first);
  const [making, setMaking] = useState<{ copyOf: Campaign | null } | null>(null);
  const of = (...states: Campaign['state'][]) => campaigns?.filter(({ state }) => states.includes(state));
  return (
    <>
      <CampaignTabs />
      <div className="headline">
        <div>
          <h1>Campaigns</h1>
          <p className="soft">Touches go out during the contact’s hours and stop as soon as they answer.</p>
        </div>
        <div className="beside">
          {office && <HoldAll />}
          <Button look="main" onClick={() => setMaking({ copyOf: null })}>
            New campaign
          </Button>
        </div>
      </div>
      {campaigns?.length === 0 && <p className="empty">No campaigns yet. Start with one of the built-in ones.</p>}
      <Table name="In progress" rows={of('on', 'held')} onCopy={(copyOf) => setMaking({ copyOf })} />
      <Table name="Drafts" rows={of('draft')} onCopy={(copyOf) => setMaking({ copyOf })} />
      <Table name="Off" rows={of('off')} onCopy={(copyOf) => setMaking({ copyOf })} />
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
      {held && <b className="late">All campaigns are on hold</b>}
      <Button look={held ? 'main' : 'warn'} disabled={set.isPending} onClick={() => set.mutate(!held)}>
        {held ? 'Resume all' : 'Hold all campaigns'}
      </Button>
    </>
  );
}

function Table({ name, rows, onCopy }: { name: string; rows?: Campaign[]; onCopy: (campaign: Campaign) => void }) {
  const format = useFormat();
  const now = useNow();
  const zone = useZone();
  if (!rows?.length) return null;
  return (
    <section aria-label={name} style={{ marginBottom: 28 }}>
      <table className="grid campaigns">
        <thead>
          <tr>
            <th>{name}</th>
            <th className="right">In it</th>
            <th>Next touch</th>
            <th className="right">Replied</th>
            <th className="right">Became clients</th>
            <th className="right">Opted out</th>
            <th>State</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <td>
                <Link href={`/campaigns/${row.id}`} className="strong" prefetch={false}>
                  {row.name}
                </Link>
                <span className="soft small" style={{ display: 'block' }}>
                  {stepsIn(row.plan.steps).length} steps{row.group && ` · only one of “${row.group}” at a time`}
                  {!row.shared && ' · yours'}
                  {row.on_earlier > 0 && ` · ${row.on_earlier.toLocaleString('en-US')} on an earlier version`}
                </span>
              </td>
              <td className="right num">{row.active.toLocaleString('en-US')}</td>
              <td>
                {row.next_at && row.state === 'on' ? (
                  when(new Date(row.next_at), now, zone, format)
                ) : (
                  <span className="soft">none</span>
                )}
              </td>
              <td className="right">{ofAll(row.answered, row.total)}</td>
              <td className="right">{ofAll(row.clients, row.total)}</td>
              <td className="right">{ofAll(row.opted_out, row.total)}</td>
              <td>
                <State campaign={row} />
              </td>
              <td className="right">
                <Button size="tiny" onClick={() => onCopy(row)} aria-label={`Copy ${row.name}`}>
                  Copy
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const ofAll = (n: number, total: number) =>
  total ? (
    <span title={`${n.toLocaleString('en-US')} of ${total.toLocaleString('en-US')} ever enrolled`}>{share(n, total) ?? 0} %</span>
  ) : (
    <span className="soft">none yet</span>
  );

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
          : `“${campaign.name}” is ${state === 'held' ? 'on hold: everyone in it waits' : 'off: no one moves forward or enrolls'}.`,
        before === 'draft' ? undefined : () => set.mutate(before),
      );
    },
  });
  if (!campaign.may_change) return <span>{STATE_WORDS[campaign.state]}</span>;
  return (
    <>
      <span className="beside" role="group" aria-label={`State of ${campaign.name}`}>
        {(['on', 'held', 'off'] as const).map((state) => (
          <Button
            key={state}
            size="tiny"
            pressed={campaign.state === state}
            disabled={set.isPending || campaign.state === state || (campaign.state === 'draft' && state !== 'on')}
            onClick={() => set.mutate(state)}
          >
            {STATE_WORDS[state]}
          </Button>
        ))}
      </span>
      <ErrorMessage error={set.error} named />
    </>
  );
}
