/** Templates: words that are kept to be used again, with what each wording brought. They are checked while they are written; errors keep one from being used. */
import { AppError, notFound } from '@/core/shared';
import { accountOf, mayChange, mayRunOffice, requireSharing, scopeFor, type Principal, type Scope } from '@/core/accounts';
import { oneLine } from '@/core/capture';
import { storableJson } from '@/core/capture/schemas';
import type { Channel } from '@/core/contacts';
import {
  groupsIn,
  hasErrors,
  type DeliveryCounts,
  type Checked,
  type CheckedView,
  type Finding,
  type TemplateView,
  type VariantView,
  type Words,
} from '@/core/messages';
import { listFields } from '../contacts';
import { missingFiles } from '../files';
import { nameSql, now, readApart, reader, writeAudit, transact, type Tx } from '../shared';
import { countFindings, type Counted } from './findings';
import { forgetWords } from './words.repository';
import { templatesTable } from './templates.model';

/** Another template, with the text that words may be too like. */
interface Other {
  id: string;
  name: string;
  text: string;
}

type Row = Pick<
  TemplateView,
  'id' | 'channel' | 'name' | 'words' | 'version' | 'shared' | 'day_cap' | 'changed_at' | 'sent_today'
> & {
  made_by_id: string | null;
  made_by_name: string | null;
  campaigns: number;
};

/** Whoever answers within this time after a message, answers it. */
const ANSWERS_WITHIN = `interval '7 days'`;
/** Of rows `o` of the outbox that went out: how many arrived, were answered, and were the last that somebody wanted. */
export const BROUGHT = `count(*)::int as sent, count(*) filter (where o.bounced_at is null)::int as delivered,
  count(*) filter (where exists (select 1 from activities a where a.contact_id = o.contact_id and a.at > o.sent_at and a.at <= o.sent_at + ${ANSWERS_WITHIN} and a.kind = 'message' and a.direction = 'in' and not a.data ? 'autoReply' and not a.data ? 'optOut'))::int as answered,
  count(*) filter (where exists (select 1 from activities a where a.contact_id = o.contact_id and a.at > o.sent_at and a.at <= o.sent_at + ${ANSWERS_WITHIN} and (a.data ? 'optOut' or (a.kind = 'permission' and a.data->>'text' like '%withdrawn%'))))::int as opted_out`;
const NOTHING: DeliveryCounts = { sent: 0, delivered: 0, answered: 0, opted_out: 0 };

async function readRows(scope: Scope, tx: Tx, id: string | null): Promise<Row[]> {
  return tx.rows<Row>(
    `select t.id, t.channel, t.name, t.words, t.version, t.shared, t.day_cap, t.made_by as made_by_id, ${nameSql('u')} as made_by_name, t.changed_at,
       (select count(*)::int from outbox o where o.template_id = t.id and o.sent_at >= (date_trunc('day', $3::timestamptz at time zone a.time_zone) at time zone a.time_zone)) as sent_today,
       (select count(*)::int from campaigns p where p.account_id = t.account_id and p.deleted_at is null and (select v.plan->>'steps' from campaign_versions v where v.campaign_id = p.id order by v.number desc limit 1) like '%"template": "' || t.id || '"%') as campaigns
     from templates t join accounts a on a.id = t.account_id left join users u on u.id = t.made_by
     where t.account_id = $1 and t.deleted_at is null and (t.shared or t.made_by is null or t.made_by = $2::bigint or $2::bigint is null) and ($4::bigint is null or t.id = $4) order by t.channel, lower(t.name), t.id`,
    [scope.accountId, scope.userId, await now(tx), id],
  );
}

/** What each template brought in the wording that it has now. */
async function broughtBy(tx: Tx, accountId: string, id: string | null): Promise<Map<string, DeliveryCounts>> {
  const rows = await tx.rows<DeliveryCounts & { id: string }>(
    `select t.id, ${BROUGHT} from templates t join outbox o on o.template_id = t.id and o.template_version = t.version and o.state = 'sent'
     where t.account_id = $1 and t.deleted_at is null and ($2::bigint is null or t.id = $2) group by t.id`,
    [accountId, id],
  );
  return new Map(rows.map(({ id: of, ...counts }) => [of, counts]));
}

