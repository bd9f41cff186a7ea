/** Why somebody who came in was taken for a person who is known, or for a new one: what is kept with an inquiry, and its sentence. */
import { listed } from '../shared';
import type { Agreement } from './agree';
import type { Choice, Compared } from './choose';
import type { Evidence } from './compare';

/** Kept as JSON. */
export interface Matched {
  is: 'known' | 'asked' | 'sharing';
  /** Whom it is about, by the names they had then; the likeliest first, a few of many. */
  people: { id: string; name: string }[];
  evidence: Evidence[];
  names: Agreement;
}

const MOST_NAMED = 3;
/** What a choice says for itself; null for somebody whom nothing connects with anybody. @param nameOf of those who were compared */
export function matchedBy({ same, ask, sharing }: Choice, nameOf: (id: string) => string): Matched | null {
  const about = (is: Matched['is'], found: Compared[]): Matched => ({
    is,
    people: found.slice(0, MOST_NAMED).map(({ id }) => ({ id, name: nameOf(id) })),
    evidence: found[0]!.evidence,
    names: found[0]!.names,
  });
  if (same) return about('known', [same]);
  if (ask.length) return about('asked', ask);
  return sharing.length ? about('sharing', sharing) : null;
}

const WORDS: Record<Evidence, string> = {
  email: 'the same email',
  phone: 'the same phone',
  name: 'the same name',
  short_name: 'a matching name',
  home: 'the same home',
  birthday: 'the same birthday',
  mailbox: 'a similar email',
};
const OF_NAMES: Record<Agreement, string> = {
  same: '',
  open: '',
  doubtful: 'but the names don’t match',
  other: 'but the names differ',
};

/** `Matched to Harriet Osierby: the same phone and the same name.` */
export function matchSentence({ is, people, evidence, names }: Matched): string {
  const who = listed(
    people.map(({ name }) => name || 'a contact without a name'),
    'or',
  );
  const why = listed(evidence.map((one) => WORDS[one]));
  if (is === 'known') return `Matched to ${who}: ${why}.`;
  const shared = evidence.filter((one) => one === 'email' || one === 'phone').map((one) => WORDS[one].replace('the same ', ''));
  if (is === 'sharing')
    return `New contact, shares ${shared.length === 2 ? 'a phone and an email' : shared[0] === 'email' ? 'an email' : 'a phone'} with ${who.replace(' or ', ' and ')}.`;
  return `New contact, may be ${who}: ${[why, OF_NAMES[names]].filter(Boolean).join(', ')}.`;
}
