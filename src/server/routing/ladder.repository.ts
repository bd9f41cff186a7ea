/** The ladder and its rosters to look at, with what each rung decided; and saying who is away. */
import { AppError, notFound } from '@/core/shared';
import { segmentSentence } from '@/core/segments';
import { rungsForSource, shadowedRungs, type LadderView, type SourceRoute } from '@/core/routing';
import { runsTheOffice, scopeFor, type Principal, type Scope } from '@/core/accounts';
import { listFields } from '../contacts';
import { nameIn, readVocabulary } from '../segments';
import { nameSql, now, publish, reader, writeAudit, transact, type RowOf, type Tx } from '../shared';
import type { rungsTable } from './rungs.model';
import { ladderNow } from './ladders';
import { readRosters } from './rosters.repository';
import { lastResort } from './walk.service';

type RungRow = Pick<
  RowOf<typeof rungsTable>,
  'id' | 'position' | 'notify' | 'roster_id' | 'campaign_id' | 'lender_id' | 'lender_roster_id'
> & {
  tree: LadderView['rungs'][number]['tree'];
  roster: string;
  campaign: string | null;
  tags: { id: string | number; name: string }[] | null;
  lender: string | null;
  lender_roster: string | null;
};
const named = (id: string | null, name: string | null) => (id && name !== null ? { id, name } : null);

const listRungRows = (tx: Tx, accountId: string): Promise<RungRow[]> =>
  tx.rows<RungRow>(
    `select g.id, g.position, g.tree, g.notify, g.roster_id, r.name as roster, g.campaign_id, c.name as campaign, g.lender_id, ${nameSql('l')} as lender, g.lender_roster_id, lr.name as lender_roster,
       (select jsonb_agg(jsonb_build_object('id', t.id::text, 'name', t.name) order by t.name) from tags t where t.id = any(g.tags) and t.deleted_at is null) as tags
     from rungs g join rosters r on r.id = g.roster_id left join campaigns c on c.id = g.campaign_id left join users l on l.id = g.lender_id left join rosters lr on lr.id = g.lender_roster_id
     where g.account_id = $1 and g.deleted_at is null order by g.position, g.id`,
    [accountId],
  );

/** Which way leads of a source go, as the ladder stands. @param doors those they come by, as far as they are known */
export async function routesBySource(scope: Scope): Promise<(source: string, doors: readonly string[]) => SourceRoute[]> {
  const tx = reader();
  const [rungs, fields, vocabulary, net] = await Promise.all([
    listRungRows(tx, scope.accountId),
    listFields(scope.accountId, tx),
    readVocabulary(scope),
    lastResort(tx, scope.accountId),
  ]);
  const name = nameIn(vocabulary);
  const nobody: SourceRoute = { rung: null, to: net.name, campaign: null, lender: null, tags: [], always: true };
  return (source, doors) => {
    const routes = rungsForSource(rungs, source, doors).map(({ rung, always }) => ({
      rung: { id: rung.id, position: rung.position, who: segmentSentence(rung.tree, name, fields) },
      to: rung.roster,
      campaign: rung.campaign,
      lender: rung.lender ?? rung.lender_roster,
      tags: (rung.tags ?? []).map((tag) => tag.name),
      always,
    }));
    return routes.at(-1)?.always ? routes : [...routes, nobody];
  };
}

/** The ladder with what each rung decided in the last 30 days. */
export async function readLadder(scope: Scope): Promise<LadderView> {
  const tx = reader();
  const at = await now(tx);
  const since = new Date(at.getTime() - 30 * 86_400_000);
  const [shares, rungs, fields, vocabulary, rosters, net, { version, ladder }] = await Promise.all([
    tx.rows<{ why: string; rung_id: string | null; n: number }>(
      `select because->>'why' as why, rung_id, count(*)::int as n from inquiries where account_id = $1 and arrived_at >= $2 group by 1, 2`,
      [scope.accountId, since],
    ),
    listRungRows(tx, scope.accountId),
    listFields(scope.accountId, tx),
    readVocabulary(scope),
    readRosters(scope, at, since),
    lastResort(tx, scope.accountId),
    ladderNow(tx, scope.accountId),
  ]);
  const sum = (test: (share: { why: string; rung_id: string | null }) => boolean) =>
    shares.filter(test).reduce((total, share) => total + share.n, 0);
  const shadows = shadowedRungs(rungs);
  return {
    inquiries: sum(() => true),
    returning: sum(({ why }) => why === 'returning' || why === 'shares_address' || why === 'joined'),
    by_hand: sum(({ why }) => why === 'kept_by_hand'),
    by_source: sum(({ why }) => why === 'source_assigned'),
    by_listing: sum(({ why }) => why === 'own_listing'),
    safety_net: sum(({ why, rung_id }) => why === 'safety_net' && rung_id === null),
    last_resort: net.name,
    own_listing: ladder.ownListing,
    version,
    rungs: rungs.map((rung) => {
      const who = segmentSentence(rung.tree, nameIn(vocabulary), fields);
      const by = shadows.find(({ id }) => id === rung.id)?.by;
      return {
        id: rung.id,
        position: rung.position,
        who,
        tree: rung.tree,
        broken: who.includes('that is gone'),
        roster: { id: rung.roster_id, name: rung.roster },
        campaign: named(rung.campaign_id, rung.campaign),
        tags: (rung.tags ?? []).map(({ id, name }) => ({ id: String(id), name })),
        lender: named(rung.lender_id, rung.lender),
        lender_roster: named(rung.lender_roster_id, rung.lender_roster),
        notify: rung.notify,
        inquiries: sum((share) => share.rung_id === rung.id),
        shadowed_by: by ? rungs.find(({ id }) => id === by)!.position : null,
      };
    }),
    rosters,
  };
}

/** Says from when and until when somebody is away; null brings them back. Oneself, or anybody for those who run the office. */
export async function setUserAway(
  principal: Principal,
  userId: string,
  { from = null, until }: { from?: Date | null; until: Date | null },
): Promise<void> {
  if (from && until && from >= until)
    throw new AppError('input_invalid', 'Time off wasn’t saved.', {
      fields: [{ field: 'until', message: 'Choose a day after the first one' }],
    });
  const self = principal.kind === 'user' && principal.user.id === userId;
  if (!self && principal.kind === 'user' && !runsTheOffice(principal.user.role))
    throw new AppError('not_allowed', 'Only an admin can set someone else’s time off.');
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const rows = await tx.rows(
      'update users set away_until = $3, away_from = $4 where id = $1 and account_id = $2 and active returning id',
      [userId, accountId, until, until && from],
    );
    if (!rows.length) throw notFound('agent');
    await writeAudit(
      tx,
      principal,
      accountId,
      until ? 'said away' : 'said back',
      { user_id: userId, from, until },
      await now(tx),
    );
    await publish(tx, { accountId, topic: 'routing', ownerId: null });
  });
}