const viewOf = (row: Row, scope: Scope, counts: DeliveryCounts, findings: Counted): TemplateView => {
  const { made_by_id, made_by_name, ...template } = row;
  return {
    ...template,
    made_by: made_by_id ? { id: made_by_id, name: made_by_name ?? '' } : null,
    may_change: mayChange(scope, { made_by: made_by_id, shared: row.shared }),
    brought: counts,
    findings,
  };
};

const fieldNames = async (accountId: string, tx?: Tx): Promise<string[]> =>
  (await listFields(accountId, tx)).map(({ name }) => name);

/** The templates that somebody sees: those of the team and their own. */
export async function listTemplates(scope: Scope): Promise<TemplateView[]> {
  const tx = reader();
  const rows = await readRows(scope, tx, null);
  const counts = await broughtBy(tx, scope.accountId, null);
  const fields = await fieldNames(scope.accountId);
  const findings = await countFindings(rows, fields);
  return rows.map((row, n) => viewOf(row, scope, counts.get(row.id) ?? NOTHING, findings[n]!));
}

/** @throws AppError not_found */
export async function findTemplate(scope: Scope, id: string, tx: Tx = reader()): Promise<TemplateView> {
  const [row] = await readRows(scope, tx, id);
  if (!row) throw notFound('template');
  const counts = await broughtBy(tx, scope.accountId, id);
  const [findings] = await countFindings([row], await fieldNames(scope.accountId, tx));
  return viewOf(row, scope, counts.get(id) ?? NOTHING, findings!);
}

/** Each option of a template's variants with what it brought, in the wording that it has now. */
export async function listVariantResults(scope: Scope, id: string): Promise<VariantView[]> {
  const { words, version } = await findTemplate(scope, id);
  const rows = await reader().rows<DeliveryCounts & { pick: string }>(
    `select x.pick, ${BROUGHT} from outbox o cross join lateral unnest(o.picks) as x (pick) where o.template_id = $1 and o.template_version = $2 and o.state = 'sent' group by x.pick`,
    [id, version],
  );
  const byPick = new Map(rows.map(({ pick, ...counts }) => [pick, counts]));
  const parts = [
    ['subject', 's', words.subject ?? ''],
    ['text', 't', words.text],
    ['plain', 'p', words.plain],
  ] as const;
  return parts.flatMap(([part, letter, source]) =>
    groupsIn(source).flatMap(({ index, options }) =>
      options.map((text, option) => ({
        part,
        group: index,
        option,
        text,
        ...(byPick.get(`${letter}${index}:${option}`) ?? NOTHING),
      })),
    ),
  );
}

/** The other templates that words may be too like. */
const othersOf = (scope: Scope, channel: Channel, id: string | null): Promise<Other[]> =>
  reader().rows<Other>(
    `select id, name, words->>'text' as text from templates where account_id = $1 and channel = $2 and deleted_at is null and id is distinct from $3::bigint and (shared or made_by = $4::bigint or $4::bigint is null) order by id desc limit 1000`,
    [scope.accountId, channel, id, scope.userId],
  );

/** The checks, apart. @throws AppError reading_failed for words that take too long to check; those are not kept */
const findingsOf = (checked: Checked, others: Other[] = []): Promise<Finding[]> => readApart('words', { checked, others });

/** What the checks say of words, with the account's own fields and beside its other templates. @param id of the template that they are to be the words of */
export async function checkTemplate(
  principal: Principal,
  { channel, words, id = null }: { channel: Channel; words: Words; id?: string | null },
): Promise<CheckedView> {
  const scope = scopeFor(principal);
  const fields = await fieldNames(scope.accountId);
  const findings = await findingsOf({ channel, words, fields }, await othersOf(scope, channel, id));
  return { findings, errors: findings.filter(({ level }) => level === 'error').length };
}

