/** The people behind a number in Results, as one condition: Results counts with it and Contacts lists with it, so the two always agree. */
import { isClientSql } from './client-stages.sql';
import { REACHED_SQL } from '@/core/calling';
import type { Behind } from '@/core/results';

/** A first try by a person within five minutes. */
export const FAST = `i.first_try_at <= i.arrived_at + interval '5 minutes'`;
/** The roster an inquiry ended in, or else that of its rung. */
export const ROSTER_OF = `coalesce((select r.roster_id from routings r where r.inquiry_id = i.id), (select g.roster_id from rungs g where g.id = i.rung_id))`;
/** The hour of the week of an inquiry by the account's clock, as \`3-14\`. */
export const HOUR_OF = `(select extract(isodow from i.arrived_at at time zone a.time_zone) || '-' || extract(hour from i.arrived_at at time zone a.time_zone) from accounts a where a.id = i.account_id)`;

/** Narrowed to a door, a roster, an hour of the week. */
function cameBy({ doorId, rosterId, hour }: Behind, bind: unknown[]): string {
  return [
    doorId && ` and i.door_id = $${bind.push(doorId)}`,
    rosterId && ` and ${ROSTER_OF} = $${bind.push(rosterId)}`,
    hour && ` and ${HOUR_OF} = $${bind.push(`${hour.day}-${hour.hour}`)}`,
  ]
    .filter(Boolean)
    .join('');
}

/**
 * Leads of a period: contacts with an inquiry that arrived in it and was handed to the agent. The other measures narrow it.
 * @returns SQL over a contact aliased `c`; its values are added to `bind`
 */
export function measureSql(of: Behind, bind: unknown[]): string {
  bind.push(of.from, of.to);
  const inPeriod = `i.arrived_at >= $${bind.length - 1} and i.arrived_at < $${bind.length}`;
  let handed = '';
  if (of.agentId) {
    bind.push(of.agentId);
    handed = ` and i.owner_id = $${bind.length}`;
  }
  handed += cameBy(of, bind);
  const called = (more: string) =>
    `exists (select 1 from calls k where k.contact_id = i.contact_id and k.started_at >= i.arrived_at and k.direction = 'out' and k.outcome is not null${more})`;
  let narrowed = '';
  switch (of.measure) {
    case 'leads':
      break;
    case 'tried':
      narrowed = ` and ${called('')}`;
      break;
    case 'fast':
      narrowed = ` and ${FAST}`;
      break;
    case 'reached':
      narrowed = ` and ${called(` and k.outcome in ${REACHED_SQL}`)}`;
      break;
    case 'conversations':
      bind.push(of.conversationSeconds);
      narrowed = ` and ${called(` and k.talk_seconds >= $${bind.length}::int`)}`;
      break;
    case 'clients':
      narrowed = ` and ${isClientSql('c.stage')}`;
      break;
  }
  return `exists (select 1 from inquiries i where i.contact_id = c.id and ${inPeriod}${handed}${narrowed})`;
}
