/** Making and changing campaigns: from nothing, a starter or another one; versions of their plan; who goes on by which; on, held, off. */
import { campaignVersionsTable } from './campaign-versions.model';
import { campaignsTable } from './campaigns.model';
import { AppError, notFound, fieldErrors, isWithin } from '@/core/shared';
import { accountOf, fullName, mayRunOffice, requireSharing, scopeFor, type Principal, type Scope } from '@/core/accounts';
import {
  planErrors,
  meaningFor,
  NO_PLAN,
  placeIn,
  plannedAt,
  roundStart,
  STARTERS,
  stepsIn,
  type CampaignState,
  type CampaignView,
  type Plan,
  type EnrollmentProgress,
  type VersionPreview,
} from '@/core/campaigns';
import { planSchema } from '@/core/campaigns/schemas';
import { readTree } from '@/core/segments/schemas';
import { requirePostalAddress } from '../accounts';
import { stageNames, listFields, lockContact, recordActivities } from '../contacts';
import { now, publish, reader, writeAudit, transact, wakeWorkers, type Tx } from '../shared';
import { type RefusalCode, refusedBecause, CHANNELS, FOLLOWED_UP } from '@/core/contacts';
import { findCampaign } from './campaigns.repository';
import { DATES, enrol, staysOut, type Dates } from './enrol.service';

const made = (principal: Principal): string | null => (principal.kind === 'user' ? principal.user.id : null);

/** A branch is three levels of the plan, what a step says a few more; an email of blocks may be ten. */
const PLAN_BOUNDS = { depth: 56, nodes: 20_000 };

/** A plan from outside. @throws AppError input_invalid with what is wrong where */
export async function readPlan(tx: Tx, accountId: string, input: unknown): Promise<Plan> {
  if (!isWithin(input, PLAN_BOUNDS))
    throw new AppError('input_invalid', 'Couldn’t save the campaign.', {
      fields: [{ field: 'steps', message: 'has too many levels or steps: at most 12 branches within each other' }],
    });
  const { value, error } = planSchema.validate(input, { abortEarly: false, convert: false });
  if (error) throw new AppError('input_invalid', 'Couldn’t save the campaign.', { fields: fieldErrors(error) });
  const plan = value as Plan;
  const fields = await listFields(accountId, tx);
  if (plan.who) readTree(plan.who, fields);
  for (const start of plan.starts) if (start.on === 'enter') readTree(start.tree, fields);
  for (const step of stepsIn(plan.steps))
    if (step.do === 'branch' && step.ask.about === 'segment') readTree(step.ask.tree, fields);
  return plan;
}

/** @throws AppError not_found, not_allowed */
async function changeable(principal: Principal, id: string): Promise<{ scope: Scope; campaign: CampaignView }> {
  const scope = scopeFor(principal);
  const campaign = await findCampaign(scope, id);
  if (!campaign.may_change)
    throw new AppError('not_allowed', 'Only office managers can change this campaign. Copy it to make your own.');
  return { scope, campaign };
}

interface Beginning {
  name: string;
  /** The key of a starter, or the id of a campaign that is copied. */
  starter?: string | null;
  copy_of?: string | null;
  shared?: boolean;
}

/** Makes a draft. Whoever does not run the office makes one of their own. @throws AppError not_found */
export async function createCampaign(principal: Principal, { name, starter, copy_of, shared }: Beginning): Promise<CampaignView> {
  const scope = scopeFor(principal);
  const from = starter ? STARTERS.find(({ key }) => key === starter) : null;
  if (starter && !from) throw notFound('starter');
  const copied = copy_of ? await findCampaign(scope, copy_of) : null;
  const plan = copied?.plan ?? from?.plan ?? NO_PLAN;
  const id = await transact(async (tx) => {
    const at = await now(tx);
    const { accountId } = scope;
    const made_by = made(principal);
    const row = await campaignsTable.insert(
      {
        account_id: accountId,
        name: name.trim(),
        state: 'draft',
        exclusive_group: copied?.group ?? from?.group ?? null,
        shared: mayRunOffice(principal) && (shared ?? true),
        made_by,
        created_at: at,
      },
      tx,
    );
    await campaignVersionsTable.insert({ account_id: accountId, campaign_id: row.id, number: 1, plan, made_by, made_at: at }, tx);
    await writeAudit(tx, principal, accountId, 'made a campaign', { id: row.id, name }, at);
    return row.id;
  });
  return findCampaign(scope, id);
}

export const copyCampaign = (principal: Principal, id: string, name: string): Promise<CampaignView> =>
  createCampaign(principal, { name, copy_of: id });

interface Patch {
  name?: string;
  state?: CampaignState;
  group?: string | null;
  shared?: boolean;
}

/**
 * Changes what a campaign is called, its group, who sees it, and whether it is on. A campaign goes on from where its people stood.
 * @throws AppError input_invalid for one that is to be on and whose plan has errors
 */
