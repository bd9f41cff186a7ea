/** A/B tests: templates of one channel that are handed out evenly, until one is better than the others by more than chance. */
import { AppError, notFound } from '@/core/shared';
import { runsTheOffice, scopeFor, type Principal, type Scope } from '@/core/accounts';
import { oneLine } from '@/core/capture';
import type { DeliveryCounts, AbTestView } from '@/core/messages';
import { now, reader, writeAudit, transact, type RowOf } from '../shared';
import { BROUGHT, listTemplates } from './templates.service';
import { forgetWords } from './words.repository';
import { abTestsTable } from './ab-tests.model';

type Row = Pick<RowOf<typeof abTestsTable>, 'id' | 'name' | 'channel' | 'template_ids' | 'winner_id' | 'made_at' | 'ended_at'>;

/** All A/B tests with what each of their templates brought since they began, in whatever wording. */
export async function listAbTests(scope: Scope): Promise<AbTestView[]> {
  const rows = await reader().rows<Row>(
    'select id, name, channel, template_ids::text[], winner_id, made_at, ended_at from ab_tests where account_id = $1 and deleted_at is null order by ended_at is not null, id desc',
    [scope.accountId],
  );
  const counts = await reader().rows<DeliveryCounts & { ab_test: string; id: string; name: string }>(
    `select h.id as ab_test, t.id, t.name, ${BROUGHT.replaceAll('count(*)', 'count(o.id)')} from ab_tests h join templates t on t.id = any(h.template_ids)
     left join outbox o on o.template_id = t.id and o.state = 'sent' and o.sent_at >= h.made_at and (h.ended_at is null or o.sent_at < h.ended_at) where h.account_id = $1 and h.deleted_at is null group by h.id, t.id, t.name order by t.name, t.id`,
    [scope.accountId],
  );
  return rows.map(({ template_ids, ...row }) => ({
    ...row,
    entrants: counts
      .filter(({ ab_test, id }) => ab_test === row.id && template_ids.includes(id))
      .map(({ id, name, sent, delivered, answered, opted_out }) => ({ id, name, sent, delivered, answered, opted_out })),
    may_change: scope.runsOffice,
  }));
}

const office = (principal: Principal): void => {
  if (principal.kind === 'user' && !runsTheOffice(principal.user.role))
    throw new AppError('not_allowed', 'A/B tests are made by those who run the office.');
};
async function findAbTest(principal: Principal, id: string): Promise<AbTestView> {
  const found = (await listAbTests(scopeFor(principal))).find((one) => one.id === id);
  if (!found) throw notFound('A/B test');
  return found;
}

/** @throws AppError input_invalid unless it is between two to six usable templates of one channel */
export async function createAbTest(
  principal: Principal,
  { name, template_ids }: { name: string; template_ids: string[] },
): Promise<AbTestView> {
  office(principal);
  const scope = scopeFor(principal);
  const templates = (await listTemplates(scope)).filter(({ id }) => template_ids.includes(id));
  const [first] = templates;
  const problem = (message: string) =>
    new AppError('input_invalid', 'The A/B test was not made.', { fields: [{ field: 'template_ids', message }] });
  if (templates.length < 2 || templates.length > 6) throw problem('choose two to six templates');
  if (templates.some(({ channel }) => channel !== first!.channel)) throw problem('are not all of one channel');
  const broken = templates.find(({ findings }) => findings.errors);
  if (broken) throw problem(`“${broken.name}” has errors`);
  const id = await transact(async (tx) => {
    const at = await now(tx);
    const made = await abTestsTable.insert(
      {
        account_id: scope.accountId,
        channel: first!.channel,
        name: oneLine(name) || 'A/B test',
        template_ids: templates.map((one) => one.id),
        made_by: principal.kind === 'user' ? principal.user.id : null,
        made_at: at,
      },
      tx,
    );
    await writeAudit(tx, principal, scope.accountId, 'made an A/B test', { id: made.id, name }, at);
    return made.id;
  });
  forgetWords();
  return findAbTest(principal, id);
}

/** Ends an A/B test: its winner is handed out from now on. Null lets it go on. @throws AppError not_found, input_invalid */
export async function endAbTest(principal: Principal, id: string, winnerId: string | null): Promise<AbTestView> {
  office(principal);
  const abTest = await findAbTest(principal, id);
  if (winnerId && !abTest.entrants.some((one) => one.id === winnerId))
    throw new AppError('input_invalid', 'The A/B test goes on.', {
      fields: [{ field: 'winner_id', message: 'is none of its templates' }],
    });
  await transact(async (tx) => {
    const at = await now(tx);
    await abTestsTable.update({ winner_id: winnerId, ended_at: winnerId === null ? null : at }, { id }, tx);
    await writeAudit(tx, principal, scopeFor(principal).accountId, 'ended an A/B test', { id, winner: winnerId }, at);
  });
  forgetWords();
  return findAbTest(principal, id);
}

/** Takes an A/B test away. Touches that use it go on with the words that they keep themselves. */
export async function deleteAbTest(principal: Principal, id: string): Promise<void> {
  office(principal);
  const abTest = await findAbTest(principal, id);
  await transact(async (tx) => {
    const at = await now(tx);
    await tx.run('update ab_tests set deleted_at = $2 where id = $1', [id, at]);
    await writeAudit(tx, principal, scopeFor(principal).accountId, 'deleted an A/B test', { id, name: abTest.name }, at);
  });
  forgetWords();
}
