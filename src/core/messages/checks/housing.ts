/**
 * Wording that the fair-housing law forbids or that steers: 42 USC 3604(c) forbids any notice about a home that shows a preference by
 * race, color, religion, sex, disability, familial status or national origin; courts read praise of who lives somewhere, and of schools
 * and safety as code for it, the same way. The list is of phrases, and it says which class each touches and what to write instead.
 */
import { partsIn, placesOf, type Checked, type Finding } from './finding';

interface Phrase {
  pattern: RegExp;
  touches: string;
  instead: string;
}
const phrase = (pattern: RegExp, touches: string, instead: string): Phrase => ({ pattern, touches, instead });

const PHRASES: Phrase[] = [
  phrase(
    /\b(?:no (?:kids|children|babies)|adults? only|child[- ]?free|no families|empty[- ]nesters?)\b/gi,
    'families with children',
    'Describe the home: rooms, floor, size.',
  ),
  phrase(
    /\b(?:perfect|ideal|great|best|made) for (?:a )?(?:young |growing |large |small )?(?:family|families|couples?|singles?|professionals?|bachelors?|students?|retirees?|newlyweds?|seniors?)\b/gi,
    'families, age and marital status',
    'Describe the home, not who should live in it.',
  ),
  phrase(
    /\bfamily[- ](?:friendly|oriented|neighbou?rhood|community|area)\b/gi,
    'families with children',
    'Name what’s there: a playground, a park, a fence.',
  ),
  phrase(
    /\b(?:bachelor(?:ette)? pad|man cave|mother[- ]in[- ]law (?:suite|apartment)|master['’]s quarters)\b/gi,
    'sex and family',
    'Call it a studio, a den, a separate suite.',
  ),
  phrase(
    /\b(?:mature (?:person|couple|adults?|tenants?)|senior (?:only|discount|community)|retirees? only|young (?:professionals?|couples?|people))\b/gi,
    'age and families',
    'Describe the home, not who should live in it.',
  ),
  phrase(
    /\b(?:christian|catholic|protestant|jewish|muslim|hindu|mormon)(?: (?:home|family|community|neighbou?rhood|area|owned|tenants?))?\b/gi,
    'religion',
    'Leave religion out.',
  ),
  phrase(
    /\b(?:near|close to|walking distance to|next to|steps from) (?:the |a )?(?:\w+ )?(?:church|synagogue|mosque|temple|parish|shrine)(?:es|s)?\b/gi,
    'religion',
    'Give the street or the distance to downtown.',
  ),
  phrase(
    /\b(?:white|black|asian|hispanic|latino|caucasian|african[- ]american|mexican|chinese|indian|irish|italian|polish) (?:neighbou?rhood|area|community|families|buyers?|tenants?|owners?|people|section)\b/gi,
    'race and national origin',
    'Leave it out; describe the home.',
  ),
  phrase(
    /\b(?:ethnic|integrated|segregated|minority|diverse|multicultural|homogeneous|traditional) (?:neighbou?rhood|area|community)\b/gi,
    'race and national origin',
    'Leave it out; describe the home.',
  ),
  phrase(
    /\b(?:english[- ]speaking|no (?:foreigners|immigrants)|citizens? only|american[- ]born|must speak english)\b/gi,
    'national origin',
    'Leave it out.',
  ),
  phrase(
    /\b(?:able[- ]bodied|no wheelchairs?|not (?:suitable|for) (?:the )?(?:disabled|handicapped)|no (?:disabled|handicapped)|physically fit|mentally (?:fit|stable)|independent living only|must be able to (?:walk|climb))\b/gi,
    'disability',
    'Say what’s there: steps, a ramp, door widths.',
  ),
  phrase(
    /\bno (?:service|support|assistance) animals?\b/gi,
    'disability',
    'Assistance animals aren’t pets and can’t be refused.',
  ),
  phrase(/\b(?:male|female|men|women|ladies|gentlemen)(?: tenants?| renters?| buyers?)? only\b/gi, 'sex', 'Leave it out.'),
  phrase(/\b(?:no (?:section 8|vouchers?|welfare))\b/gi, 'source of income, which many places protect', 'Leave it out.'),
  phrase(
    /\b(?:safe|crime[- ]free|low[- ]crime|secure|quiet and safe) (?:neighbou?rhood|area|community|street|part of town)\b/gi,
    'steering: it is read as a word about who lives there',
    'Point to public data and let people decide.',
  ),
  phrase(
    /\b(?:good|great|excellent|best|top(?:[- ]rated)?|bad|poor) schools?\b/gi,
    'steering: it is read as a word about who lives there',
    'Name the school district and let people look it up.',
  ),
  phrase(
    /\b(?:exclusive|desirable|restricted|private|prestigious|respectable|executive) (?:neighbou?rhood|area|community|enclave)\b/gi,
    'steering: it has been used to keep people out',
    'Say what’s special: the water, the trees, the dead-end road.',
  ),
  phrase(
    /\b(?:people like (?:you|us)|your kind of (?:people|neighbou?rs)|fit in(?:to)? (?:well )?(?:here|there|the neighbou?rhood)|the right (?:kind of )?people|good neighbou?rs only)\b/gi,
    'steering by who someone is',
    'Write about the home.',
  ),
  phrase(
    /\b(?:changing|transitional|up[- ]and[- ]coming|declining) (?:neighbou?rhood|area|community)\b/gi,
    'steering: it is read as a word about who moves in or out',
    'Give recent sale prices.',
  ),
];

export function checkHousing(checked: Checked): Finding[] {
  return partsIn(checked).flatMap(({ part, source }) => {
    const found: Finding[] = [];
    for (const { pattern, touches, instead } of PHRASES)
      for (const { from, to, text } of placesOf(source, pattern)) {
        if (found.some(({ at }) => at && at.from < to && from < at.to)) continue;
        found.push({
          rule: 'housing',
          level: 'warning',
          part,
          at: { from, to },
          message: `“${text}” touches ${touches}.`,
          because: `Fair-housing law: nothing about a home may suggest who you’d prefer to live there. ${instead}`,
        });
      }
    return found;
  });
}