export async function updateCampaign(principal: Principal, id: string, patch: Patch): Promise<CampaignView> {
  const { scope, campaign } = await changeable(principal, id);
  requireSharing(principal, patch);
  if (patch.state === 'draft' && campaign.state !== 'draft')
    throw new AppError('conflict', 'A campaign that has been on can’t go back to draft. Turn it off instead.');
  if (patch.state === 'on') {
    const fields = planErrors(campaign.plan);
    if (fields.length) throw new AppError('input_invalid', 'It can’t be turned on yet.', { fields });
    if (stepsIn(campaign.plan.steps).some((step) => step.do === 'touch' && CHANNELS[step.channel].needsPostalAddress))
      await requirePostalAddress(scope.accountId);
  }
  await transact(async (tx) => {
    const at = await now(tx);
    const before = await campaignsTable.lock({ id }, tx);
    const { name, state, group, shared } = patch;
    await campaignsTable.update(
      {
        ...(name === undefined ? {} : { name: name.trim() }),
        ...(state === undefined ? {} : { state }),
        ...(group === undefined ? {} : { exclusive_group: group?.trim() || null }),
        ...(shared === undefined ? {} : { shared }),
        ...(state === 'on' && before?.state !== 'on' ? { scanned_at: null } : {}),
      },
      { id },
      tx,
    );
    await writeAudit(tx, principal, scope.accountId, 'changed a campaign', { id, ...patch }, at);
    await publish(tx, { accountId: scope.accountId, topic: 'campaign', ownerId: null });
    await wakeWorkers(tx);
  });
  return findCampaign(scope, id);
}

/** Takes a campaign away. Whoever is in it goes no further. */
export async function deleteCampaign(principal: Principal, id: string): Promise<void> {
  const { scope, campaign } = await changeable(principal, id);
  await transact(async (tx) => {
    const at = await now(tx);
    if (campaign.active) {
      const by = principal.kind === 'user' ? fullName(principal.user) : 'a program';
      await tx.run(
        `update enrollments set state = 'stopped', ended_at = $2, due_at = null, because = $3::jsonb where campaign_id = $1 and state in ('active','paused')`,
        [id, at, JSON.stringify({ why: 'stopped_by', by, campaign: campaign.name })],
      );
    }
    await campaignsTable.update({ deleted_at: at, state: 'off' }, { id }, tx);
    await tx.run('update rungs set campaign_id = null where campaign_id = $1', [id]);
    await writeAudit(tx, principal, scope.accountId, 'deleted a campaign', { id, name: campaign.name }, at);
  });
}

interface StandingRow extends EnrollmentProgress {
  id: string;
  started_at: Date;
  last_at: Date | null;
  time_zone: string;
  dates: Dates | null;
}

/** Those who are under way, with what they have had of this round. */
const standings = (tx: Tx, campaignId: string): Promise<StandingRow[]> =>
  tx.rows<StandingRow>(
    `with had as (
       select enrollment_id, array_agg(split_part(split_part(key, '-s', 2), '-r', 1)::int) as steps, coalesce(nullif(split_part(key, '-r', 2), ''), '0')::int as round
       from (select o.enrollment_id, o.key from outbox o join enrollments e on e.id = o.enrollment_id where e.campaign_id = $1
         union select e.id, t.key from tasks t join enrollments e on e.contact_id = t.contact_id and t.key like 'e' || e.id || '-s%' where e.campaign_id = $1) x group by enrollment_id, round)
     select e.id, e.step, e.round, e.started_at, e.last_at, c.time_zone, ${DATES} as dates, coalesce(had.steps, '{}') as had
     from enrollments e join contacts c on c.id = e.contact_id left join had on had.enrollment_id = e.id and had.round = e.round
     where e.campaign_id = $1 and e.state in ('active','paused') order by e.id`,
    [campaignId],
  );

/** @throws AppError not_found, not_allowed, input_invalid */
export async function previewVersion(principal: Principal, id: string, input: unknown): Promise<VersionPreview> {
  const { scope } = await changeable(principal, id);
  const plan = await readPlan(reader(), scope.accountId, input);
  return meaningFor(plan, await standings(reader(), id));
}

/**
 * Keeps a plan as the next version. Those who are in the campaign stay with theirs, or move to the new one.
 * @param seen the version that was being changed: when another was kept since, nothing is
 * @throws AppError conflict, input_invalid for a campaign that is on and a plan with errors
 */
