/**
 * Merge fields and conditions in the words of a message, in Liquid: `{{ first_name }}`, `{{ city | default: "the coast" }}`,
 * `{% if team %}we{% else %}I{% endif %}`. A field without a value and without a default never leaves a hole: the plain version
 * goes instead. Values are inserted as given and once: a name that looks like a template is not a template.
 */
import { formatNumber } from '../format';
import { Liquid, type Template } from 'liquidjs';
import { columnsFor, type MergedColumn } from '../columns';
import { htmlOfDoc, inert } from './mail-doc';
import { plainLiquid, walkPlain, type PlainLiquid } from './plain-liquid';
import { chooseVariant, FIRST_PICK, seededPick, type Pick } from './variants';
import type { Words } from './words';

/** What no column of contacts is: of the household, whoever writes, and the home that was asked about. */
const OTHER_FIELDS = {
  first_names: 'Oda and Jago',
  agent_name: 'Asta Lund',
  agent_first_name: 'Asta',
  agent_phone: '(564) 555-0101',
  agent_email: 'asta@tern.example',
  agent_signature: 'Asta Lund\nTern & Tiller Realty, (564) 555-0101',
  brokerage: 'Tern & Tiller Realty',
  office: 'Quillhaven',
  listing_address: '22 Kelp Street',
  listing_city: 'Petrel Point',
  listing_price: '$412,000',
  listing_beds: '3',
} as const;
/** A field that words may be filled in with. */
export type MergeField = MergedColumn | keyof typeof OTHER_FIELDS;
/** What may be merged in, with an example that is as long as such values are. `first_names` are those of the household together. */
export const MERGE_FIELDS = {
  ...Object.fromEntries(columnsFor('merge').map(([key, { merge }]) => [key, merge])),
  ...OTHER_FIELDS,
} as Record<MergeField, string>;
export const MERGE_FIELD_NAMES = Object.keys(MERGE_FIELDS) as MergeField[];
/** What conditions ask beside the fields: whether several agents work here, so that one wording says I or we. */
export const CONDITION_NAMES = ['team'] as const;
/** `field.boat` is the account's own field “Boat”, in any case of letters. */
export type MergeFields = Partial<Record<MergeField | 'team' | `field.${string}`, string | null>>;

/** What every contact has: somebody answers for them. */
export const ALWAYS_KNOWN: readonly MergeField[] = [
  'agent_first_name',
  'agent_name',
  'agent_phone',
  'agent_email',
  'agent_signature',
  'brokerage',
];

/** Of whom and for whom a message speaks. */
export interface MergeOf {
  firstName: string;
  /** Those of the household together. */
  firstNames: string;
  lastName: string;
  town: string | null;
  street?: string | null;
  /** Nobody of ours is responsible yet: the brokerage speaks. */
  agent: { firstName: string; name: string; phone: string; email?: string | null; signature?: string | null } | null;
  brokerage: string;
  office?: string | null;
  /** Several agents work here. */
  team?: boolean;
  /** The home about which they asked last. */
  listing?: { address?: string | null; town?: string | null; price?: number | null; beds?: number | null } | null;
}
export const mergeFields = (of: MergeOf): Record<MergeField | 'team', string | null> => ({
  first_name: of.firstName,
  first_names: of.firstNames,
  last_name: of.lastName,
  city: of.town,
  street: of.street ?? null,
  ...agentFields(of),
  brokerage: of.brokerage,
  office: of.office ?? of.brokerage,
  team: of.team ? 'yes' : null,
  listing_address: of.listing?.address ?? null,
  listing_city: of.listing?.town ?? null,
  listing_price: of.listing?.price ? `$${formatNumber(Math.round(of.listing.price))}` : null,
  listing_beds: of.listing?.beds ? String(of.listing.beds) : null,
});
/** Without an agent the brokerage speaks. */
const agentFields = ({ agent, brokerage }: MergeOf) => ({
  agent_first_name: agent?.firstName ?? brokerage,
  agent_name: agent?.name ?? brokerage,
  agent_phone: agent?.phone ?? '',
  agent_email: agent?.email ?? '',
  agent_signature: agent?.signature?.trim() || signatureOf(agent, brokerage),
});

/** How whoever wrote no signature of their own signs. */
const signatureOf = (agent: MergeOf['agent'], brokerage: string): string =>
  agent ? [agent.name, [brokerage, agent.phone].filter(Boolean).join(', ')].join('\n') : brokerage;

/** What fields were called before; words that were written then go on saying the same. */
export const FORMER_NAMES: Partial<Record<string, MergeField>> = { town: 'city', listing_town: 'listing_city' };

