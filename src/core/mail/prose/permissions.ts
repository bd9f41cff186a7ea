/** What somebody says we may do, and what not: text, call, e-mail, write letters. */
import { channelOf } from '../labels';
import type { Channel } from '../../contacts';

const GRANTS =
  /\b(?:(?:are|is|am|i['’]m|they['’]re|we['’]re) (?:fine|happy|ok|okay) with|agree(?:s|d)? to|you may|feel free to|(?:they|we|i) welcome|welcome to|puede[ns]? (?:enviar|escribir|llamar)\p{L}*|(?:sie )?(?:können|dürfen) (?:mir|mich|uns)|vous pouvez|(?:può|potete|puoi) (?:scriver|chiamar|mandar)\p{L}*)(?!\p{L})/iu;
const FORBIDS = /\b(?:no|not|don['’]t|do not|never|stop|without|keine?|nicht|non|no me|sin|pas de|ne pas)\b/iu;
/** Not at all times is not never. */
const NOT_ALWAYS =
  /\b(?:before|after|until|between|on (?:week|mon|tue|wed|thu|fri|sat|sun)\p{L}*|au travail|bei der arbeit|en el trabajo|al lavoro|op het werk|at night|in the (?:morning|afternoon|evening)s?|at work)\b/iu;
/** Whoever has no telephone forbids nothing. */
const NONE = /\b(?:have|has|got|own) no\b|\b(?:don['’]?t|does(?:n['’]?t| not)|do not) have\b/iu;
const NO_MATTER = /\b(?:don['’]t mind|no problem|not a problem|no worries)\b/iu;

/** `Texting is fine`. */
const FINE = /(\p{L}+) (?:(?:is|are) (?:fine|ok|okay|alright|no problem)|(?:(?:is|are) )?welcome)\b/iu;
/** Permissions that sentences give or take, clause by clause. */
export function permissionsIn(text: string): Partial<Record<Channel, 'granted' | 'withdrawn'>> {
  const permissions: Partial<Record<Channel, 'granted' | 'withdrawn'>> = {};
  for (const clause of text.replace(/\s+/g, ' ').split(/[.;!?]\s+|,\s*|\s+but\s+/i)) {
    if (
      NONE.test(clause) ||
      NO_MATTER.test(clause) ||
      NOT_ALWAYS.test(clause) ||
      /\bwork (?:address|e-?mail|mail|number)\b/iu.test(clause)
    )
      continue;
    const fine = FINE.exec(clause);
    const channel = fine && channelOf(fine[1]!);
    if (channel && !FORBIDS.test(clause)) permissions[channel] ??= 'granted';
    const forbids = FORBIDS.exec(clause);
    const grants = GRANTS.exec(clause);
    if (!forbids && !grants) continue;
    const about = clause.slice((forbids ?? grants)!.index);
    if (forbids && about.length > 45) continue;
    for (const part of about.split(/\s+(?:and|or|und|oder|y|o)\s+|\//)) {
      const channel = channelOf(part) ?? (forbids && clause.length <= 45 ? channelOf(clause) : null);
      if (channel) permissions[channel] ??= forbids ? 'withdrawn' : 'granted';
    }
  }
  return permissions;
}
