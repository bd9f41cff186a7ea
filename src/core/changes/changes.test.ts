/** What is done to many, in words: one or many of them, whoever stays as they are, and what is taken at the door. */
import { refusedSentence } from '../contacts';
import { CHANGE_STATES, describeBulkAction, isDeletion, previewSentence, type BulkAction } from '.';
import { changeSchema, selectionSchema } from './schemas';

const name = (_: string, value: string) => ({ '1': 'choir', '2': 'harbour' })[value] ?? value;
const say = (change: BulkAction, n = 214) => previewSentence(describeBulkAction(change, name), n, {});

test.each<[BulkAction, string, string]>([
  [{ kind: 'tags', add: ['1'], remove: [] }, '214 people get the tag choir.', '1 person gets the tag choir.'],
  [
    { kind: 'tags', add: ['1'], remove: ['2'] },
    '214 people get the tag choir and lose the tag harbour.',
    '1 person gets the tag choir and loses the tag harbour.',
  ],
  [
    { kind: 'tags', add: [], remove: ['1', '2'] },
    '214 people lose the tags choir and harbour.',
    '1 person loses the tags choir and harbour.',
  ],
  [
    { kind: 'roles', add: ['buyer'], remove: ['renter'] },
    '214 people become buyer and are no longer renter.',
    '1 person becomes buyer and is no longer renter.',
  ],
  [{ kind: 'stage', stage: 'Client' }, '214 people move to Client.', '1 person moves to Client.'],
  [
    { kind: 'stage', stage: 'archived', archived_because: 'moved away' },
    '214 people are archived: moved away.',
    '1 person is archived: moved away.',
  ],
  [{ kind: 'horizon', horizon: null }, '214 people lose their horizon.', '1 person loses their horizon.'],
  [{ kind: 'owner', owner_id: 'Ines' }, '214 people are handed to Ines.', '1 person is handed to Ines.'],
  [{ kind: 'hand_on', roster_id: null }, '214 people are reassigned by the ladder.', '1 person is reassigned by the ladder.'],
  [
    { kind: 'field', field_id: 'Boat', value: ['Sail', 'Motor'] },
    '214 people get “Boat”: Sail and Motor.',
    '1 person gets “Boat”: Sail and Motor.',
  ],
  [{ kind: 'field', field_id: 'Boat', value: false }, '214 people get “Boat”: no.', '1 person gets “Boat”: no.'],
  [{ kind: 'field', field_id: 'Boat', value: '' }, '214 people lose “Boat”.', '1 person loses “Boat”.'],
  [
    { kind: 'permission', channel: 'text', state: 'withdrawn', evidence: '' },
    '214 people are marked as having said no to texts.',
    '1 person is marked as having said no to texts.',
  ],
  [
    { kind: 'campaign', campaign_id: 'Spring' },
    '214 people are added to the campaign “Spring”.',
    '1 person is added to the campaign “Spring”.',
  ],
  [{ kind: 'call_list', note: 'ask' }, '214 people get a call task: ask.', '1 person gets a call task: ask.'],
  [{ kind: 'delete' }, '214 people are deleted.', '1 person is deleted.'],
  [
    { kind: 'delete_tag', tag_id: '1', replace_by: '2' },
    '214 people get harbour instead of the tag choir.',
    '1 person gets harbour instead of the tag choir.',
  ],
  [
    { kind: 'delete_stage', stage: 'Warm', replace_by: 'New' },
    '214 people move to New from the stage Warm, which is removed.',
    '1 person moves to New from the stage Warm, which is removed.',
  ],
])('%j', (change, many, one) => {
  expect(say(change)).toBe(many);
  expect(say(change, 1)).toBe(one);
  expect(say(change, 0)).toBe(one.replace('1 person', 'Nobody'));
  expect(isDeletion(change.kind)).toBe(/^delete_/.test(change.kind));
});

test('who stays as they are is told after it, most first, and not at all when there is nobody', () => {
  expect(previewSentence('are deleted', 12_000, { so_already: 1, changed_since: 1_200, gone: 0 })).toBe(
    '12,000 people are deleted; 1,200 have changed since, 1 needs no change.',
  );
  expect(refusedSentence({ gone: 0 })).toBe('');
  expect(CHANGE_STATES).toContain('undone');
});

test('a change is one of those there are, with all that it needs', () => {
  const wrong = (change: object) => changeSchema.validate(change).error;
  expect(wrong({ kind: 'tags', add: ['1'] })).toBeUndefined();
  for (const bad of [
    { kind: 'explode' },
    { kind: 'owner' },
    { kind: 'owner', owner_id: '1 or 1=1' },
    { kind: 'permission', channel: 'smoke', state: 'granted' },
    { kind: 'permission', channel: 'text', state: 'unknown' },
    { kind: 'delete', really: true },
    { kind: 'delete_tag', tag_id: '1', replace_by: null },
  ])
    expect(wrong(bad)).toBeDefined();
  expect(selectionSchema.validate({ ids: ['1'], question: {} }).error).toBeDefined();
  expect(selectionSchema.validate({ question: { stage: 'new' } }).value).toEqual({ question: { stage: 'new' }, except: [] });
});
