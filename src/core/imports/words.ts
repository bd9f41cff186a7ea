/** The words by which files say roles, stages, horizons, and yes or no. */
import { HORIZONS, STAGES, type ContactRole } from '../contacts';
import { folded, trimmed } from './cell';

const ROLE_WORDS: [RegExp, ContactRole][] = [
  [
    /^(?:buyers?|buying|purchasers?|home ?buyers?|buyer lead|comprador(?:a|es)?|kaufer(?:in)?|acheteur|1st time buyer|first time buyer)$/,
    'buyer',
  ],
  [/^(?:sellers?|selling|home ?sellers?|seller lead|vendedor(?:a|es)?|verkaufer(?:in)?|vendeur|listing lead)$/, 'seller'],
  [/^(?:renters?|tenants?|renting|lessees?|inquilin[oa]s?|mieter(?:in)?|locataire)$/, 'renter'],
  [/^(?:landlords?|lessors?|propietari[oa]|arrendador(?:a)?|vermieter(?:in)?|bailleur)$/, 'landlord'],
  [/^(?:agents?|co ?op agents?|brokers?|real estate agents?|makler(?:in)?|agente)$/, 'agent'],
  [/^(?:vendors?|contractors?|service providers?|suppliers?)$/, 'vendor'],
];

/** What a cell says of roles and stage. */
export interface RoleWords {
  roles: ContactRole[];
  stage: string | null;
  /** What is neither: it becomes tags. */
  rest: string[];
}

/** `buyer/seller`, `Past client, Buyer`, `Vendor (plumber)`. */
export function roleWords(cell: string): RoleWords {
  const read: RoleWords = { roles: [], stage: null, rest: [] };
  const asides = [...cell.matchAll(/\(([^)]+)\)/g)].map((found) => trimmed(found[1]!));
  const parts = cell
    .replace(/\([^)]*\)/g, '')
    .split(/[;,/|&+\n]|\s+(?:and|und|y|et)\s+/i)
    .map(trimmed)
    .filter(Boolean);
  for (const part of parts) {
    const word = folded(part);
    const role = ROLE_WORDS.find(([words]) => words.test(word))?.[1];
    if (role) {
      if (!read.roles.includes(role)) read.roles.push(role);
      continue;
    }
    const stage = stageWord(part);
    if (stage) read.stage ??= stage;
    else read.rest.push(part);
  }
  read.rest.push(...asides);
  return read;
}

/** Stages and horizons as an account calls them; without them a file is read by the names that everybody begins with. */
export interface AccountWords {
  stages: readonly { key: string; name: string }[];
  horizons: readonly { key: string; name: string }[];
}

/** A stage by its name or by what the trade calls it; null for a word that is none. */
export function stageWord(text: string, names: readonly { key: string; name: string }[] = STAGES): string | null {
  const word = folded(text).replace(/s$/, '');
  const own = names.find((stage) => folded(stage.name).replace(/s$/, '') === word);
  if (own) return own.name;
  const usual: [RegExp, string][] = [
    [/^(?:new lead|new|uncontacted|not contacted)$/, 'new'],
    [/^(?:attempted|attempting|attempted contact|reaching|tried)$/, 'reaching'],
    [/^(?:talking|in contact|contacted|spoke|spoken|engaged|connected)$/, 'talking'],
    [/^(?:client|active client|signed|under agreement)$/, 'client'],
    [/^(?:under contract|pending|in escrow|contract)$/, 'under_contract'],
    [/^(?:past client|closed|sold|former client|past customer)$/, 'past_client'],
    [/^(?:sphere|soi|sphere of influence|friend|family)$/, 'sphere'],
    [/^(?:archived|dead|trash|lost|inactive)$/, 'archived'],
  ];
  const key = usual.find(([words]) => words.test(word))?.[1];
  return names.find((stage) => stage.key === key)?.name ?? null;
}

/** A horizon by its name; @param horizons those of the account, else the ones everybody begins with. @returns its key */
export const horizonWord = (text: string, horizons: readonly { key: string; name: string }[] = HORIZONS): string | null => {
  const word = folded(text);
  const named = horizons.find(({ name }) => word === folded(name) || word.startsWith(`${folded(name)} `));
  const usual = /^(?:cold|long term)$/.test(word) ? horizons.find(({ key }) => key === 'someday') : null;
  return (named ?? usual)?.key ?? null;
};

const YES = new Set([
  'yes',
  'y',
  'true',
  't',
  '1',
  'x',
  'ok',
  'okay',
  '✓',
  '✔',
  '☑',
  'granted',
  'allowed',
  'opt-in',
  'opt in',
  'opted in',
  'optin',
  'opted-in',
  'subscribed',
  'si',
  'sí',
  'ja',
  'oui',
  'on',
  'checked',
  'agreed',
  'consented',
  'consent',
  'yes please',
  'active',
  'accepted',
]);
const NO = new Set([
  'no',
  'n',
  'false',
  'f',
  '0',
  'not',
  'never',
  '✗',
  '✘',
  '☐',
  'withdrawn',
  'denied',
  'refused',
  'opt-out',
  'opt out',
  'opted out',
  'optout',
  'opted-out',
  'unsubscribed',
  'nein',
  'non',
  'off',
  'unchecked',
  'stop',
  'declined',
  'do not',
  "don't",
  'blocked',
]);

/** True for yes, false for no, null for nothing said, `unclear` for anything else. */
export function yesOrNo(cell: string): boolean | null | 'unclear' {
  const word = trimmed(cell)
    .toLowerCase()
    .replace(/[.!]+$/, '');
  if (!word || ['-', '–', 'n/a', 'unknown', 'na', 'none', 'null'].includes(word)) return null;
  if (YES.has(word)) return true;
  return NO.has(word) ? false : 'unclear';
}

/** One tag of a cell: in quotes, or up to the next sign that parts them. */
const TAG_IN_CELL = /[^\S\n]*"(?:[^"]|"")+"[^\S\n]*(?=$|[;,|\n])|[^;,|\n]+/g;
/** Several tags in one cell; one in quotes may hold the signs that part them, as an export writes it. */
export const tagWords = (cell: string): string[] => [
  ...new Map(
    (cell.replace(/^'(?=[=+\-@])/, '').match(TAG_IN_CELL) ?? [])
      .map(trimmed)
      .map((tag) => (/^"[^]+"$/.test(tag) ? tag.slice(1, -1).replaceAll('""', '"') : tag.replace(/^#/, '')))
      .filter(Boolean)
      .map((tag) => [tag.toLowerCase(), tag]),
  ).values(),
];
