/** What can be done to many contacts at once, and the words for it. Each kind can be undone as long as nobody changed the same thing since. */
import { CHANNELS, refusedSentence, type Channel, type ContactRole, type RefusalCounts } from '../contacts';
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
export function previewSentence(deed: string, willChange: number, leftAlone: RefusalCounts): string {
  const rest = refusedSentence(leftAlone);
  return `${willChange === 0 ? 'Nobody' : people(willChange)} ${willChange === 1 || willChange === 0 ? singular(deed) : deed}${rest ? `; ${rest}` : ''}.`;
}

const SINGULAR: [RegExp, string][] = [
  [/^are /, 'is '],
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
