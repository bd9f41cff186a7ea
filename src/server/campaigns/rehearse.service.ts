/** Rehearsals of campaigns: ordered, carried out in the background a piece at a time, looked at. Nothing but the rehearsal's own row is written. */
import { AppError, notFound } from '@/core/shared';
import { settingsOf, accountOf, onlyOf, scopeFor, type Principal, type Settings } from '@/core/accounts';
import {
  CampaignForecast,
  withoutWords,
  type RunningCampaign,
  type CampaignRehearsalView,
  type Plan,
  type Under,
} from '@/core/campaigns';
import { FOLLOWED_UP } from '@/core/contacts';
import { matches, type Tree } from '@/core/segments';
import { listFields, segmentSql } from '../contacts';
import { readKnown } from '../segments';
import { enqueue, now, reader, transact } from '../shared';
import { loadSenderContext } from './sender-context';
import { readPlan } from './campaigns.service';
import { findCampaign } from './campaigns.repository';
import { excludedBecause } from './enrol.service';
import { contactOf, PERSON, PERSON_JOINS, type TouchedContactRow } from './contact.rows';
import { readVersions, readyVersion } from './versions';

/** Rehearsals that are kept of a campaign; older ones go when another is ordered. */
const KEPT = 5;
const PIECE = 500;

/** Orders a rehearsal of a plan for whoever the campaign would take today. @throws AppError not_found, input_invalid */
export async function orderCampaignRehearsal(
  principal: Principal,
  id: string,
  { plan: input, days }: { plan: unknown; days: number },
): Promise<{ id: string }> {
  const scope = scopeFor(principal);
  await findCampaign(scope, id);
  return transact(async (tx) => {
    const plan = await readPlan(tx, scope.accountId, input);
    const at = await now(tx);
    await tx.run(
      'delete from campaign_rehearsals where id in (select id from campaign_rehearsals where campaign_id = $1 order by id desc offset $2)',
      [id, KEPT - 1],
    );
    const row = await tx.first<{ id: string }>(
      'insert into campaign_rehearsals (account_id, campaign_id, made_by, made_at, plan, days) values ($1, $2, $3, $4, $5::jsonb, $6) returning id',
      [scope.accountId, id, principal.kind === 'user' ? principal.user.id : null, at, JSON.stringify(plan), days],
    );
    await enqueue(tx, 'campaigns.rehearse', { rehearsalId: row!.id });
    return row!;
  });
}

/** One's own; those who run the office see all. @throws AppError not_found */
export async function findCampaignRehearsal(principal: Principal, id: string): Promise<CampaignRehearsalView> {
  const row = await reader().first<CampaignRehearsalView & { settings: Partial<Settings> }>(
    `select r.id, r.state, r.people, r.done, r.days, r.result, r.error, a.settings from campaign_rehearsals r join accounts a on a.id = r.account_id where r.id = $1 and r.account_id = $2 and ($3::bigint is null or r.made_by = $3)`,
    [id, accountOf(principal), onlyOf(principal)],
  );
  if (!row) throw notFound('rehearsal');
  const { settings, ...view } = row;
  return { ...view, letter_cents: settingsOf(settings).letterCents };
}

export const failCampaignRehearsal = async (id: string, error: string): Promise<void> => {
  await reader().run(`update campaign_rehearsals set state = 'failed', error = $2 where id = $1 and state <> 'done'`, [
    id,
    error,
  ]);
};

interface Ordered {
  account_id: string;
  campaign_id: string;
  name: string;
  group: string | null;
  plan: Plan;
  days: number;
  made_at: Date;
  zone: string;
  settings: Partial<Settings>;
}

