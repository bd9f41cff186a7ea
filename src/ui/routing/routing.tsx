'use client';
/** Routing: the ladder drawn as a ladder, each rung with its share of the last 30 days; leads that wait; rosters with who is next. */
import Link from 'next/link';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { LadderView, OfferView, RosterView } from '@/core/routing';
import { DAY, howLong, shortDay, type Jsoned } from '@/core/shared';
import { ask, Timer, useNotices, useNow, useZone } from '../primitives';

export type Ladder = Jsoned<LadderView>;
export type Offer = Jsoned<OfferView>;
export interface Waiting {
  items: Offer[];
  total: number;
}

export function RoutingArea({
  ladder: first,
  offers: waiting,
  mayManage,
}: {
  ladder: Ladder;
  offers: Waiting;
  mayManage: boolean;
}) {
  const { data: ladder } = useQuery({ queryKey: ['ladder'], queryFn: () => ask<Ladder>('/ladder'), initialData: first });
  const { data: offers } = useQuery({ queryKey: ['offers'], queryFn: () => ask<Waiting>('/offers'), initialData: waiting });
  return (
    <div className="area" style={{ gridTemplateColumns: 'minmax(0, 1.55fr) minmax(0, 1fr)', gap: 48 }}>
      <section aria-label="The ladder">
        <div className="headline">
          <div>
            <h1>Who gets a lead</h1>
            <p className="soft">
              Read from the top; the first rung that fits decides. {ladder.inquiries.toLocaleString('en-US')} inquiries in the
              last 30 days.
            </p>
          </div>
        </div>
        <ol className="ladder" style={{ listStyle: 'none', margin: 0, paddingLeft: 0, paddingRight: 0 }}>
          <Rung fixed count={ladder.returning} all={ladder.inquiries} note="Always first">
            <b>Returning people</b> stay with their agent
          </Rung>
          <Rung fixed count={ladder.by_hand} all={ladder.inquiries} note="Always">
            <b>Added by hand</b> by an agent: the agent keeps it
          </Rung>
          {ladder.rungs.map((rung) => (
            <Rung
              key={rung.id}
              position={rung.position}
              count={rung.inquiries}
              all={ladder.inquiries}
              note={`${rung.campaign ? `begins “${rung.campaign}” · ` : ''}safety net: ${rung.safety_net}`}
            >
              <b>{rung.who}</b> go to <b>{rung.roster}</b>,{' '}
              <span style={{ color: 'var(--teal)', fontWeight: 550 }}>round robin</span>
            </Rung>
          ))}
          <Rung
            count={ladder.safety_net}
            all={ladder.inquiries}
            note="The safety net; a lead always ends with a person"
            position="·"
          >
            <b>Everybody else</b> goes to <b>{ladder.rungs[0]?.safety_net ?? 'the owner'}</b>
          </Rung>
        </ol>
      </section>
      <div style={{ display: 'grid', gap: 24 }}>
        <WaitingOffers offers={offers.items} total={offers.total} />
        {ladder.rosters.map((roster) => (
          <Roster key={roster.id} roster={roster} mayManage={mayManage} />
        ))}
      </div>
    </div>
  );
}

function Rung({
  position,
  count,
  all,
  note,
  fixed,
  children,
}: {
  position?: number | string;
  count: number;
  all: number;
  note: string;
  fixed?: boolean;
  children: React.ReactNode;
}) {
  return (
    <li className={`rung${fixed ? ' fixed' : ''}`}>
      <span className="pos">{position}</span>
      <span>
        {children}
        <span className="soft small" style={{ display: 'block' }}>
          {note}
        </span>
      </span>
      <span className="nowrap">
        <span className={`num${count === 0 && !fixed ? ' late' : ''}`}>{count.toLocaleString('en-US')}</span>{' '}
        <span className="bar" aria-hidden="true">
          <i style={{ width: `${all ? Math.round((100 * count) / all) : 0}%` }} />
        </span>
      </span>
    </li>
  );
}

function WaitingOffers({ offers, total }: { offers: Offer[]; total: number }) {
  return (
    <section aria-label="Waiting for a first try">
      <div className="group" style={{ marginTop: 0 }}>
        <h2>Waiting for a first try</h2>
        <span className="late strong">{total.toLocaleString('en-US')}</span>
      </div>
      {offers.length === 0 && (
        <p className="soft small" style={{ padding: '8px 0' }}>
          Everybody who arrived has been tried.
        </p>
      )}
      {offers.slice(0, 8).map((offer) => (
        <div key={offer.id} className="pair">
          <span style={{ minWidth: 0 }}>
            <Link
              href={`/contacts?contact=${offer.contact_id}`}
              className="strong"
              style={{ textDecoration: 'none' }}
              prefetch={false}
            >
              {offer.name.trim() || 'Nameless'}
            </Link>
            <span className="soft small" style={{ display: 'block' }} title={offer.because}>
              with {offer.agent.name}
            </span>
          </span>
          <Timer since={offer.offered_at} />
        </div>
      ))}
      {total > 8 && (
        <Link href="/contacts?stage=new" className="small soft" prefetch={false}>
          all who are new
        </Link>
      )}
    </section>
  );
}

function Roster({ roster, mayManage }: { roster: Jsoned<RosterView>; mayManage: boolean }) {
  const zone = useZone();
  const now = useNow();
  const queries = useQueryClient();
  const notices = useNotices();
  const most = Math.max(1, ...roster.members.map((member) => member.handed));
  const away = useMutation({
    mutationFn: ({ id, until }: { id: string; until: Date | null }) =>
      ask(`/people/${id}/away`, 'PUT', { until: until?.toISOString() ?? null }),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['ladder'] }),
    onError: notices.fail,
  });
  return (
    <section aria-label={roster.name}>
      <div className="group" style={{ marginTop: 0 }}>
        <h2>{roster.name}</h2>
        <span className="soft small">leads in 30 days · median to first try</span>
      </div>
      {roster.members.map((member) => (
        <div key={member.id} className="pair" style={{ padding: '5px 0' }}>
          <span>
            {member.name}{' '}
            {member.next && (
              <span className="tag" style={{ borderColor: 'var(--teal)', color: 'var(--teal)' }}>
                next
              </span>
            )}
            {member.away && (
              <span className="soft small">away till {member.away_until && shortDay(new Date(member.away_until), zone)}</span>
            )}
          </span>
          <span className="nowrap">
            {mayManage && (
              <button
                type="button"
                className="chip small"
                style={{ padding: '0 8px', marginRight: 12 }}
                onClick={() => away.mutate({ id: member.id, until: member.away ? null : new Date(now.getTime() + DAY) })}
              >
                {member.away ? 'Back' : 'Away for a day'}
              </button>
            )}
            <b>{member.handed}</b>{' '}
            <span className="bar" aria-hidden="true">
              <i style={{ width: `${(100 * member.handed) / most}%` }} />
            </span>{' '}
            <span className="soft small" style={{ display: 'inline-block', width: 74, textAlign: 'right' }}>
              {member.median_seconds === null ? '–' : howLong(member.median_seconds * 1000)}
            </span>
          </span>
        </div>
      ))}
      <p className="soft small" style={{ paddingTop: 6 }}>
        Safety net: {roster.safety_net}
      </p>
    </section>
  );
}
