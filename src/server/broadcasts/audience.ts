/** Whom a broadcast reaches: people of any number of segments once, with the address it goes to, and why somebody is left out. In SQL, as the guardrails would say it one by one; they are asked again when each message goes. */
import { CHANNELS, type SendChannel } from '@/core/contacts';
import type { BroadcastSelection } from '@/core/messages';
import { AppError } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { selectionSql } from '../changes';
import { ledgerAddressSql, MAILING_ADDRESS, pointKind } from '../contacts';

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
    throw new AppError('input_invalid', 'No one is selected yet.', {
      fields: [{ field: 'selection', message: 'choose a segment, or select people in Contacts' }],
    });
  const together = parts.map((sql) => `(${sql})`).join(' union ');
  return except.length ? `select id from (${together}) one where id <> all($${bind.push(except)}::bigint[])` : together;
}

/** People as they stand for a channel: `id, owner_id, time_zone, address, why`, the last null for whoever gets it. */
export function standingSql(chosen: string, channel: SendChannel): string {
  const { needsYes, isForHousehold } = CHANNELS[channel];
  const kind = pointKind(channel);
  const address = kind ? 'pt.value' : MAILING_ADDRESS;
  return `select c.id, c.owner_id, c.time_zone, ${address} as address, case
      when c.do_not_contact then 'do_not_contact'
      when h.do_not_contact then 'household_says_no'
      when split_part(c.stage, '.', 1) = 'archived' then 'archived'
      when ${address} is null then 'no_address'
      ${kind ? `when pt.error is not null then 'address_broken'` : ''}
      when r.state = 'withdrawn' then 'withdrawn'
      ${needsYes ? `when r.state is distinct from 'granted' then 'no_permission'` : ''}
      ${isForHousehold ? `when c.household_id is not null and row_number() over (partition by c.household_id, lower(c.street), c.postal_code order by c.id) > 1 then 'same_household'` : ''}
    end as why
    from (${chosen}) chosen join contacts c on c.id = chosen.id left join households h on h.id = c.household_id
    ${kind ? `left join lateral (select value, error from contact_points p where p.contact_id = c.id and p.kind = '${kind}' and p.active order by p.error is not null, p.position, p.id limit 1) pt on true` : ''}
    left join permissions r on r.account_id = c.account_id and r.channel = '${channel}' and r.address = ${ledgerAddressSql(channel, 'c.id', 'pt.value')}`;
}
