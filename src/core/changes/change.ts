/** What can be done to many contacts at once, and the words for it. Each kind can be undone as long as nobody changed the same thing since. */
import { formatNumber } from '../format';
import { CHANNELS, refusedSentence, type Channel, type ContactRole, type RefusalCounts } from '../contacts';
import { inSingular, listed } from '../shared';

/** What is done to many contacts at once. */
export type BulkAction =
  | { kind: 'tags'; add: string[]; remove: string[] }
  /** A tag is deleted; another may take its place. */
  | { kind: 'delete_tag'; tag_id: string; replace_by: string | null }
  /** A stage is taken away; its people go to another. */
  | { kind: 'delete_stage'; stage: string; replace_by: string }
  | { kind: 'delete_horizon'; horizon: string; replace_by: string | null }
  /** A field is taken away with what was written in it. */
  | { kind: 'delete_field'; field_id: string }
  | { kind: 'stage'; stage: string; archived_because?: string }
  | { kind: 'horizon'; horizon: string | null }
  | { kind: 'roles'; add: ContactRole[]; remove: ContactRole[] }
  | { kind: 'owner'; owner_id: string }
  /** To whoever is next on a roster; null asks the ladder of each. */
  | { kind: 'hand_on'; roster_id: string | null }
  | { kind: 'field'; field_id: string; value: string | number | boolean | string[] | null }
  | { kind: 'permission'; channel: Channel; state: 'granted' | 'withdrawn'; evidence: string }
  | { kind: 'campaign'; campaign_id: string }
  | { kind: 'call_list'; note: string }
  | { kind: 'delete' };
/** The kind of a bulk action. */
export type ChangeKind = BulkAction['kind'];
/** Changes that take a word of the account away; there is always something to undo about them. */
export const isDeletion = (kind: string): boolean => kind.startsWith('delete_');

/** The names a sentence needs: of tags, stages, people, fields, campaigns. */
export type ChangeNames = (of: 'tag' | 'stage' | 'horizon' | 'person' | 'roster' | 'field' | 'campaign', value: string) => string;

const shown = (value: unknown): string =>
  Array.isArray(value) ? listed(value.map(String)) : value === true ? 'yes' : value === false ? 'no' : String(value);

type Of<K extends ChangeKind> = Extract<BulkAction, { kind: K }>;
const tagsNamed = (ids: string[], name: ChangeNames): string =>
  `the ${ids.length === 1 ? 'tag' : 'tags'} ${listed(ids.map((id) => name('tag', id)))}`;
const both = (first: string | false, second: string | false): string => listed([first, second].filter((one) => one !== false));

/** What each kind does, as it follows “214 people”. */
const DEEDS: { [K in ChangeKind]: (change: Of<K>, name: ChangeNames) => string } = {
  tags: ({ add, remove }, name) =>
    both(add.length > 0 && `get ${tagsNamed(add, name)}`, remove.length > 0 && `lose ${tagsNamed(remove, name)}`),
  delete_tag: ({ tag_id, replace_by }, name) =>
    replace_by
      ? `get ${name('tag', replace_by)} instead of the tag ${name('tag', tag_id)}`
      : `lose the tag ${name('tag', tag_id)}, which is deleted`,
  delete_stage: ({ stage, replace_by }, name) =>
    `move to ${name('stage', replace_by)} from the stage ${name('stage', stage)}, which is removed`,
  delete_horizon: ({ horizon, replace_by }, name) =>
    replace_by
      ? `get the horizon ${name('horizon', replace_by)} instead of ${name('horizon', horizon)}, which is removed`
      : `lose the horizon ${name('horizon', horizon)}, which is removed`,
  delete_field: ({ field_id }, name) => `lose the field “${name('field', field_id)}”, which is deleted`,
  stage: ({ stage, archived_because }, name) =>
    stage === 'archived' ? `are archived: ${archived_because ?? ''}` : `move to ${name('stage', stage)}`,
  horizon: ({ horizon }, name) => (horizon ? `get the horizon ${name('horizon', horizon)}` : 'lose their horizon'),
  roles: ({ add, remove }) =>
    both(add.length > 0 && `become ${listed(add)}`, remove.length > 0 && `are no longer ${listed(remove)}`),
  owner: ({ owner_id }, name) => `are handed to ${name('person', owner_id)}`,
  hand_on: ({ roster_id }, name) =>
    roster_id ? `are handed to ${name('roster', roster_id)}, in turn` : 'are reassigned by the ladder',
  field: ({ field_id, value }, name) =>
    value === null || value === '' ? `lose “${name('field', field_id)}”` : `get “${name('field', field_id)}”: ${shown(value)}`,
  permission: ({ state, channel }) =>
    `are marked as having said ${state === 'granted' ? 'yes' : 'no'} to ${CHANNELS[channel].plural}`,
  campaign: ({ campaign_id }, name) => `are added to the campaign “${name('campaign', campaign_id)}”`,
  call_list: ({ note }) => `get a call task${note ? `: ${note}` : ''}`,
  delete: () => 'are deleted',
};
/** What is done, as it follows “214 people”: `get the tag choir`. */
export const describeBulkAction = (change: BulkAction, name: ChangeNames): string =>
  (DEEDS[change.kind] as (change: BulkAction, name: ChangeNames) => string)(change, name);

const people = (n: number): string => (n === 1 ? '1 person' : `${formatNumber(n)} people`);

/** One sentence before anything happens: how many, what, and who stays as they are and why. */
export function previewSentence(description: string, willChange: number, leftAlone: RefusalCounts): string {
  const rest = refusedSentence(leftAlone);
  return `${willChange === 0 ? 'Nobody' : people(willChange)} ${willChange === 1 || willChange === 0 ? singular(description) : description}${rest ? `; ${rest}` : ''}.`;
}

/** What is done second, as `describeBulkAction` joins it. */
const SECOND: [RegExp, string][] = [
  [/ and lose (the tags? )/, ' and loses $1'],
  [/ and are no longer /, ' and is no longer '],
];
const singular = (words: string): string => SECOND.reduce((text, [many, one]) => text.replace(many, one), inSingular(words));