const OWN = 'field.';
/** The name under which a field's value is kept. */
export const ownField = (name: string): `field.${string}` => `${OWN}${name.trim().toLowerCase()}`;

/** What stands between the braces of a field or a condition. */
const TAG = /\{\{-?([^{}]*?)-?\}\}|\{%-?([^{}]*?)-?%\}/g;
const OWN_IN_FIELD = /^(\s*)field\.([^|}\s]+(?:\s+[^|}\s]+)*)(\s*)(\||$)/i;
const OWN_IN_TAG = /\bfield\.([\p{L}\p{N}_-]+)/giu;

/** Own fields are called by their names, which may have spaces; Liquid is given them as keys. */
const liquidOf = (source: string): string =>
  source.includes(OWN)
    ? source.replace(TAG, (whole, field?: string, tag?: string) => {
        if (field !== undefined) {
          const own = OWN_IN_FIELD.exec(field);
          return own
            ? `{{${own[1]}field[${JSON.stringify(own[2]!.trim().toLowerCase())}]${own[3]}${field.slice(own[0].length - own[4]!.length)}}}`
            : whole;
        }
        return `{%${tag!.replace(OWN_IN_TAG, (_, name: string) => `field[${JSON.stringify(name.toLowerCase())}]`)}%}`;
      })
    : source;

