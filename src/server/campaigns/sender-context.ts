/**
 * What stands around people: the account with its settings, the agents they belong to, the offices. Many people share few of these,
 * so that they are read once for all of them instead of once with each.
 */
import { settingsOf, type Settings } from '@/core/accounts';
import { showPhone } from '@/core/capture';
import type { Tx } from '../shared';

export interface AccountContext {
  name: string;
  zone: string;
  settings: Settings;
  /** Whether more than one agent works here. */
  team: boolean;
}
export interface Agent {
  firstName: string;
  name: string;
  /** As people read it; empty when there is none. */
  phone: string;
  email: string | null;
  /** As their profile has it; empty when they wrote none. */
  signature: string;
}
export interface SenderContext {
  account(accountId: string): AccountContext;
  agent(userId: string | null): Agent | null;
  office(officeId: string | null): string | null;
}
/** Where somebody stands. */
export interface RecipientRow {
  account_id: string;
  owner_id: string | null;
  office_id: string | null;
}

interface Row {
  accounts: Record<string, Omit<AccountContext, 'settings'> & { settings: Partial<Settings> }>;
  agents: Record<
    string,
    { first: string; last: string; phone: string | null; email: string | null; signature: string | null }
  > | null;
  offices: Record<string, string> | null;
}

const READ = `select
  (select json_object_agg(a.id, json_build_object('name', a.name, 'zone', a.time_zone, 'settings', a.settings,
     'team', exists (select 1 from users t where t.account_id = a.id and t.role = 'agent' and t.active offset 1))) from accounts a where a.id = any($1::bigint[])) as accounts,
  (select json_object_agg(u.id, json_build_object('first', u.first_name, 'last', u.last_name, 'phone', u.phone, 'email', u.email, 'signature', u.profile ->> 'signature')) from users u where u.id = any($2::bigint[])) as agents,
  (select json_object_agg(o.id, o.name) from offices o where o.id = any($3::bigint[])) as offices`;

export async function loadSenderContext(tx: Tx, rows: readonly RecipientRow[]): Promise<SenderContext> {
  const unique = (ids: (string | null)[]): string[] => [...new Set(ids.filter((id) => id !== null))];
  const found = (await tx.first<Row>(READ, [
    unique(rows.map((row) => row.account_id)),
    unique(rows.map((row) => row.owner_id)),
    unique(rows.map((row) => row.office_id)),
  ]))!;
  const accounts = new Map<string, AccountContext>();
  for (const [id, account] of Object.entries(found.accounts ?? {}))
    accounts.set(id, { ...account, settings: settingsOf(account.settings) });
  const agents = new Map<string, Agent>();
  for (const [id, { first, last, phone, email, signature }] of Object.entries(found.agents ?? {}))
    agents.set(id, {
      firstName: first,
      name: `${first} ${last}`,
      phone: phone ? showPhone(phone) : '',
      email,
      signature: signature ?? '',
    });
  const offices = new Map(Object.entries(found.offices ?? {}));
  return {
    account: (id) => accounts.get(id)!,
    agent: (id) => (id === null ? null : (agents.get(id) ?? null)),
    office: (id) => (id === null ? null : (offices.get(id) ?? null)),
  };
}
