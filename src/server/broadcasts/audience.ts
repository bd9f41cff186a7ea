/** Whom a broadcast reaches: people of any number of segments once, with the address it goes to, and why somebody is left out. In SQL, as the guardrails would say it one by one; they are asked again when each message goes. */
import type { BroadcastChannel, BroadcastSelection } from '@/core/messages';
import { AppError } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { selectionSql } from '../changes';

/** SQL that selects the chosen people as `id`, each once. @throws AppError input_invalid when nobody is chosen */
export async function chosenSql(
  scope: Scope,
  { ids, segments = [], question, except = [] }: BroadcastSelection,
  bind: unknown[],
): Promise<string> {
  const parts: string[] = [];
  if (ids?.length) parts.push(await selectionSql(scope, { ids }, bind));
  for (const segment of segments) parts.push(await selectionSql(scope, { question: { segment } }, bind));
  if (question) parts.push(await selectionSql(scope, { question }, bind));
  if (!parts.length)
    throw new AppError('input_invalid', 'Nobody is chosen yet.', {
      fields: [{ field: 'selection', message: 'choose a segment, or people in Contacts' }],
    });
  const together = parts.map((sql) => `(${sql})`).join(' union ');
  return except.length ? `select id from (${together}) one where id <> all($${bind.push(except)}::bigint[])` : together;
}

/** People as they stand for a channel: `id, owner_id, time_zone, address, why`, the last null for whoever gets it. */
export function standingSql(chosen: string, channel: BroadcastChannel): string {
  const kind = channel === 'email' ? 'email' : 'phone';
  const letter = channel === 'letter';
  const address = letter
    ? `case when c.street <> '' and c.city <> '' and c.postal_code <> '' then c.street || ', ' || c.city || ' ' || c.postal_code end`
    : 'pt.value';
  return `select c.id, c.owner_id, c.time_zone, ${address} as address, case
      when c.do_not_contact then 'do_not_contact'
      when h.do_not_contact then 'household_says_no'
      when split_part(c.stage, '.', 1) = 'archived' then 'archived'
      when ${address} is null then 'no_address'
      ${letter ? '' : `when pt.fault is not null then 'address_broken'`}
      when r.state = 'withdrawn' then 'withdrawn'
      ${channel === 'text' ? `when r.state is distinct from 'granted' then 'no_permission'` : ''}
      ${letter ? `when c.household_id is not null and row_number() over (partition by c.household_id, lower(c.street), c.postal_code order by c.id) > 1 then 'same_household'` : ''}
    end as why
    from (${chosen}) chosen join contacts c on c.id = chosen.id left join households h on h.id = c.household_id
    ${letter ? '' : `left join lateral (select value, fault from contact_points p where p.contact_id = c.id and p.kind = '${kind}' and p.active order by p.position, p.id limit 1) pt on true`}
    left join permissions r on r.account_id = c.account_id and r.channel = '${channel}' and r.address = ${letter ? `'person:' || c.id` : 'pt.value'}`;
}
