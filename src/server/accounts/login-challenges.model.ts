/** The table of what a browser was asked in the middle of a login. */
import type { ChallengeKind } from './challenges';
import { bigint, bytes, instant, key, made, orNull, table, text } from '../shared';

export const loginChallengesTable = table('login_challenges', {
  token_hash: key(bytes()),
  kind: text<ChallengeKind>(),
  user_id: orNull(bigint()),
  challenge: made(text()),
  ends_at: instant(),
});
