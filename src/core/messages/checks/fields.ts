/** Whether fields and conditions can be read, are known, and whether the plain version is one: with nothing in it that may not be known. */
import { CHANNELS } from '../../contacts';
import {
  ALWAYS_KNOWN,
  CONDITION_NAMES,
  fieldsIn,
  MERGE_FIELD_NAMES,
  MERGE_FIELDS,
  ownField,
  renderWords,
  syntaxError,
} from '../merge';
import { partsIn, type Checked, type Finding, type MessagePart } from './finding';

const MOST_IN_SUBJECT = 300;
const KNOWN = new Set<string>([...MERGE_FIELD_NAMES, ...CONDITION_NAMES]);
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
              `A field or condition cannot be read: ${syntax.message}.`,
              'It would stand in the message as it is written here.',
            ),
          ]
        : [...unknownFields(part, source, known), ...(part === 'plain' ? notCertain(source) : [])]),
    ];
  });
}

const NO_WORDS: Record<Part, [message: string, because: string]> = {
  plain: [
    'There is no plain version for when something is not known.',
    'Of some people a name or a town is not known. The plain version goes to them, so that nobody reads “Hello ,”.',
  ],
  subject: ['There is no subject.', 'Nothing can go out without it.'],
  text: ['There are no words.', 'Nothing can go out without it.'],
};
const emptyPart = (part: Part): Finding => error(part === 'plain' ? 'plain_missing' : 'empty', part, null, ...NO_WORDS[part]);

function tooLong(part: Part, source: string, channel: Checked['channel']): Finding[] {
  const { mostCharacters, whyNotLonger } = CHANNELS[channel];
  const most = part === 'subject' ? MOST_IN_SUBJECT : mostCharacters;
  if (source.length <= most) return [];
  const message = `It has ${source.length.toLocaleString('en-US')} signs; ${most.toLocaleString('en-US')} are the most.`;
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
        name.startsWith('field.') ? `There is no field “${name.slice(6)}”.` : `Nothing is known as “${name}”.`,
        'It has no value for anybody, so that everybody would get the plain version.',
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
      `The plain version has “${name ?? 'a field'}” in it, which may not be known.`,
      'It is for those of whom something is not known. Give the field a default, or do without it.',
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
