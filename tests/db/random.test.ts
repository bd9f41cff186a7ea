/**
 * Operations at random, undo included: whatever was done to whom and in whatever order, the facts are those that the activities tell. Eight
 * hundred in every test run; the drill has ten thousand (`RANDOM_OPERATIONS`).
 */
import { AppError, seeded } from '@/core/shared';
import type { BulkAction } from '@/core/changes';
import { appForEach } from '../harness/each';

const OPERATIONS = Number(process.env.RANDOM_OPERATIONS ?? 800);
const CHECKED_EVERY = 500;
/** What a guardrail, a rule or somebody else's change may rightly answer. */
const REFUSALS = ['touch_refused', 'conflict', 'input_invalid', 'not_found'];

const app = appForEach();

test('verify finds no difference after thousands of random operations, undo included', async () => {
  const it = app();
  const { m } = it;
  const random = seeded('ten thousand operations');
  const ada = it.as('Ada');
  const ids: string[] = [];
  const changes: string[] = [];
  const imports: string[] = [];
  const merges: string[] = [];
  const tags: string[] = [];
  for (const name of ['choir', 'garden', 'rowing club'])
    tags.push((await it.db.first<{ id: string }>('insert into tags (account_id, name) values (1, $1) returning id', [name]))!.id);
  const field = await m.vocabulary.createField(ada, { name: 'Boat', kind: 'text', choices: [] });
  const own = (await m.vocabulary.createStage(ada, { name: 'Looking', meaning: '', counts_as: 'reaching' })).find(
    ({ name }) => name === 'Looking',
  )!.key;
  const stages = ['reaching', 'talking', 'client', 'past_client', 'sphere', own];
  const someone = () => random.pick(ids);
  const some = () => [...new Set(Array.from({ length: random.int(1, 12) }, someone))];
  let made = 0;

  const arrive = async () => {
    const n = random.chance(0.2) ? random.int(0, Math.max(0, made - 1)) : made++;
    const { contact } = await it.arrives({
      first_name: `P${n}`,
      last_name: `Query${n % 40}`,
      emails: [`p${n}@x.example`],
      phones: n % 3 ? [`+1564555${String(1000 + n)}`] : [],
      permissions: { email: random.chance(0.7), text: random.chance(0.5) },
    });
    if (!ids.includes(contact.id)) ids.push(contact.id);
  };
  const change = (): BulkAction =>
    random.pick<BulkAction>([
      { kind: 'tags', add: [random.pick(tags)], remove: [random.pick(tags)] },
      { kind: 'stage', stage: random.pick([...stages, 'new']) },
      { kind: 'stage', stage: 'archived', archived_because: 'moved away' },
      { kind: 'horizon', horizon: random.pick(['hot', 'warm', 'nurture', null]) },
      { kind: 'owner', owner_id: random.pick([it.users.Abel!.id, it.users.Brisa!.id]) },
      { kind: 'roles', add: ['seller'], remove: [] },
      { kind: 'field', field_id: field.id, value: random.pick(['Tern', 'Gull', null]) },
      {
        kind: 'permission',
        channel: random.pick(['email', 'text', 'letter']),
        state: random.pick(['granted', 'withdrawn']),
        evidence: 'a list',
      },
      { kind: 'call_list', note: 'about the boat' },
      { kind: 'campaign', campaign_id: '1' },
      { kind: 'delete' },
    ]);
  const operations: [number, () => Promise<unknown>][] = [
    [7, arrive],
    [14, () => m.contacts.addNote(ada, someone(), 'said so')],
    [
      16,
      () =>
        m.contacts.updateContact(
          ada,
          someone(),
          random.pick<object>([
            { stage: random.pick(stages) },
            { stage: 'archived', archived_because: 'moved' },
            { horizon: random.pick(['hot', 'warm', 'nurture', 'someday', null]) },
            { roles: ['buyer', 'seller'] },
            { tags: ['choir', 'new one'] },
            { fields: { [field.id]: 'Tern' } },
            { dates: [{ kind: 'birthday', label: '', on: '--02-29' }] },
            { do_not_contact: random.chance(0.5) },
          ]),
        ),
    ],
    [
      8,
      () =>
        m.contacts.setPermission(
          ada,
          someone(),
          random.pick(['email', 'text', 'letter', 'call']),
          random.pick(['granted', 'withdrawn']),
          'by phone',
        ),
    ],
    [
      8,
      async () =>
        m.contacts.setNextTouch(
          ada,
          someone(),
          random.chance(0.7) ? new Date((await m.shared.now()).getTime() + 86_400_000) : null,
          'call back',
        ),
    ],
    [
      10,
      () =>
        m.contacts.reportActivity(ada, someone(), {
          kind: random.pick(['visit', 'saved_home', 'opened', 'call']),
          text: '',
          talk_seconds: random.pick([0, 200]),
        }),
    ],
    [
      6,
      () =>
        m.messages.receiveText({
          eventId: `e${random.int(1, 1e9)}`,
          from: `+1564555${1000 + random.int(0, made)}`,
          to: '',
          body: random.pick(['yes', 'Tuesday', 'STOP']),
          at: new Date(),
        }),
    ],
    [
      6,
      () =>
        m.messages.sendMessage(ada, someone(), {
          channel: random.pick(['email', 'text']),
          text: 'Hello',
          both: random.chance(0.3),
        }),
    ],
    [3, () => m.duplicates.joinHousehold(ada, someone(), someone())],
    [2, () => m.duplicates.leaveHousehold(ada, someone())],
    [
      6,
      async () => {
        const { id } = await m.changes.createChange(ada, { selection: { ids: some() }, change: change() });
        await m.changes.performChange(id);
        changes.push(id);
      },
    ],
    [
      5,
      async () => {
        const id = changes.length ? changes.splice(random.int(0, changes.length - 1), 1)[0]! : null;
        if (!id) return;
        await m.changes.undoChange(ada, id);
        await m.changes.performUndo(id);
      },
    ],
    [2, async () => merges.push((await m.duplicates.mergeContacts(ada, someone(), someone(), {})).merge_id)],
    [2, async () => merges.length && m.duplicates.undoMerge(ada, merges.pop()!)],
    [
      1,
      async () => {
        const rows = Array.from({ length: 8 }, () => random.int(0, made + 5)).map((n) => `P${n},Query,p${n}@x.example,choir,yes`);
        const file = new Response(`First,Last,Email,Tags,OK to email?\n${rows.join('\n')}\n`);
        const { id } = await m.imports.createImport(ada, 'some.csv', file.body);
        await m.importing.scanImport(id);
        await m.imports.startImport(ada, id);
        await m.importing.performImport(id);
        imports.push(id);
        for (const { contact_id } of await it.db.rows<{ contact_id: string }>(
          `select distinct contact_id from import_rows where import_id = $1 and outcome = 'made'`,
          [id],
        ))
          ids.push(String(contact_id));
      },
    ],
    [
      1,
      async () => {
        const id = imports.pop();
        if (!id) return;
        await m.imports.undoImport(ada, id);
        await m.importing.performImportUndo(id);
      },
    ],
    [2, () => it.settle()],
    [1, async () => it.setClock(new Date((await m.shared.now()).getTime() + random.int(1, 9) * 3_600_000))],
  ];
  const total = operations.reduce((sum, [weight]) => sum + weight, 0);
  const drawn = (): number => {
    let at = random.next() * total;
    return operations.findIndex(([weight]) => (at -= weight) < 0);
  };
  const succeeded = operations.map(() => 0);

  for (let n = 0; n < 20; n += 1) await arrive();
  let refused = 0;
  for (let n = 1; n <= OPERATIONS; n += 1) {
    const which = drawn();
    try {
      await operations[which]![1]();
      succeeded[which]! += 1;
    } catch (error) {
      if (!(error instanceof AppError && REFUSALS.includes(error.code))) throw error;
      refused += 1;
    }
    if (n % CHECKED_EVERY === 0) expect([n, await it.verified()]).toEqual([n, []]);
  }
  expect(refused).toBeLessThan(OPERATIONS / 2);
  /* Each kind of operation was really done. */
  expect(succeeded.filter((times) => times === 0)).toEqual([]);
}, 600_000);
