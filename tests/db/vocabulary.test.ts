/** An account's own words: stages and horizons made, used and taken away with where their people go; fields put out of sight and brought back. */
import { storedNames } from '../../migrations/0032_stored_names';
import { appForEach } from '../harness/each';

const app = appForEach();
const ada = () => app().as('Ada');
const lead = async (n: number): Promise<string> =>
  (
    await app().arrives({
      first_name: 'Oda',
      last_name: `Brandvold${n}`,
      emails: [`oda${n}@x.example`],
      phones: [`56455510${n}0`],
    })
  ).contact.id;
const patch = (id: string, body: object) => app().m.contacts.updateContact(ada(), id, body);
const sound = async () => expect(await app().verified()).toEqual([]);

test('a stage of one’s own counts as its step: it is followed up, moves on by itself, and is read and written by its name', async () => {
  const { vocabulary, contacts, imports } = app().m;
  const made = await vocabulary.createStage(ada(), { name: ' Looking  around ', meaning: 'Sees houses', counts_as: 'reaching' });
  expect(made.map(({ name }) => name)).toEqual([
    'New',
    'Reaching',
    'Looking around',
    'Talking',
    'Client',
    'Under contract',
    'Past client',
    'Sphere',
    'Archived',
  ]);
  const own = made[2]!;
  expect(own).toMatchObject({ counts_as: 'reaching', removable: true, people: 0 });
  await expect(vocabulary.createStage(ada(), { name: 'looking around', meaning: '', counts_as: 'sphere' })).rejects.toMatchObject(
    {
      code: 'input_invalid',
    },
  );
  const id = await lead(1);
  expect((await patch(id, { stage: own.key })).stage).toEqual({ key: own.key, name: 'Looking around' });
  await expect(patch(id, { stage: 'reaching.999' })).rejects.toMatchObject({ code: 'input_invalid' });
  expect(await app().m.campaigns.listEnrollments(app().scope, id)).toMatchObject([{ state: 'active' }]);
  expect((await contacts.listTimeline(app().scope, id, 1)).items[0]!.text).toBe('New → Looking around');
  expect((await imports.importWords('1')).stages.map(({ name }) => name)).toContain('Looking around');
  await app().m.messages.receiveText({
    eventId: 'e1',
    from: '+15645551010',
    to: '',
    body: 'Tuesday suits us',
    at: new Date(),
  });
  expect((await contacts.findContact(app().scope, id)).stage.key).toBe('talking');
  await sound();
});

test('removing a stage moves its people to another, in the background; undoing it brings both back, except whom somebody moved since', async () => {
  const { vocabulary, changes, segments } = app().m;
  const own = (await vocabulary.createStage(ada(), { name: 'Viewing', meaning: '', counts_as: 'talking' })).find(
    ({ name }) => name === 'Viewing',
  )!;
  const ids = [await lead(1), await lead(2), await lead(3)];
  for (const id of ids) await patch(id, { stage: own.key });
  const saved = await segments.createSegment(ada(), {
    name: 'Those who view',
    tree: { all: [{ on: 'stage', how: 'any', of: [own.key] }] },
    team: false,
  });
  const { id } = await changes.deleteStage(ada(), own.key, 'talking');
  expect((await vocabulary.listStages('1')).map(({ key }) => key)).not.toContain(own.key);
  expect((await segments.findSegment(app().scopeOf('Ada'), saved.id)).broken).toBe(true);
  await changes.performChange(id);
  expect(await changes.findChange(ada(), id)).toMatchObject({
    state: 'done',
    changed: 3,
    sentence: 'Move to Talking from the stage Viewing, which is removed',
  });
  expect((await app().contact(ids[0]!)).stage.key).toBe('talking');
  await patch(ids[2]!, { stage: 'client' });
  await vocabulary.createStage(ada(), { name: 'viewing', meaning: '', counts_as: 'talking' });
  await changes.undoChange(ada(), id);
  await changes.performUndo(id);
  expect(await changes.findChange(ada(), id)).toMatchObject({
    state: 'undone',
    undone: 2,
    undo_left_alone: { changed_since: 1 },
  });
  expect((await vocabulary.listStages('1')).find(({ key }) => key === own.key)).toMatchObject({ name: 'Viewing (2)', people: 2 });
  expect((await segments.findSegment(app().scopeOf('Ada'), saved.id)).broken).toBe(false);
  await sound();
});

