/** The people behind a number in Results, as one condition: Results counts with it and Contacts lists with it, so the two always agree. */
import type { Measure } from '@/core/results';

/**
 * Leads of a period: contacts with an inquiry that arrived in it and was handed to the agent. The other measures narrow it.
 * @returns SQL over a contact aliased `c`; its values are added to `bind`
 */
export function measured(
  of: { measure: Measure; agentId: string | null; from: Date; to: Date; conversationSeconds: number },
  bind: unknown[],
): string {
  bind.push(of.from, of.to);
  const inPeriod = `i.arrived_at >= $${bind.length - 1} and i.arrived_at < $${bind.length}`;
  let handed = '';
  if (of.agentId) {
    bind.push(of.agentId);
    handed = ` and i.owner_id = $${bind.length}`;
  }
  const called = (more: string) =>
    `exists (select 1 from calls k where k.contact_id = i.contact_id and k.started_at >= i.arrived_at and k.direction = 'out' and k.outcome is not null${more})`;
  let narrowed = '';
  switch (of.measure) {
    case 'leads':
      break;
    case 'tried':
      narrowed = ` and ${called('')}`;
      break;
    case 'reached':
      narrowed = ` and ${called(` and k.outcome in ('talked','short','callback','not_interested')`)}`;
      break;
    case 'conversations':
      bind.push(of.conversationSeconds);
      narrowed = ` and ${called(` and k.talk_seconds >= $${bind.length}::int`)}`;
      break;
    case 'clients':
      narrowed = ` and split_part(c.stage, '.', 1) in ('client','under_contract','past_client')`;
      break;
  }
  return `exists (select 1 from inquiries i where i.contact_id = c.id and ${inPeriod}${handed}${narrowed})`;
}
