/**
 * Merge fields in the words of a message. A field without a value never leaves a hole: the plain version goes instead.
 * Values are inserted as given and once: a name that looks like a template is not a template. `first_names` are those of the
 * household together, for a letter that is written to both.
 */
import type { Words } from '../campaigns';

export const MERGE_FIELDS = [
  'first_name',
  'first_names',
  'last_name',
  'town',
  'agent_name',
  'agent_first_name',
  'agent_phone',
  'brokerage',
] as const;
export type MergeField = (typeof MERGE_FIELDS)[number];
/** `field.boat` is the account's own field “Boat”, in any case of letters. */
export type MergeFields = Partial<Record<MergeField | `field.${string}`, string | null>>;

/** Of whom and for whom a message speaks. */
export interface MergeOf {
  firstName: string;
  /** Those of the household together. */
  firstNames: string;
  lastName: string;
  town: string | null;
  /** Nobody of ours is responsible yet: the brokerage speaks. */
  agent: { firstName: string; name: string; phone: string } | null;
  brokerage: string;
}
export const mergeFields = ({ firstName, firstNames, lastName, town, agent, brokerage }: MergeOf): MergeFields => ({
  first_name: firstName,
  first_names: firstNames,
  last_name: lastName,
  town,
  agent_first_name: agent?.firstName ?? brokerage,
  agent_name: agent?.name ?? brokerage,
  agent_phone: agent?.phone ?? '',
  brokerage,
});

const FIELD = /\{\{\s*([a-z_]+|field\.[^{}]+?)\s*\}\}/g;
const OWN = 'field.';
/** The name under which a field's value is kept. */
export const ownField = (name: string): `field.${string}` => `${OWN}${name.trim().toLowerCase()}`;
const keyOf = (name: string): string => (name.startsWith(OWN) ? ownField(name.slice(OWN.length)) : name);

/** The merge fields that a text uses. */
export const fieldsIn = (text: string): string[] => [...text.matchAll(FIELD)].map((match) => keyOf(match[1]!));

const fill = (text: string, fields: MergeFields): string =>
  text.replace(FIELD, (_, name: string) => (fields as Record<string, string | null | undefined>)[keyOf(name)]?.trim() ?? '');
const complete = (text: string, fields: MergeFields): boolean =>
  fieldsIn(text).every((name) => (fields as Record<string, string | null | undefined>)[name]?.trim());

/** The words with their fields filled in; the plain version when a field of the text or subject has no value. */
export function fillWords(words: Words, fields: MergeFields): { subject: string | null; text: string; usedPlain: boolean } {
  const subject = words.subject ?? null;
  const usedPlain = !complete(words.text, fields) || (subject !== null && !complete(subject, fields));
  return {
    subject: subject === null ? null : fill(subject, fields),
    text: fill(usedPlain ? words.plain : words.text, fields),
    usedPlain,
  };
}
