/** Which addresses are our own: those of the people who work here, of the mail that we send and take in, and of our domains. They are no lead's. */
import providers from './mail-providers.json';
import { config, type Tx } from '../shared';

const PUBLIC = new Set(providers.domains.split(' '));

/**
 * @param addresses phones in E.164, emails in small letters
 * @returns those of them that are the brokerage's own. A domain is ours where two of us have their mail, or where our mail comes from, unless anybody may have one there
 */
export async function ownAddresses(tx: Tx, accountId: string, addresses: readonly string[]): Promise<Set<string>> {
  if (!addresses.length) return new Set();
  const { mailDomain } = config();
  const rows = await tx.rows<{ value: string; exactly: boolean }>(
    `with said as (select value, split_part(value, '@', 2) as domain, right(regexp_replace(value, '\\D', '', 'g'), 10) as digits from unnest($2::text[]) value),
       ours as (select lower(email) as email, right(regexp_replace(phone, '\\D', '', 'g'), 10) as digits from users where account_id = $1
         union all select lower(from_address), null from mail_connections where account_id = $1),
       domains as (select split_part(email, '@', 2) as domain from ours group by 1 having count(*) > 1 union select split_part(from_address, '@', 2) from mail_connections where account_id = $1),
       exact as (select value, domain = $3 or value in (select email from ours) or (domain = '' and digits in (select digits from ours where digits <> '')) as exactly, domain from said)
     select value, exactly from exact where exactly or domain in (select domain from domains)`,
    [accountId, addresses, mailDomain],
  );
  return new Set(rows.filter(({ value, exactly }) => exactly || !PUBLIC.has(value.split('@')[1]!)).map(({ value }) => value));
}
