/** Joining a brokerage by an invitation: the user is made, and put on the roster that the invitation names. */
import { acceptInvitation, type LoginClient } from '../accounts';
import { rosterMembersTable } from '../routing';

/** @returns the new user and the token of a session @throws AppError as `acceptInvitation` */
export const joinBrokerage = (
  token: string,
  filled: { first_name: string; last_name: string; password: string },
  client: LoginClient,
): Promise<{ userId: string; token: string }> =>
  acceptInvitation(token, filled, client, async (tx, user_id, { roster_id }) => {
    const roster = roster_id
      ? await tx.first<{ last: number }>(
          `select coalesce(max(m.position), 0)::int as last from rosters r left join roster_members m on m.roster_id = r.id where r.id = $1 and r.deleted_at is null group by r.id`,
          [roster_id],
        )
      : null;
    if (roster) await rosterMembersTable.insert({ roster_id: roster_id!, user_id, position: roster.last + 1 }, tx);
  });
