/** Teams: people who work together. Who leads one sees the contacts of everybody on it. */
import { scopeFor, type Principal, type TeamView } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { nameSql, now, reader, transact, writeAudit, type Tx } from '../shared';

export interface TeamInput {
  name: string;
  lead_id: string | null;
  member_ids: string[];
}

export const listTeams = (accountId: string): Promise<TeamView[]> =>
  reader().rows<TeamView>(
    `select t.id, t.name, case when l.id is not null then json_build_object('id', l.id::text, 'name', ${nameSql('l')}) end as lead,
       coalesce((select json_agg(json_build_object('id', u.id::text, 'name', ${nameSql('u')}) order by u.first_name, u.last_name)
         from team_members m join users u on u.id = m.user_id and u.active where m.team_id = t.id), '[]') as members
     from teams t left join users l on l.id = t.lead_id and l.active where t.account_id = $1 and t.deleted_at is null order by t.name`,
    [accountId],
  );

const viewOf = async (accountId: string, id: string): Promise<TeamView> =>
  (await listTeams(accountId)).find((one) => one.id === id)!;

/** That the people are of the account, and no lender is among them, who sees other contacts by other rules. */
async function requirePeople(
  tx: Tx,
  accountId: string,
  { name, lead_id, member_ids }: TeamInput,
  but: string | null,
): Promise<void> {
  const refused = (field: string, message: string) =>
    new AppError('input_invalid', 'The team wasn’t saved.', { fields: [{ field, message }] });
  const ids = [...new Set([...member_ids, ...(lead_id ? [lead_id] : [])])];
  const rows = await tx.rows(
    `select id from users where account_id = $1 and id = any($2::bigint[]) and active and role <> 'lender'`,
    [accountId, ids],
  );
  if (rows.length !== ids.length) throw refused('member_ids', 'Choose people who work here; lenders can’t be on a team');
  const taken = await tx.first(
    'select 1 from teams where account_id = $1 and lower(name) = lower($2) and deleted_at is null and ($3::bigint is null or id <> $3)',
    [accountId, name, but],
  );
  if (taken) throw refused('name', 'You have a team of that name');
}

async function setMembers(tx: Tx, id: string, memberIds: string[]): Promise<void> {
  await tx.run('delete from team_members where team_id = $1', [id]);
  await tx.run('insert into team_members (team_id, user_id) select distinct $1::bigint, unnest($2::bigint[])', [id, memberIds]);
}

export async function createTeam(principal: Principal, input: TeamInput): Promise<TeamView> {
  const { accountId } = scopeFor(principal);
  const id = await transact(async (tx) => {
    await requirePeople(tx, accountId, input, null);
    const row = await tx.first<{ id: string }>('insert into teams (account_id, name, lead_id) values ($1, $2, $3) returning id', [
      accountId,
      input.name,
      input.lead_id,
    ]);
    await setMembers(tx, row!.id, input.member_ids);
    await writeAudit(tx, principal, accountId, 'added a team', { team_id: row!.id, ...input }, await now(tx));
    return row!.id;
  });
  return viewOf(accountId, id);
}

export async function updateTeam(principal: Principal, id: string, input: TeamInput): Promise<TeamView> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const there = await tx.first('select 1 from teams where id = $1 and account_id = $2 and deleted_at is null for update', [
      id,
      accountId,
    ]);
    if (!there) throw notFound('team');
    await requirePeople(tx, accountId, input, id);
    await tx.run('update teams set name = $2, lead_id = $3 where id = $1', [id, input.name, input.lead_id]);
    await setMembers(tx, id, input.member_ids);
    await writeAudit(tx, principal, accountId, 'changed a team', { team_id: id, ...input }, await now(tx));
  });
  return viewOf(accountId, id);
}

export async function deleteTeam(principal: Principal, id: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const rows = await tx.rows<{ name: string }>(
      'update teams set deleted_at = clock_timestamp() where id = $1 and account_id = $2 and deleted_at is null returning name',
      [id, accountId],
    );
    if (!rows.length) throw notFound('team');
    await writeAudit(tx, principal, accountId, 'removed a team', { team_id: id, ...rows[0] }, await now(tx));
  });
}