/** Carries a rehearsal out, from its beginning. @param going false when the process is to end: the queue gives the rehearsal to another */
export async function performCampaignRehearsal(id: string, going: () => boolean): Promise<void> {
  const tx = reader();
  const order = await tx.first<Ordered>(
    `update campaign_rehearsals r set state = 'running', done = 0 from campaigns p, accounts a where r.id = $1 and r.state in ('waiting','running') and p.id = r.campaign_id and a.id = r.account_id
     returning r.account_id, r.campaign_id, p.name, p.exclusive_group as group, r.plan, r.days, r.made_at, a.time_zone as zone, a.settings`,
    [id],
  );
  if (!order) return;
  const { account_id: accountId, made_at: at } = order;
  const fields = await listFields(accountId);
  const campaign: RunningCampaign = {
    ...readyVersion('0', withoutWords(order.plan)),
    id: order.campaign_id,
    name: order.name,
  };
  const rehearsal = new CampaignForecast(campaign, settingsOf(order.settings), at, order.days);
  const people = await whoWould(order, at);
  await tx.run('update campaign_rehearsals set people = $2 where id = $1', [id, people.length]);
  const asked = [...campaign.program.nodes.values()].flatMap(({ step }) =>
    step.do === 'branch' && step.ask.about === 'segment' ? [step.ask.tree] : [],
  );
  for (let from = 0; from < people.length; from += PIECE) {
    if (!going()) throw new AppError('conflict', 'The process ends; another goes on.', { retry: true });
    const ids = people.slice(from, from + PIECE);
    const rows = await tx.rows<TouchedContactRow>(
      `select ${PERSON({ dates: 'true', household: 'false', fields: 'false', listing: 'false' })} from contacts c join contact_facts f on f.contact_id = c.id ${PERSON_JOINS} where c.id = any($1::bigint[])`,
      [ids],
    );
    const sender = await loadSenderContext(tx, rows);
    const under = await underWay(ids, order.campaign_id);
    const known = asked.length ? await readKnown(accountId, ids, at) : null;
    for (const row of rows) {
      const one = known?.get(row.contact_id);
      const meets = (tree: Tree): boolean => Boolean(one && matches(tree, one, { at, zone: order.zone }, fields));
      rehearsal.add({
        contact: contactOf(row, sender, meets),
        agent: sender.agent(row.owner_id)?.name ?? null,
        under: under.get(row.contact_id) ?? [],
      });
    }
    await tx.run('update campaign_rehearsals set done = $2 where id = $1', [id, Math.min(people.length, from + PIECE)]);
  }
  await tx.run(`update campaign_rehearsals set state = 'done', result = $2::jsonb where id = $1`, [
    id,
    JSON.stringify(rehearsal.result()),
  ]);
}

/** Whom the campaign would take today, all of whom it may. */
async function whoWould({ account_id, campaign_id, plan, zone }: Ordered, at: Date): Promise<string[]> {
  const bind: unknown[] = [account_id, campaign_id, [...FOLLOWED_UP]];
  const only: string[] = [];
  if (plan.roles.length) only.push(`c.roles && $${bind.push(plan.roles)}::text[]`);
  const context = { zone, at, fields: await listFields(account_id), userId: null };
  if (plan.who) only.push(segmentSql(plan.who, context, bind));
  const entering = plan.starts.flatMap((start) => (start.on === 'enter' ? [start.tree] : []));
  if (entering.length) only.push(`(${entering.map((tree) => segmentSql(tree, context, bind)).join(' or ')})`);
  /* A plan that is not kept yet decides itself whether it is for people in any stage. */
  const out = excludedBecause('$2::bigint', plan.anyStage ? `array[split_part(c.stage, '.', 1)]` : '$3');
  const rows = await reader().rows<{ id: string }>(
    `select c.id from contacts c join contact_facts f on f.contact_id = c.id where c.account_id = $1 and c.deleted_at is null and ($3::text[] is not null) and (${out}) is null ${only.map((sql) => `and (${sql})`).join(' ')} order by c.id`,
    bind,
  );
  return rows.map((row) => row.id);
}

/** The other campaigns in which people are. */
async function underWay(ids: readonly string[], except: string): Promise<Map<string, Under[]>> {
  const rows = await reader().rows<{
    id: string;
    contact_id: string;
    campaign_id: string;
    name: string;
    version_id: string;
    step: number;
    round: number;
    started_at: Date;
    last_at: Date | null;
    due_at: Date;
  }>(
    `select e.id, e.contact_id, e.campaign_id, p.name, e.version_id, e.step, e.round, e.started_at, e.last_at, e.due_at
     from enrollments e join campaigns p on p.id = e.campaign_id and p.state = 'on' where e.contact_id = any($1::bigint[]) and e.campaign_id <> $2 and e.state in ('active','paused') order by e.id`,
    [ids, except],
  );
  const versions = await readVersions(
    reader(),
    rows.map((row) => row.version_id),
  );
  const under = new Map<string, Under[]>();
  for (const row of rows) {
    const version = versions.get(row.version_id)!;
    const enrollment = {
      id: row.id,
      step: row.step,
      round: row.round,
      startedAt: row.started_at,
      lastAt: row.last_at,
      hasWaited: false,
    };
    const one = { campaign: { ...version, id: row.campaign_id, name: row.name }, enrollment, dueAt: row.due_at };
    under.set(row.contact_id, [...(under.get(row.contact_id) ?? []), one]);
  }
  return under;
}
