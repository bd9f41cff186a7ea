/** Whether fields and conditions can be read, are known, and whether the plain version is one: with nothing in it that may not be known. */
import { formatNumber } from '../../format';
import { CHANNELS } from '../../contacts';
import {
  ALWAYS_KNOWN,
  CONDITION_NAMES,
  fieldsIn,
  FORMER_NAMES,
  MERGE_FIELD_NAMES,
  MERGE_FIELDS,
  ownField,
  renderWords,
  syntaxError,
} from '../merge';
import { partsIn, type Checked, type Finding, type MessagePart } from './finding';

const MOST_IN_SUBJECT = 300;
const KNOWN = new Set<string>([...MERGE_FIELD_NAMES, ...Object.keys(FORMER_NAMES), ...CONDITION_NAMES]);
const CERTAIN = Object.fromEntries(ALWAYS_KNOWN.map((name) => [name, MERGE_FIELDS[name]]));

type Part = MessagePart;
const error = (rule: Finding['rule'], part: Part, at: Finding['at'], message: string, because: string): Finding => ({
  rule,
  level: 'error',
  part,
  at,
  message,
  because,
});

export function checkFields(checked: Checked): Finding[] {
  const known = new Set<string>([...KNOWN, ...checked.fields.map(ownField)]);
  return partsIn(checked).flatMap(({ part, source }) => {
    if (!source.trim()) return part === 'plain' && !checked.words.text.trim() ? [] : [emptyPart(part)];
    const syntax = syntaxError(source);
    return [
      ...tooLong(part, source, checked.channel),
      ...(syntax
        ? [
            error(
              'syntax',
              part,
              { from: syntax.at, to: Math.min(source.length, syntax.at + 2) },
              `Can’t read a field or condition: ${syntax.message}.`,
              'Contacts would see it exactly as typed.',
            ),
          ]
        : [...unknownFields(part, source, known), ...(part === 'plain' ? notCertain(source) : [])]),
    ];
  });
}

const NO_WORDS: Record<Part, [message: string, because: string]> = {
  plain: [
    'There’s no plain version for when a field is unknown.',
    'When a name or city is unknown, contacts get the plain version, so no one reads “Hi ,”.',
  ],
  subject: ['The subject is empty.', 'It can’t be sent without one.'],
  text: ['The message is empty.', 'It can’t be sent without one.'],
};
const emptyPart = (part: Part): Finding => error(part === 'plain' ? 'plain_missing' : 'empty', part, null, ...NO_WORDS[part]);

function tooLong(part: Part, source: string, channel: Checked['channel']): Finding[] {
  const { mostCharacters, whyNotLonger } = CHANNELS[channel];
  const most = part === 'subject' ? MOST_IN_SUBJECT : mostCharacters;
  if (source.length <= most) return [];
  const message = `It has ${formatNumber(source.length)} signs; ${formatNumber(most)} is the limit.`;
  return [error('too_long', part, { from: most, to: source.length }, message, whyNotLonger)];
}

const spanOf = (source: string, name: string): Finding['at'] => {
  const from = placeOf(source, name);
  return from < 0 ? null : { from, to: from + bareOf(name).length };
};
const unknownFields = (part: Part, source: string, known: ReadonlySet<string>): Finding[] =>
  [...new Set(fieldsIn(source))]
    .filter((name) => !known.has(name))
    .map((name) =>
      error(
        'unknown_field',
        part,
        spanOf(source, name),
        name.startsWith('field.') ? `There is no field “${name.slice(6)}”.` : `There’s no “${name}”.`,
        'No contact has a value, so everyone would get the plain version.',
      ),
    );

/** What may not be known has no place in the version for when something is not known. */
function notCertain(source: string): Finding[] {
  if (renderWords(source, CERTAIN) !== null) return [];
  const name = fieldsIn(source).find((one) => !(one in CERTAIN));
  return [
    error(
      'plain_unknown',
      'plain',
      name ? spanOf(source, name) : null,
      `The plain version has “${name ?? 'a field'}”, which may be unknown.`,
      'The plain version is for when fields are unknown. Give the field a default, or leave it out.',
    ),
  ];
}

const bareOf = (name: string): string => (name.startsWith('field.') ? name.slice(6) : name);
/** Where a name stands in a field or condition. */
function placeOf(source: string, name: string): number {
  const bare = bareOf(name);
  for (const match of source.matchAll(/\{\{[^{}]*\}\}|\{%[^{}]*%\}/g)) {
    const at = match[0].toLowerCase().indexOf(bare.toLowerCase());
    if (at >= 0) return match.index + at;
  }
  return -1;
}
