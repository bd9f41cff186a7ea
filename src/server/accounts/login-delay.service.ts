/** Wrong logins are counted by address, by account and by both; whoever tries again too soon is told how long to wait. On real time. */
import { FROM_ANYWHERE, ONE_ACCOUNT, ONE_ADDRESS, waitAfter, type DelayRule } from '@/core/accounts';
import { AppError } from '@/core/shared';
import { reader, transact, type Tx } from '../shared';

/** Failures older than that are forgotten. */
const FORGOTTEN = '1 day';

interface Failures {
  failures: number;
  seconds: number;
}
const failuresOf = async (bucket: string, tx: Tx = reader()): Promise<Failures> =>
  (await tx.first<Failures>(
    `select failures, extract(epoch from clock_timestamp() - last_at)::float as seconds from login_failures
     where bucket = $1 and last_at > clock_timestamp() - $2::interval`,
    [bucket, FORGOTTEN],
  )) ?? { failures: 0, seconds: Infinity };

const leftOf = ({ failures, seconds }: Failures, rule: DelayRule): number => Math.ceil(waitAfter(failures, rule) - seconds);

const buckets = (email: string, from: string) => ({
  both: `both:${from}:${email}`,
  address: `address:${from}`,
  account: `account:${email}`,
});

function requirePatience(left: number): void {
  if (left > 0)
    throw new AppError('too_many', `Too many attempts. Wait ${left} ${left === 1 ? 'second' : 'seconds'}, then try again.`, {
      retry: true,
      retryAfterSeconds: left,
    });
}

/**
 * Before a password is looked at. Who tried often for many others only waits a moment longer for the answer.
 * @throws AppError too_many when this address must wait
 */
export async function beforeLogin(email: string, from: string): Promise<void> {
  const { both, address, account } = buckets(email, from);
  const left = Math.max(leftOf(await failuresOf(both), ONE_ACCOUNT), leftOf(await failuresOf(address), ONE_ADDRESS));
  requirePatience(left);
  const hold = waitAfter((await failuresOf(account)).failures, FROM_ANYWHERE);
  if (hold > 0) await new Promise((resolve) => setTimeout(resolve, hold * 1000));
}

/** After a wrong password, or one of nobody. */
export const afterWrongLogin = (email: string, from: string): Promise<void> => count(Object.values(buckets(email, from)));

const count = (names: string[], tx: Tx = reader()): Promise<void> =>
  tx.run(
    `insert into login_failures (bucket) select unnest($1::text[])
     on conflict (bucket) do update set
       failures = case when login_failures.last_at > clock_timestamp() - $2::interval then login_failures.failures + 1 else 1 end,
       last_at = clock_timestamp()`,
    [names, FORGOTTEN],
  );

/** Links for forgotten passwords that one address asks for count by themselves. @throws AppError too_many */
export async function countReset(from: string): Promise<void> {
  const bucket = `reset:${from}`;
  requirePatience(leftOf(await failuresOf(bucket), ONE_ADDRESS));
  await count([bucket]);
}

/** After the right one: this person is themselves, here. What was tried for others from here still counts. */
export const afterRightLogin = (email: string, from: string): Promise<void> => {
  const { both, account } = buckets(email, from);
  return reader().run('delete from login_failures where bucket = any($1)', [[both, account]]);
};

export const sweepLoginFailures = (): Promise<void> =>
  reader().run('delete from login_failures where last_at < clock_timestamp() - $1::interval', [FORGOTTEN]);

const codeBucket = (userId: string): string => `code:${userId}`;
/**
 * Before a code of the second step is looked at. Each try counts as a wrong one until it was right, one after another: many at once get no
 * further than many in a row.
 * @throws AppError too_many
 */
export const beforeCode = (userId: string): Promise<void> =>
  transact(async (tx) => {
    const bucket = codeBucket(userId);
    await tx.run('select pg_advisory_xact_lock(hashtextextended($1, 0))', [bucket]);
    requirePatience(leftOf(await failuresOf(bucket, tx), ONE_ACCOUNT));
    await count([bucket], tx);
  });
export const afterRightCode = (userId: string): Promise<void> =>
  reader().run('delete from login_failures where bucket = $1', [codeBucket(userId)]);