test('stages that people move to by themselves stay; nobody is moved to New or Archived in passing', async () => {
  const { changes } = app().m;
  for (const key of ['new', 'reaching', 'talking', 'client', 'archived'])
    await expect(changes.deleteStage(ada(), key, 'sphere')).rejects.toMatchObject({ code: 'conflict' });
  for (const to of ['new', 'archived', 'sphere'])
    await expect(changes.deleteStage(ada(), 'sphere', to)).rejects.toMatchObject({ code: 'input_invalid' });
  await expect(changes.deleteStage(ada(), 'sphere', 'nowhere')).rejects.toMatchObject({ code: 'not_found' });
  await expect(changes.deleteStage(ada(), 'nowhere', 'talking')).rejects.toMatchObject({ code: 'not_found' });
});

test('a horizon of one’s own has its rhythm; taking it away gives its people another or none, with their next touch', async () => {
  const { vocabulary, changes } = app().m;
  const made = await vocabulary.createHorizon(ada(), { name: 'This month', meaning: 'Soon', rhythm_days: 5, strokes: 3 });
  expect(made.map(({ name }) => name)).toEqual(['Hot', 'This month', 'Warm', 'Nurture', 'Someday']);
  const own = made[1]!.key;
  const [one, other] = [await lead(1), await lead(2)];
  await patch(one, { horizon: own });
  await patch(other, { horizon: own });
  const days = async (id: string) => {
    const contact = await app().contact(id);
    return contact.next_touch && Math.round((contact.next_touch.at.getTime() - contact.created_at.getTime()) / 86_400_000);
  };
  expect(await days(one)).toBe(5);
  await vocabulary.updateHorizon(ada(), own, { rhythm_days: 6 });
  expect(await days(one)).toBe(6);
  const gone = await changes.deleteHorizon(ada(), own, 'warm');
  await changes.performChange(gone.id);
  expect([await days(one), (await app().contact(one)).horizon]).toEqual([10, 'warm']);
  await patch(other, { horizon: 'hot' });
  await changes.undoChange(ada(), gone.id);
  await changes.performUndo(gone.id);
  expect([await days(one), await days(other)]).toEqual([6, 2]);
  const none = await changes.deleteHorizon(ada(), own, null);
  await changes.performChange(none.id);
  expect((await app().contact(one)).next_touch).toBeNull();
  for (const key of ['hot', 'nurture', 'someday']) await changes.deleteHorizon(ada(), key, 'warm');
  await expect(changes.deleteHorizon(ada(), 'warm', null)).rejects.toMatchObject({ code: 'conflict' });
  await sound();
});

test('what was deleted when it was stored under an earlier name comes back as well', async () => {
  const { changes } = app().m;
  await patch(await lead(1), { horizon: 'hot' });
  const { id } = await changes.deleteHorizon(ada(), 'hot', 'warm');
  await changes.performChange(id);
  await app().db.run(
    `update changes set kind = 'horizon_gone', spec = jsonb_set(spec - 'description', '{change,kind}', '"horizon_gone"') || jsonb_build_object('deed', spec->'description')`,
  );
  for (let n = 0; n < 2; n += 1) await storedNames.up((sql) => app().db.run(sql));
  await changes.undoChange(ada(), id);
  await changes.performUndo(id);
  expect(await changes.findChange(ada(), id)).toMatchObject({ state: 'undone', undone: 1 });
  await sound();
});

test('a deleted field is out of sight with what is written in it, gives its name free, and comes back with everything', async () => {
  const { vocabulary, changes } = app().m;
  const field = await vocabulary.createField(ada(), { name: 'Boat', kind: 'text', choices: [] });
  const id = await lead(1);
  await patch(id, { fields: { [field.id]: 'Tern' } });
  const gone = await changes.deleteField(ada(), field.id);
  expect(gone).toMatchObject({ state: 'done', changed: 1, can_undo: true, sentence: 'Lose the field “Boat”, which is deleted' });
  expect((await app().contact(id)).fields).toEqual({});
  expect(await vocabulary.listFieldsWithUses('1')).toEqual([]);
  await expect(patch(id, { fields: { [field.id]: 'Gull' } })).rejects.toMatchObject({ code: 'not_found' });
  await vocabulary.createField(ada(), { name: 'Boat', kind: 'number', choices: [] });
  expect(await changes.undoChange(ada(), gone.id)).toMatchObject({ state: 'undone', undone: 1 });
  expect((await app().contact(id)).fields).toEqual({ [field.id]: 'Tern' });
  expect((await vocabulary.listFieldsWithUses('1')).map(({ name }) => name).sort()).toEqual(['Boat', 'Boat (2)']);
});
