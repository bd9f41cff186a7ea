/** What can be done to many contacts at once, and the words for it. Each kind can be undone as long as nobody changed the same thing since. */
import { CHANNELS, type Channel, type ContactRole } from '../contacts';
import { listed } from '../shared';

/** What is done to many contacts at once. */
export type BulkAction =
  | { kind: 'tags'; add: string[]; remove: string[] }
  /** A tag is deleted; another may take its place. */
  | { kind: 'tag_gone'; tag_id: string; replace_by: string | null }
  /** A stage is taken away; its people go to another. */
  | { kind: 'stage_gone'; stage: string; replace_by: string }
  | { kind: 'horizon_gone'; horizon: string; replace_by: string | null }
  /** A field is taken away with what was written in it. */
  | { kind: 'field_gone'; field_id: string }
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
export const isDeletion = (kind: string): boolean => kind.endsWith('_gone');

/** Why somebody of the selection stays as they are, in words after a number. */
export const LEFT_ALONE = {
  so_already: 'are so already',
  no_address: 'have no such address',
  said_stop: 'said stop themselves, which only they take back',
  tried_already: 'were tried already, so they are not new',
  in_already: 'are in it already',
  other_campaign: 'are in another campaign of its group',
  not_on: 'wait until the campaign is switched on',
  not_yours: 'belong to others than whose own campaign it is',
  worked_with: 'are past the stages that campaigns follow up',
  do_not_contact: 'are not to be contacted',
  opted_out: 'opted out; only they can opt back in',
  gone: 'were deleted in the meantime',
  changed_since: 'were changed since',
  went_on: 'went on since',
} as const;
/** Why a bulk action leaves a contact as it is. */
export type LeftAlone = keyof typeof LEFT_ALONE;

/** The names a sentence needs: of tags, stages, people, fields, campaigns. */
export type ChangeNames = (of: 'tag' | 'stage' | 'horizon' | 'person' | 'roster' | 'field' | 'campaign', value: string) => string;

const shown = (value: unknown): string =>
  Array.isArray(value) ? listed(value.map(String)) : value === true ? 'yes' : value === false ? 'no' : String(value);

/** What is done, as it follows “214 people”: `get the tag choir`. */
export function describeBulkAction(change: BulkAction, name: ChangeNames): string {
  switch (change.kind) {
    case 'tags': {
      const tags = (ids: string[]) => `the ${ids.length === 1 ? 'tag' : 'tags'} ${listed(ids.map((id) => name('tag', id)))}`;
      return listed([
        ...(change.add.length ? [`get ${tags(change.add)}`] : []),
        ...(change.remove.length ? [`lose ${tags(change.remove)}`] : []),
      ]);
    }
    case 'tag_gone':
      return change.replace_by
        ? `get ${name('tag', change.replace_by)} instead of the tag ${name('tag', change.tag_id)}`
        : `lose the tag ${name('tag', change.tag_id)}, which is deleted`;
    case 'stage_gone':
      return `move to ${name('stage', change.replace_by)} from the stage ${name('stage', change.stage)}, which is removed`;
    case 'horizon_gone':
      return change.replace_by
        ? `get the horizon ${name('horizon', change.replace_by)} instead of ${name('horizon', change.horizon)}, which is removed`
        : `lose the horizon ${name('horizon', change.horizon)}, which is removed`;
    case 'field_gone':
      return `lose the field “${name('field', change.field_id)}”, which is deleted`;
    case 'stage':
      return change.stage === 'archived'
        ? `are archived: ${change.archived_because ?? ''}`
        : `move to ${name('stage', change.stage)}`;
    case 'horizon':
      return change.horizon ? `get the horizon ${name('horizon', change.horizon)}` : 'lose their horizon';
    case 'roles':
      return listed([
        ...(change.add.length ? [`become ${listed(change.add)}`] : []),
        ...(change.remove.length ? [`are no longer ${listed(change.remove)}`] : []),
      ]);
    case 'owner':
      return `are handed to ${name('person', change.owner_id)}`;
    case 'hand_on':
      return change.roster_id ? `are handed to ${name('roster', change.roster_id)}, in turn` : 'are handed on by the ladder';
    case 'field':
      return change.value === null || change.value === ''
        ? `lose “${name('field', change.field_id)}”`
        : `get “${name('field', change.field_id)}”: ${shown(change.value)}`;
    case 'permission':
      return `are marked as having said ${change.state === 'granted' ? 'yes' : 'no'} to ${CHANNELS[change.channel].plural}`;
    case 'campaign':
      return `go into the campaign “${name('campaign', change.campaign_id)}”`;
    case 'call_list':
      return `get a call task${change.note ? `: ${change.note}` : ''}`;
    case 'delete':
      return 'are deleted';
  }
}

const people = (n: number): string => (n === 1 ? '1 person' : `${n.toLocaleString('en-US')} people`);

/** One sentence before anything happens: how many, what, and who stays as they are and why. */
export function previewSentence(deed: string, willChange: number, leftAlone: Partial<Record<LeftAlone, number>>): string {
  const rest = restOf(leftAlone);
  return `${willChange === 0 ? 'Nobody' : people(willChange)} ${willChange === 1 || willChange === 0 ? singular(deed) : deed}${rest ? `; ${rest}` : ''}.`;
}

/** `12 are so already, 3 were changed since`, the largest first; empty when nobody is left alone. */
export function restOf(leftAlone: Partial<Record<LeftAlone, number>>): string {
  const parts = (Object.entries(leftAlone) as [LeftAlone, number][]).filter(([, n]) => n > 0).sort((a, b) => b[1] - a[1]);
  return parts
    .map(([why, n]) => `${n.toLocaleString('en-US')} ${n === 1 ? singular(LEFT_ALONE[why]) : LEFT_ALONE[why]}`)
    .join(', ');
}

const SINGULAR: [RegExp, string][] = [
  [/^are /, 'is '],
  [/^have /, 'has '],
  [/^were /, 'was '],
  [/^get /, 'gets '],
  [/^lose /, 'loses '],
  [/^move /, 'moves '],
  [/^become /, 'becomes '],
  [/^go /, 'goes '],
];
/** What is done second, as `deedOf` joins it. */
const SECOND: [RegExp, string][] = [
  [/ and lose (the tags? )/, ' and loses $1'],
  [/ and are no longer /, ' and is no longer '],
];
const singular = (words: string): string =>
  [...SINGULAR, ...SECOND].reduce((text, [many, one]) => text.replace(many, one), words);
