/** What a browser was asked and must answer soon, once: the second step of a login, or a passkey. On real time. */
import { hashed, randomToken, reader, type Tx } from '../shared';

export type ChallengeKind = 'second_step' | 'passkey_login' | 'passkey_new';
export const CHALLENGE_SECONDS = 600;

export interface AskedStep {
  user_id: string | null;
  challenge: string;
}

/** @returns the token of the cookie that answers it */
export async function openChallenge(tx: Tx, kind: ChallengeKind, userId: string | null, challenge = ''): Promise<string> {
  const token = randomToken();
  await tx.run(
    `insert into login_challenges (token_hash, kind, user_id, challenge, ends_at) values ($1, $2, $3, $4, clock_timestamp() + make_interval(secs => $5))`,
    [hashed(token), kind, userId, challenge, CHALLENGE_SECONDS],
  );
  return token;
}

export const findChallenge = (kind: ChallengeKind, token: string, tx: Tx = reader()): Promise<AskedStep | null> =>
  tx.first<AskedStep>(
    'select user_id, challenge from login_challenges where token_hash = $1 and kind = $2 and ends_at > clock_timestamp()',
    [hashed(token), kind],
  );

/** Ends it. @returns false when somebody else was first */
export const endChallenge = async (tx: Tx, token: string): Promise<boolean> =>
  (await tx.rows('delete from login_challenges where token_hash = $1 returning kind', [hashed(token)])).length > 0;

export const sweepChallenges = (): Promise<void> =>
  reader().run('delete from login_challenges where ends_at < clock_timestamp()');
