/**
 * The mail server by which an account sends: its own, or the installation's. A new one is tried by the worker, which mails whoever entered it;
 * until that worked nothing else goes by it.
 */
import { scopeFor, type MailConnectionInput, type MailConnectionView, type Principal } from '@/core/accounts';
import { config, enqueue, now, reader, sealed, transact, unsealed, writeAudit, type RowOf } from '../shared';
import { mailConnectionsTable } from './mail-connections.model';

type MailConnectionRow = RowOf<typeof mailConnectionsTable>;

/** Where mail goes out, as a URL with its password, and the address it comes from. */
export interface MailRoute {
  url: string;
  from: string;
}

const PURPOSE = 'mail connection';

/** By which way an account's mail goes; null when it has none. */
export async function mailRouteOf(accountId: string): Promise<MailRoute | null> {
  const row = await mailConnectionsTable.find({ account_id: accountId });
  const own = row?.state === 'works' ? routeOf(row) : null;
  const { smtpUrl, mailDomain } = config();
  return own ?? (smtpUrl === null ? null : { url: smtpUrl, from: `agents@${mailDomain}` });
}

/** Null when its password was sealed with another secret. */
function routeOf({ host, port, username, password, from_address }: MailConnectionRow): MailRoute | null {
  const word = password ? unsealed(PURPOSE, password) : '';
  if (word === null) return null;
  const url = new URL(`${port === 465 ? 'smtps' : 'smtp'}://${host}:${port}`);
  url.username = encodeURIComponent(username);
  url.password = encodeURIComponent(word);
  return { url: url.href, from: from_address };
}

export async function readMailConnection(accountId: string): Promise<MailConnectionView> {
  const row = await mailConnectionsTable.find({ account_id: accountId });
  return {
    by_installation: config().smtpUrl !== null,
    own: row && {
      host: row.host,
      port: row.port,
      username: row.username,
      from_address: row.from_address,
      state: row.state,
      error: row.error,
    },
  };
}

/** Sets the account's own mail server, to be tried. Without a password the one before stays, as long as host and user are the same. */
export async function setMailConnection(principal: Principal, input: MailConnectionInput): Promise<MailConnectionView> {
  const { accountId, userId } = scopeFor(principal);
  await transact(async (tx) => {
    const { host, port, username, from_address } = input;
    const password = input.password === undefined ? null : sealed(PURPOSE, input.password);
    await tx.run(
      `insert into mail_connections (account_id, host, port, username, password, from_address) values ($1, $2, $3, $4, $5, $6)
       on conflict (account_id) do update set host = $2, port = $3, username = $4, from_address = $6, state = 'checking', error = null, changed_at = clock_timestamp(),
         password = coalesce($5, case when mail_connections.host = $2 and mail_connections.username = $4 then mail_connections.password end)`,
      [accountId, host, port, username, password, from_address],
    );
    await writeAudit(tx, principal, accountId, 'changed the mail server', { host, port, username, from_address }, await now(tx));
    if (userId) await enqueue(tx, 'accounts.mail_check', { accountId, userId });
  });
  return readMailConnection(accountId);
}

export async function removeMailConnection(principal: Principal): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const gone = await tx.rows('delete from mail_connections where account_id = $1 returning host', [accountId]);
    if (gone.length) await writeAudit(tx, principal, accountId, 'removed the mail server', {}, await now(tx));
  });
}

/** The way that is to be tried, and since when it is the one. */
export async function mailRouteToCheck(accountId: string): Promise<{ route: MailRoute | null; changedAt: Date } | null> {
  const row = await mailConnectionsTable.find({ account_id: accountId });
  return row && { route: routeOf(row), changedAt: row.changed_at };
}

/** Notes how a try ended, unless it was changed meanwhile; what waited for a way goes now. @param error null when it works */
export async function saveMailCheck(accountId: string, changedAt: Date, error: string | null): Promise<void> {
  await reader().run(
    `update mail_connections set state = $3, error = $4 where account_id = $1 and date_trunc('milliseconds', changed_at) = $2`,
    [accountId, changedAt, error === null ? 'works' : 'fails', error?.slice(0, 300) ?? null],
  );
}
