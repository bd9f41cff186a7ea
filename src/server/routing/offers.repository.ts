/** Leads that wait: offered to somebody, or given and not yet tried; and the way of one inquiry, to read. */
import { notFound } from '@/core/shared';
import { sentenceOf, type Because } from '@/core/contacts';
import { sentenceOfStep, type MyOfferView, type OfferView, type Trace, type TraceView } from '@/core/routing';
import type { Scope } from '@/core/accounts';
import { DISPLAY_NAME, displayName, visible } from '../contacts';
import { nameSql, reader } from '../shared';

const MINE_AT_MOST = 50;

/** Given to somebody who has not tried yet; somebody who asked more than once waits once, since the first time. */
export const UNTRIED = `o.state in ('given','accepted') and o.answered_at is null and not exists (select 1 from offers f
  where f.contact_id = o.contact_id and f.user_id = o.user_id and f.answered_at is null and f.state in ('given','accepted') and f.id < o.id)`;

/** Offers that wait, the newest first, with how many there are, as far as the scope sees their contacts. One row for each person who waits. */
export async function listWaitingOffers(scope: Scope, limit = 50): Promise<{ items: OfferView[]; total: number }> {
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  const waiting = `(${UNTRIED}) or (o.state = 'open' and o.id = (select min(f.id) from offers f where f.inquiry_id = o.inquiry_id and f.state = 'open'))`;
  const count = await reader().first<{ n: number }>(
    `select count(*)::int as n from offers o join contacts c on c.id = o.contact_id where (${waiting}) and ${where}`,
    bind,
  );
  bind.push(limit);
  const rows = await reader().rows<
    Omit<OfferView, 'agent' | 'because' | 'to'> & {
      state: string;
      user_id: string;
      agent: string;
      because: Because;
      to: string[];
    }
  >(
    `select o.id, o.inquiry_id, o.contact_id, o.state, o.commons, o.ends_at, ${DISPLAY_NAME} as name, o.user_id, ${nameSql('u')} as agent, o.offered_at, i.because,
       case when o.state = 'open' then array(select ${nameSql('v')} from offers f join users v on v.id = f.user_id where f.inquiry_id = o.inquiry_id and f.state = 'open' order by f.id) else '{}' end as "to"
     from offers o join contacts c on c.id = o.contact_id join users u on u.id = o.user_id join inquiries i on i.id = o.inquiry_id
     where (${waiting}) and ${where} order by o.offered_at desc, o.id desc limit $${bind.length}`,
    bind,
  );
  return {
    items: rows.map(({ user_id, agent, because, state, ...row }) => ({
      ...row,
      name: displayName(row.name),
      agent: state === 'open' ? null : { id: user_id, name: agent },
      because: sentenceOf(because),
    })),
    total: count!.n,
  };
}

/** What is offered to one person now, with what may be shown of it, the one that ends first at the top. Not how they are reached: it is not theirs yet. */
export async function listMyOffers(accountId: string, userId: string): Promise<MyOfferView[]> {
  const rows = await reader().rows<MyOfferView & { hides: string[] }>(
    `select o.id, o.inquiry_id, ${nameSql('c')} as name, i.source, coalesce(i.parsed->>'ask', '') as ask, c.city as place, coalesce(r.name, '') as roster, o.offered_at, o.ends_at, o.commons, o.hides,
       (select count(*)::int from offers f where f.inquiry_id = o.inquiry_id and f.state = 'open' and f.id <> o.id) as others
     from offers o join contacts c on c.id = o.contact_id join inquiries i on i.id = o.inquiry_id left join rosters r on r.id = o.roster_id
     where o.account_id = $1 and o.user_id = $2 and o.state = 'open' order by o.commons, o.ends_at nulls last, o.id limit ${MINE_AT_MOST}`,
    [accountId, userId],
  );
  return rows.map(({ hides, ...row }) => ({
    ...row,
    name: hides.includes('name') ? null : row.name,
    source: hides.includes('source') ? null : row.source,
  }));
}

/** The whole way of an inquiry: each rung that was looked at and why it did not fit, who was passed over, each offer and its answer. */
export async function readTrace(scope: Scope, inquiryId: string): Promise<TraceView> {
  const bind: unknown[] = [inquiryId];
  const row = await reader().first<{
    arrived_at: Date;
    because: Because;
    trace: Trace | null;
    rungs: { position: number; who: string; parts: string[] }[] | null;
  }>(
    `select i.arrived_at, i.because, r.trace, v.rungs from inquiries i join contacts c on c.id = i.contact_id
     left join routings r on r.inquiry_id = i.id left join ladder_versions v on v.id = r.version_id where i.id = $1 and ${visible(scope, bind)}`,
    bind,
  );
  if (!row) throw notFound('inquiry');
  const { trace } = row;
  const looked = (row.rungs ?? []).slice(0, trace ? trace.unmet.length + (trace.rung === null ? 0 : 1) : 0);
  return {
    inquiry_id: inquiryId,
    arrived_at: row.arrived_at,
    rungs: looked.map((rung, at) => {
      const unmet = trace!.unmet[at];
      return {
        position: rung.position,
        who: rung.who,
        fits: unmet === undefined,
        unmet: unmet === undefined ? null : (rung.parts[unmet] ?? null),
      };
    }),
    steps: (trace?.steps ?? []).map((step) => ({ at: new Date(step.at), text: sentenceOfStep(step) })),
    because: sentenceOf(row.because),
  };
}