/** Files and pictures that words name must be there. @throws AppError input_invalid */
export async function checkAttached(tx: Tx, accountId: string, words: Words): Promise<void> {
  const pictures: string[] = JSON.stringify(words.doc ?? null).match(/(?<="pictureId":")\d+/g) ?? [];
  const missing = await missingFiles(
    tx,
    accountId,
    (words.files ?? []).map(({ id }) => id),
    pictures,
  );
  const most = 10_000_000;
  if ((words.files ?? []).reduce((sum, { bytes }) => sum + bytes, 0) > most)
    missing.push(`all files together may have ${most / 1_000_000} MB`);
  if (missing.length)
    throw new AppError('input_invalid', 'Couldn’t save the template.', {
      fields: missing.map((message) => ({ field: 'words', message })),
    });
}

/** Words without what PostgreSQL cannot store. */
const cleaned = (words: Words): Words => JSON.parse(storableJson(words)) as Words;

interface Making {
  channel: Channel;
  name: string;
  words: Words;
  shared?: boolean;
}

/** Makes a template; it may have errors as long as it is not used. Whoever does not run the office makes one of their own. */
export async function createTemplate(principal: Principal, { channel, name, words, shared }: Making): Promise<TemplateView> {
  const scope = scopeFor(principal);
  const called = oneLine(name);
  if (!called)
    throw new AppError('input_invalid', 'Couldn’t create the template.', {
      fields: [{ field: 'name', message: 'enter a name' }],
    });
  const id = await transact(async (tx) => {
    await checkAttached(tx, scope.accountId, words);
    const at = await now(tx);
    const made = await templatesTable.insert(
      {
        account_id: scope.accountId,
        channel,
        name: called,
        words: cleaned(words),
        shared: mayRunOffice(principal) && (shared ?? true),
        made_by: principal.kind === 'user' ? principal.user.id : null,
        made_at: at,
        changed_at: at,
      },
      tx,
    );
    await writeAudit(tx, principal, scope.accountId, 'made a template', { id: made.id, name: called }, at);
    return made.id;
  });
  forgetWords();
  return findTemplate(scope, id);
}

/** @throws AppError not_found, not_allowed */
async function changeable(principal: Principal, id: string): Promise<TemplateView> {
  const template = await findTemplate(scopeFor(principal), id);
  if (!template.may_change)
    throw new AppError('not_allowed', 'Only office managers can change this template. Copy it to make your own.');
  return template;
}

/**
 * Changes a template. Other words are another version, so that what they bring is counted anew; messages that wait go by the new ones.
 * @param seen the version that was being changed: when another was kept since, nothing is
 * @throws AppError not_found, not_allowed, conflict; input_invalid for words with errors while a campaign uses it
 */
export async function updateTemplate(
  principal: Principal,
  id: string,
  patch: { name?: string; words?: Words; shared?: boolean; day_cap?: number | null; seen?: number },
): Promise<TemplateView> {
  const template = await changeable(principal, id);
  requireSharing(principal, patch);
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    if (patch.words) {
      await checkAttached(tx, scope.accountId, patch.words);
      const fields = await fieldNames(scope.accountId, tx);
      const findings = await findingsOf({ channel: template.channel, words: patch.words, fields });
      if (template.campaigns && hasErrors(findings))
        throw new AppError('input_invalid', 'A campaign uses this template, so fix the errors before saving.', {
          fields: findings
            .filter(({ level }) => level === 'error')
            .map(({ part, message }) => ({ field: `words.${part}`, message })),
        });
    }
    const at = await now(tx);
    const row = await tx.first(
      `update templates set name = coalesce($3, name), words = coalesce($4::jsonb, words), version = version + case when $4::jsonb is not null and $4::jsonb <> words then 1 else 0 end,
         shared = coalesce($5, shared), day_cap = case when $6 then $7::int else day_cap end, changed_at = $8 where id = $1 and account_id = $2 and ($9::int is null or version = $9) returning id`,
      [
        id,
        scope.accountId,
        patch.name === undefined ? null : oneLine(patch.name) || template.name,
        patch.words ? JSON.stringify(cleaned(patch.words)) : null,
        patch.shared ?? null,
        patch.day_cap !== undefined,
        patch.day_cap ?? null,
        at,
        patch.seen ?? null,
      ],
    );
    if (!row) throw new AppError('conflict', 'Someone else changed this template. Yours is still here. Reopen it to see theirs.');
    await writeAudit(tx, principal, scope.accountId, 'changed a template', { id, name: template.name }, at);
  });
  forgetWords();
  return findTemplate(scope, id);
}

/** Takes a template away. Touches that use it go on with the words that they keep themselves. */
export async function deleteTemplate(principal: Principal, id: string): Promise<void> {
  const template = await changeable(principal, id);
  await transact(async (tx) => {
    const at = await now(tx);
    await tx.run('update templates set deleted_at = $2 where id = $1', [id, at]);
    await writeAudit(tx, principal, accountOf(principal), 'deleted a template', { id, name: template.name }, at);
  });
  forgetWords();
}