const WORDS_OF_LIQUID = new Set(
  'if elsif else endif unless endunless case when endcase comment endcomment and or not contains true false nil null empty blank'.split(
    ' ',
  ),
);
/** The merge fields and conditions that a text uses, each as often as it does. */
export function fieldsIn(text: string): string[] {
  const found: string[] = [];
  for (const [, field, tag] of text.matchAll(TAG)) {
    if (field !== undefined) {
      const own = OWN_IN_FIELD.exec(field);
      const name = own ? ownField(own[2]!) : field.split('|')[0]!.trim();
      if (name && !/^["'\d]/.test(name)) found.push(name);
      continue;
    }
    const bare = tag!.replace(/"[^"]*"|'[^']*'/g, ' ').replace(/\|.*$/s, '');
    for (const [word] of bare.matchAll(/field\.[\p{L}\p{N}_-]+|[\p{L}_][\p{L}\p{N}_.]*/giu))
      if (!WORDS_OF_LIQUID.has(word.toLowerCase())) found.push(word.startsWith(OWN) ? ownField(word.slice(OWN.length)) : word);
  }
  return found;
}

const engineFor = (escape: boolean): Liquid => {
  const engine = new Liquid({
    strictVariables: true,
    strictFilters: true,
    lenientIf: true,
    ownPropertyOnly: true,
    outputEscape: escape ? (value) => inertLines(String(value)) : undefined,
    parseLimit: 100_000,
    renderLimit: 200,
    memoryLimit: 2_000_000,
  });
  /* Words decide and insert; they neither repeat nor read other files. */
  for (const tag of [
    'for',
    'tablerow',
    'include',
    'render',
    'layout',
    'block',
    'assign',
    'capture',
    'increment',
    'decrement',
    'cycle',
  ])
    delete engine.tags[tag];
  return engine;
};
type Kind = 'text' | 'html';
const engines: Partial<Record<Kind, Liquid>> = {};
const engineOf = (kind: Kind): Liquid => (engines[kind] ??= engineFor(kind === 'html'));

const MOST_KEPT = 4_000;
const parsed: Record<Kind, Map<string, Template[]>> = { text: new Map(), html: new Map() };
const plainOnes = new Map<string, PlainLiquid | null>();
function plainOf(source: string): PlainLiquid | null {
  const known = plainOnes.get(source);
  if (known !== undefined) return known;
  const plain = plainLiquid(liquidOf(source));
  if (plainOnes.size >= MOST_KEPT) plainOnes.clear();
  plainOnes.set(source, plain);
  return plain;
}
/** @throws what Liquid says of words that it cannot read */
function templateOf(source: string, kind: Kind): Template[] {
  const known = parsed[kind].get(source);
  if (known) return known;
  const template = engineOf(kind).parse(liquidOf(source));
  if (parsed[kind].size >= MOST_KEPT) parsed[kind].clear();
  parsed[kind].set(source, template);
  return template;
}

/** What is wrong with the fields and conditions of a text, in Liquid's words; null when nothing is. */
export function syntaxError(source: string): { message: string; at: number } | null {
  try {
    templateOf(source, 'text');
    return null;
  } catch (error) {
    const { message, token } = error as Error & { token?: { begin?: number } };
    return { message: message.replace(/, line:.*$/s, ''), at: token?.begin ?? 0 };
  }
}

/** A field's value; what is empty is not there, and what every object has is no field. */
const valueIn = (fields: MergeFields, name: string): string | undefined => {
  const now = (Object.hasOwn(FORMER_NAMES, name) && FORMER_NAMES[name]) || name;
  const value: unknown = Object.hasOwn(fields, now) ? (fields as Record<string, unknown>)[now] : undefined;
  return typeof value === 'string' ? value.trim() || undefined : undefined;
};

const scopes = new WeakMap<MergeFields, Record<string, unknown>>();
/** The values as Liquid looks them up. What is empty is not there. */
function scopeOf(fields: MergeFields): Record<string, unknown> {
  const known = scopes.get(fields);
  if (known) return known;
  const scope: Record<string, unknown> = Object.create(null) as Record<string, unknown>;
  const own: Record<string, string> = {};
  for (const name of [...Object.keys(fields), ...Object.keys(FORMER_NAMES)]) {
    const value = valueIn(fields, name);
    if (!value) continue;
    if (name.startsWith(OWN)) own[name.slice(OWN.length)] = value;
    else scope[name] = value;
  }
  scope.field = own;
  scopes.set(fields, scope);
  return scope;
}

/** The words with their fields filled in; null when one has no value and no default. @throws when they cannot be read */
export function renderWords(source: string, fields: MergeFields, kind: Kind = 'text'): string | null {
  if (!source.includes('{')) return source;
  const plain = plainOf(source);
  if (plain) {
    const valueOf = (name: string) => valueIn(fields, name);
    return walkPlain(plain, valueOf, kind === 'html' ? inertLines : asIs);
  }
  const template = templateOf(source, kind);
  try {
    return engineOf(kind).renderSync(template, scopeOf(fields)) as string;
  } catch (error) {
    if ((error as Error).name === 'UndefinedVariableError' || /undefined variable/.test((error as Error).message)) return null;
    throw error;
  }
}
/** A value has lines where it was written in lines. */
const inertLines = (value: string): string => inert(value).replaceAll('\n', '<br>');
const asIs = (value: string): string => value;
/** Words that cannot be read have no value either: the plain version goes. */
const filled = (source: string, fields: MergeFields, kind: Kind): string | null => {
  try {
    return renderWords(source, fields, kind);
  } catch {
    return null;
  }
};
/** The last resort, for a plain version that asks for something unknown in spite of the checks: its fields vanish. */
const withoutFields = (source: string): string =>
  source
    .replace(TAG, '')
    .replace(/ {2,}/g, ' ')
    .replace(/ ([,.!?])/g, '$1');

/** A message filled in for one person. */
export interface Filled {
  subject: string | null;
  text: string;
  /** The body of an e-mail of blocks, its looks at each element; null for one that was written as text. */
  html: string | null;
  usedPlain: boolean;
  /** Which variants it has: `s0:1` the second option of the first group of the subject, `t…` of the text, `p…` of the plain version. */
  picks: string[];
}

/**
 * The words with their variants chosen and their fields filled in; the plain version when a field of the text or subject has no value.
 * @param seed the same seed chooses the same variants; without one, the first of each
 */
export function fillWords(
  words: Words,
  fields: MergeFields,
  { seed, pictureUrl = (id) => `/pictures/${id}` }: { seed?: string; pictureUrl?: (id: string) => string } = {},
): Filled {
  const pick: Pick = seed === undefined ? FIRST_PICK : seededPick(seed);
  const picks: string[] = [];
  const choose = (letter: string, source: string): string => {
    const own: string[] = [];
    const chosen = chooseVariant(source, pick, own);
    for (const one of own) picks.push(letter + one);
    return chosen;
  };
  const subjectSource = words.subject === undefined ? null : choose('s', words.subject);
  const subject = subjectSource === null ? null : filled(subjectSource, fields, 'text');
  const before = picks.length;
  const text = filled(choose('t', words.text), fields, 'text');
  const html = words.doc && text !== null ? filled(chooseVariant(htmlOfDoc(words.doc, pictureUrl), pick), fields, 'html') : null;
  if (text !== null && (subject !== null || subjectSource === null)) return { subject, text, html, usedPlain: false, picks };
  picks.length = before;
  const plain = choose('p', words.plain);
  return {
    subject: subjectSource === null ? null : (subject ?? withoutFields(subjectSource)),
    text: filled(plain, fields, 'text') ?? withoutFields(plain),
    html: null,
    usedPlain: true,
    picks,
  };
}
