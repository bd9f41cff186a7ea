/** Changing the ladder: as a whole, so that what was rehearsed is what is applied. Each change is a version that can be brought back. */
import { rungsTable } from './rungs.model';
import { AppError, notFound, fieldErrors } from '@/core/shared';
import { accountOf, fullName, type Principal } from '@/core/accounts';
import { treeForSource, type LadderVersionView, type Notify, type Rung } from '@/core/routing';
import { ladderSchema } from '@/core/routing/schemas';
import { readTree } from '@/core/segments/schemas';
import type { FieldDef, Tree } from '@/core/segments';
import { listFields } from '../contacts';
import { now, publish, reader, writeAudit, transact, type Tx } from '../shared';
import { describe, forgetLadder, ladderNow, saveLadderVersion, readRungs, type SavedRung } from './ladders';

export interface GivenLadder {
  rungs: {
    id?: string;
    tree: Tree;
    roster_id: string;
    campaign_id: string | null;
    tags: string[];
    lender_id: string | null;
    lender_roster_id: string | null;
    notify: Notify[];
  }[];
  own_listing: boolean;
}

/**
 * A ladder from outside, checked: its trees can be asked, and what it names is there.
 * @throws AppError input_invalid naming the rung and what is wrong with it
 */
export async function checkLadder(
  tx: Tx,
  accountId: string,
  input: unknown,
): Promise<{ given: GivenLadder; fields: FieldDef[] }> {
  const { value, error } = ladderSchema.validate(input, { abortEarly: false, convert: false });
  if (error) throw new AppError('input_invalid', 'Couldn’t save the ladder.', { fields: fieldErrors(error) });
  const given = value as GivenLadder;
  const fields = await listFields(accountId, tx);
  const there = await tx.first<Record<'rosters' | 'campaigns' | 'tags' | 'lenders' | 'with_lenders' | 'with_agents', string[]>>(
    `select array(select id::text from rosters where account_id = $1 and deleted_at is null) as rosters, array(select id::text from campaigns where account_id = $1) as campaigns,
       array(select id::text from tags where account_id = $1 and deleted_at is null) as tags, array(select id::text from users where account_id = $1 and active and role = 'lender') as lenders,
       array(select distinct m.roster_id::text from roster_members m join users u on u.id = m.user_id and u.active where u.account_id = $1 and u.role = 'lender') as with_lenders,
       array(select distinct m.roster_id::text from roster_members m join users u on u.id = m.user_id and u.active where u.account_id = $1 and u.role <> 'lender') as with_agents`,
    [accountId],
  );
  const errors: { field: string; message: string }[] = [];
  given.rungs.forEach((rung, at) => {
    const field = `rungs.${at}`;
    try {
      rung.tree = readTree(rung.tree, fields, 'lead');
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      for (const one of error.facts.fields ?? []) errors.push({ field: `${field}.${one.field}`, message: one.message });
    }
    if (!there!.rosters.includes(rung.roster_id)) errors.push({ field: `${field}.roster_id`, message: 'is no roster' });
    if (there!.with_lenders.includes(rung.roster_id))
      errors.push({ field: `${field}.roster_id`, message: 'is a roster of lenders, who are attached and get no leads' });
    if (rung.campaign_id && !there!.campaigns.includes(rung.campaign_id))
      errors.push({ field: `${field}.campaign_id`, message: 'is not a campaign' });
    if (rung.lender_id && !there!.lenders.includes(rung.lender_id))
      errors.push({ field: `${field}.lender_id`, message: 'is no lender' });
    if (rung.lender_roster_id && !there!.rosters.includes(rung.lender_roster_id))
      errors.push({ field: `${field}.lender_roster_id`, message: 'is no roster' });
    if (rung.lender_roster_id && there!.with_agents.includes(rung.lender_roster_id))
      errors.push({ field: `${field}.lender_roster_id`, message: 'has people on it who aren’t lenders' });
    if (rung.tags.some((tag) => !there!.tags.includes(tag)))
      errors.push({ field: `${field}.tags`, message: 'names a tag (deleted)' });
  });
  if (errors.length) throw new AppError('input_invalid', 'Couldn’t save the ladder.', { fields: errors });
  return { given, fields };
}

/** The rungs of a ladder that is not kept, as core reads them; those that are new have an id of their own for as long. */
export const rungsOf = (given: GivenLadder): Rung[] =>
  given.rungs.map((rung, at) => ({
    id: rung.id ?? `new-${at + 1}`,
    position: at + 1,
    tree: rung.tree,
    rosterId: rung.roster_id,
    campaignId: rung.campaign_id,
    tags: rung.tags,
    lender: rung.lender_id ? { userId: rung.lender_id } : rung.lender_roster_id ? { rosterId: rung.lender_roster_id } : null,
    notify: rung.notify,
  }));

const nameOf = (principal: Principal): string => (principal.kind === 'user' ? fullName(principal.user) : 'a program');

/**
 * Puts a ladder in the place of the one that was seen. Rungs with an id stay the same rung, others are new, those not named are gone.
 * @throws AppError conflict when somebody else has changed it meanwhile
 */
