/** Inviting somebody to work here: the link is theirs once, for a week, and what becomes of it is told. */
import { mailUser } from '@/worker/accounts/login-mail';
import { mailInvitation } from '@/worker/accounts/invite';
import { appForEach } from '../harness/each';

const app = appForEach();
const accounts = () => app().m.accounts;
const ada = () => app().users.Ada!;
const HERE = { from: '10.0.0.4', agent: '' };
const EMAIL = 'nils@house.example';
const JOIN = { first_name: 'Nils', last_name: 'Frost', password: 'gulls over cold porridge' };

const codeOf = (error: { code?: string; facts?: { fields?: { field: string; message: string }[] } }) =>
  error.facts?.fields?.[0]?.message ?? error.code;
const invites = (more: object = {}) =>
  accounts()
    .inviteUser(ada(), { email: EMAIL, role: 'agent', by: 'link', ...more })
    .then(({ link }) => link!.split('/').at(-1)!, codeOf);
const joins = (token: string, more: Partial<typeof JOIN> = {}) =>
  accounts()
    .acceptInvitation(token, { ...JOIN, ...more }, HERE)
    .then(async ({ token: session }) => (await accounts().personOfSession(session))!.email, codeOf);
const jobs = (task: string) =>
  app().db.rows<{ payload: never }>(
    `select payload from graphile_worker._private_jobs j join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = $1 order by j.id`,
    [task],
  );
const open = async () => (await accounts().listUserInvitations(ada().accountId)).map(({ email, ended }) => [email, ended]);

const openId = async () => (await accounts().listUserInvitations(ada().accountId))[0]!.id;

test('by mail: the link comes to them, they choose their own password and are in; both are told', async () => {
  await accounts().inviteUser(ada(), { email: ' NILS@house.example ', role: 'caller', first_name: 'Nils', by: 'email' });
  await mailInvitation((await jobs('accounts.invite')).at(-1)!.payload, app().outside);
  const [mail] = app().received('email');
  expect(mail).toMatchObject({ to: EMAIL, subject: expect.stringContaining('invited you to') });
  const token = /\/join\/(\S+)/.exec(mail!.body)![1]!;
  expect(await accounts().findInvitation(token)).toMatchObject({ email: EMAIL, firstName: 'Nils' });
  expect(await joins(token)).toBe(EMAIL);
  expect(await accounts().logIn(EMAIL, JOIN.password, HERE)).toBeTruthy();
  const [user] = (await accounts().listUsers(app().scope)).filter(({ email }) => email === EMAIL);
  expect(user).toMatchObject({ role: 'caller', name: 'Nils Frost' });
  for (const { payload } of await jobs('accounts.mail')) await mailUser(payload, app().outside);
  expect(
    app()
      .received('email')
      .slice(1)
      .map(({ to, subject }) => [to, subject]),
  ).toEqual([
    [EMAIL, expect.stringMatching(/^Welcome to/)],
    [ada().email, 'Nils Frost joined'],
  ]);
  expect(await open()).toEqual([]);
});

test('a link works once, also for two at once, and a new one ends the one before', async () => {
  const first = await invites();
  const id = await openId();
  const { link } = await accounts().inviteAgain(ada(), id, 'link');
  const second = link!.split('/').at(-1)!;
  expect(await joins(first!)).toBe('not_found');
  const done = await Promise.all([joins(second), joins(second)]);
  expect(done.sort()).toEqual([EMAIL, 'not_found']);
  expect(await joins(second)).toBe('not_found');
});

test('one that ran out or was withdrawn is none; inviting again makes it good', async () => {
  const token = await invites();
  await app().db.run(`update user_invitations set ends_at = clock_timestamp() - interval '1 second'`);
  expect(await open()).toEqual([[EMAIL, true]]);
  expect(await joins(token!)).toBe('not_found');
  const id = await openId();
  const again = (await accounts().inviteAgain(ada(), id, 'link')).link!.split('/').at(-1)!;
  await accounts().revokeInvitation(ada(), id);
  expect(await joins(again)).toBe('not_found');
  expect(await open()).toEqual([]);
  expect(await accounts().inviteAgain(ada(), id, 'link').catch(codeOf)).toBe('not_found');
});

test('a lender is put on no roster, whatever was chosen before', async () => {
  await invites({ role: 'lender', roster_id: '1' });
  expect(await app().db.rows('select roster_id from user_invitations')).toEqual([{ roster_id: null }]);
});

test('a weak password leaves the link as it is', async () => {
  const token = await invites();
  expect(await joins(token!, { password: 'password123' })).toMatch(/first passwords/);
  expect(await joins(token!, { first_name: ' ' })).toBe('Enter your first name');
  expect(await joins(token!)).toBe(EMAIL);
});

test('who works here, worked here or is invited already is not invited', async () => {
  expect(await invites({ email: 'abel@house.example' })).toBe('Already works here');
  await app().db.run(`update users set active = false where email = 'abel@house.example'`);
  expect(await invites({ email: 'abel@house.example' })).toMatch(/Reactivate/);
  await invites();
  expect(await invites()).toMatch(/Already invited/);
  expect(await invites({ email: 'x@house.example', office_id: '999' })).toBe('Choose an office');
});

test('who has a login at another brokerage learns it with the link, and whoever invites does not', async () => {
  const { m, db } = app();
  const { accountId } = await m.shared.transact(async (tx) =>
    m.founding.foundBrokerage(
      tx,
      {
        name: 'Other',
        timeZone: 'America/Denver',
        offices: [],
        users: [
          {
            role: 'owner',
            firstName: 'O',
            lastName: '',
            email: 'other@else.example',
            phone: null,
            passwordHash: '-',
            office: null,
          },
        ],
      },
      await m.shared.now(tx),
    ),
  );
  const token = await invites({ email: 'other@else.example' });
  expect(await joins(token!)).toBe('conflict');
  expect(await db.rows('select 1 from users where account_id = $1', [accountId])).toHaveLength(1);
  expect(await joins(token!)).toBe('conflict');
});

test('a mail server that is away is told beside the invitation, and tried again with another link', async () => {
  await accounts().inviteUser(ada(), { email: EMAIL, role: 'agent', by: 'email' });
  const [job] = await jobs('accounts.invite');
  app().world.sky.set({ email: 'down' });
  await expect(mailInvitation(job!.payload, app().outside)).rejects.toThrow();
  expect(await accounts().listUserInvitations(ada().accountId)).toMatchObject([
    { mailed_at: null, mail_error: expect.any(String) },
  ]);
  app().world.sky.set({ email: 'fine' });
  await mailInvitation(job!.payload, app().outside);
  expect(await accounts().listUserInvitations(ada().accountId)).toMatchObject([
    { mailed_at: expect.any(Date), mail_error: null },
  ]);
});