export async function saveVersion(
  principal: Principal,
  id: string,
  { plan: input, seen, people = 'stay' }: { plan: unknown; seen: string; people?: 'stay' | 'move' },
): Promise<CampaignView> {
  const { scope, campaign } = await changeable(principal, id);
  await transact(async (tx) => {
    const plan = await readPlan(tx, scope.accountId, input);
    const errors = campaign.state === 'draft' ? [] : planErrors(plan);
    if (errors.length) throw new AppError('input_invalid', 'Couldn’t save this version.', { fields: errors });
    const before = new Set(stepsIn(campaign.plan.steps).map((step) => step.id));
    const taken = stepsIn(plan.steps).find((step) => !before.has(step.id) && step.id < campaign.free_id);
    if (taken)
      throw new AppError('input_invalid', 'Couldn’t save this version.', {
        fields: [
          {
            field: `steps.${taken.id}`,
            message: `An earlier version had another step of this id; take ${campaign.free_id} or more.`,
          },
        ],
      });
    const at = await now(tx);
    await tx.run('select 1 from campaigns where id = $1 for update', [id]);
    const latest = await tx.first<{ id: string; number: number }>(
      'select id, number from campaign_versions where campaign_id = $1 order by number desc limit 1',
      [id],
    );
    if (latest!.id !== seen)
      throw new AppError(
        'conflict',
        'Someone else saved a version of this campaign. Yours is still here. Reopen the campaign to see theirs.',
      );
    const row = await campaignVersionsTable.insert(
      {
        account_id: scope.accountId,
        campaign_id: id,
        number: latest!.number + 1,
        plan,
        made_by: made(principal),
        made_at: at,
      },
      tx,
    );
    if (campaign.state === 'draft')
      await tx.run(
        'delete from campaign_versions v where v.campaign_id = $1 and v.id <> $2 and not exists (select 1 from enrollments e where e.version_id = v.id)',
        [id, row.id],
      );
    if (JSON.stringify(plan.starts) !== JSON.stringify(campaign.plan.starts))
      await campaignsTable.update({ scanned_at: null }, { id }, tx);
    if (people === 'move') await move(tx, id, row.id, plan, at);
    await publish(tx, { accountId: scope.accountId, topic: 'campaign', ownerId: null });
    await wakeWorkers(tx);
  });
  return findCampaign(scope, id);
}

/** Moves all who are under way to a version: each goes on where they stand, at the earliest when their next step was due. */
async function move(tx: Tx, campaignId: string, versionId: string, plan: Plan, at: Date): Promise<void> {
  const steps = new Map(stepsIn(plan.steps).map((step) => [step.id, step]));
  const rows = (await standings(tx, campaignId)).map((one) => {
    const place = placeIn(plan, one);
    const begun = roundStart(one.started_at, place?.round ?? one.round, plan.repeat);
    const planned =
      place &&
      plannedAt(steps.get(place.step)!.when, {
        startedAt: begun,
        lastAt: one.last_at && one.last_at > begun ? one.last_at : begun,
        timeZone: one.time_zone,
        dates: one.dates ?? {},
      });
    return {
      id: one.id,
      step: place?.step ?? -1,
      round: place?.round ?? one.round,
      due: planned && planned > at ? planned : at,
    };
  });
  await tx.run(
    `update enrollments e set version_id = $1, step = x.step, round = x.round, due_at = case when e.state = 'paused' then e.due_at else x.due end, planned_at = case when e.state = 'paused' then e.planned_at else x.due end
     from jsonb_to_recordset($2::jsonb) as x (id bigint, step int, round int, due timestamptz) where e.id = x.id`,
    [versionId, JSON.stringify(rows)],
  );
}

/** Puts one contact into a campaign. @throws AppError not_found; conflict with the reason when something keeps them out */
export async function enrollContact(principal: Principal, contactId: string, campaignId: string): Promise<void> {
  const scope = scopeFor(principal);
  const campaign = await findCampaign(scope, campaignId);
  await transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const at = await now(tx);
    const by = principal.kind === 'user' ? fullName(principal.user) : 'a program';
    const out = await tx.first<{ why: RefusalCode | null; stage: string }>(
      `select ${staysOut('$2::bigint', '$3')} as why, c.stage from contacts c where c.id = $1`,
      [contactId, campaignId, [...FOLLOWED_UP]],
    );
    if (out?.why) {
      const reason = refusedBecause(out.why, { stage: (await stageNames(scope.accountId, tx))(out.stage) });
      throw new AppError('conflict', `They weren’t added to “${campaign.name}”: ${reason}.`);
    }
    const { lines } = await enrol(
      tx,
      scope.accountId,
      campaignId,
      [contactId],
      { why: 'put_in_by', campaign: campaign.name, by },
      at,
      'by_hand',
    );
    await recordActivities(
      tx,
      scope.accountId,
      lines.map((line) => ({ ...line, userId: made(principal) })),
    );
    await wakeWorkers(tx);
  });
}
/** Holds all campaigns for one person, or lets them go on. */
export async function holdContact(principal: Principal, contactId: string, held: boolean): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const at = await now(tx);
    await tx.run('update contacts set campaigns_held = $2, updated_at = $3 where id = $1', [contactId, held, at]);
    await recordActivities(tx, accountOf(principal), [
      {
        contactId,
        userId: made(principal),
        at,
        kind: 'changed',
        channel: null,
        direction: null,
        data: { text: held ? 'All campaigns on hold for them' : 'Campaigns resumed for them' },
        because: null,
      },
    ]);
    await wakeWorkers(tx);
  });
}