export async function saveLadder(principal: Principal, version: string, input: unknown): Promise<{ version: string }> {
  const accountId = accountOf(principal);
  const saved = await transact(async (tx) => {
    const { given, fields } = await checkLadder(tx, accountId, input);
    const latest = await tx.first<{ id: string; made_by: string }>(
      'select v.id, v.made_by from accounts a left join lateral (select id, made_by from ladder_versions where account_id = a.id order by id desc limit 1) v on true where a.id = $1 for update of a',
      [accountId],
    );
    if (latest?.id && latest.id !== version)
      throw new AppError(
        'conflict',
        `${latest.made_by} has changed the ladder meanwhile; nothing was kept. Look at it as it is now, then change it again.`,
      );
    const at = await now(tx);
    await writeRungs(tx, accountId, given, at);
    const rungs = await readRungs(tx, accountId);
    const next = await saveLadderVersion(
      tx,
      accountId,
      given.own_listing,
      await describe(tx, accountId, rungs, fields),
      nameOf(principal),
      at,
    );
    await writeAudit(tx, principal, accountId, 'changed the ladder', { version: next }, at);
    await publish(tx, { accountId, topic: 'routing', ownerId: null });
    return { version: next };
  });
  forgetLadder(accountId);
  return saved;
}

async function writeRungs(tx: Tx, accountId: string, given: GivenLadder, at: Date): Promise<void> {
  const ids = given.rungs.flatMap(({ id }) => (id ? [id] : []));
  const known = await tx.rows<{ id: string }>('select id from rungs where account_id = $1', [accountId]);
  const strange = ids.find((id) => !known.some((one) => one.id === id));
  if (strange) throw notFound('rung');
  await tx.run('update rungs set deleted_at = $3 where account_id = $1 and deleted_at is null and id <> all($2::bigint[])', [
    accountId,
    ids,
    at,
  ]);
  for (const [n, rung] of given.rungs.entries()) {
    const { id, tree, roster_id, campaign_id, tags, lender_id, lender_roster_id, notify } = rung;
    const row = { position: n + 1, tree, roster_id, campaign_id, tags, lender_id, lender_roster_id, notify };
    if (id) await rungsTable.update({ ...row, deleted_at: null }, { id, account_id: accountId }, tx);
    else await rungsTable.insert({ account_id: accountId, ...row }, tx);
  }
}

/** The ladders of before, the newest first. */
export async function listLadderVersions(accountId: string): Promise<LadderVersionView[]> {
  const rows = await reader().rows<{ id: string; made_at: Date; made_by: string; rungs: { who: string; roster: string }[] }>(
    'select id, made_at, made_by, rungs from ladder_versions where account_id = $1 order by id desc limit 50',
    [accountId],
  );
  return rows.map((row, at) => ({
    id: row.id,
    made_at: row.made_at,
    made_by: row.made_by,
    rungs: row.rungs.map(({ who, roster }) => `${who} → ${roster}`),
    current: at === 0,
  }));
}

/** Brings an earlier ladder back, as a new version. @throws AppError input_invalid when a roster of then is gone */
export async function restoreLadder(principal: Principal, versionId: string): Promise<{ version: string }> {
  const accountId = accountOf(principal);
  const before = await reader().first<{ own_listing: boolean; rungs: SavedRung[] }>(
    'select own_listing, rungs from ladder_versions where id = $1 and account_id = $2',
    [versionId, accountId],
  );
  if (!before) throw notFound('ladder');
  const rungs = before.rungs.map(asGiven);
  const latest = await reader().first<{ id: string }>(
    'select id from ladder_versions where account_id = $1 order by id desc limit 1',
    [accountId],
  );
  return saveLadder(principal, latest!.id, { rungs, own_listing: before.own_listing });
}

const asGiven = ({ id, tree, rosterId, campaignId, tags, lender, notify }: Rung) => ({
  id,
  tree,
  roster_id: rosterId,
  campaign_id: campaignId,
  tags,
  lender_id: lender && 'userId' in lender ? lender.userId : null,
  lender_roster_id: lender && 'rosterId' in lender ? lender.rosterId : null,
  notify,
});

/**
 * Makes a rung over for other sources: a copy for each, above it, that asks for that source and for all else as it does.
 * @returns the version of before, which brings the ladder back
 * @throws AppError not_found, conflict
 */
export async function copyRung(
  principal: Principal,
  rungId: string,
  sources: string[],
): Promise<{ before: string; version: string }> {
  forgetLadder(accountOf(principal));
  const { version, ladder } = await ladderNow(reader(), accountOf(principal));
  const rungs = ladder.rungs.map(({ rung }) => rung);
  if (!rungs.some(({ id }) => id === rungId)) throw notFound('rung');
  const given = rungs.flatMap((rung) => {
    const { id, ...same } = asGiven(rung);
    return id === rungId
      ? [...sources.map((source) => ({ ...same, tree: treeForSource(rung.tree, source) })), { id, ...same }]
      : [{ id, ...same }];
  });
  const saved = await saveLadder(principal, version, { rungs: given, own_listing: ladder.ownListing });
  return { before: version, version: saved.version };
}
