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
import { partsIn, type Checked, type Finding } from './finding';

const MOST_IN_SUBJECT = 300;
const KNOWN = new Set<string>([...MERGE_FIELD_NAMES, ...CONDITION_NAMES]);
const CERTAIN = Object.fromEntries(ALWAYS_KNOWN.map((name) => [name, MERGE_FIELDS[name]]));

export function checkFields(checked: Checked): Finding[] {
  const { channel, words, fields } = checked;
  const own = new Set<string>(fields.map(ownField));
  const found: Finding[] = [];
  for (const { part, source } of partsIn(checked)) {
    if (!source.trim()) {
      if (part === 'plain' && !words.text.trim()) continue;
      found.push({
        rule: part === 'plain' ? 'plain_missing' : 'empty',
        level: 'error',
        part,
        at: null,
        message:
          part === 'plain'
            ? 'There is no plain version for when something is not known.'
            : part === 'subject'
              ? 'There is no subject.'
              : 'There are no words.',
        because:
          part === 'plain'
            ? 'Of some people a name or a town is not known. The plain version goes to them, so that nobody reads “Hello ,”.'
            : 'Nothing can go out without it.',
      });
      continue;
    }
    const most = part === 'subject' ? MOST_IN_SUBJECT : CHANNELS[channel].mostCharacters;
    if (source.length > most)
      found.push({
        rule: 'too_long',
        level: 'error',
        part,
        at: { from: most, to: source.length },
        message: `It has ${source.length.toLocaleString('en-US')} signs; ${most.toLocaleString('en-US')} are the most.`,
        because: CHANNELS[channel].whyNotLonger,
      });
    const error = syntaxError(source);
    if (error) {
      found.push({
        rule: 'syntax',
        level: 'error',
        part,
        at: { from: error.at, to: Math.min(source.length, error.at + 2) },
        message: `A field or condition cannot be read: ${error.message}.`,
        because: 'It would stand in the message as it is written here.',
      });
      continue;
    }
    for (const name of new Set(fieldsIn(source))) {
      if (KNOWN.has(name) || own.has(name)) continue;
      const from = placeOf(source, name);
      found.push({
        rule: 'unknown_field',
        level: 'error',
        part,
        at: from < 0 ? null : { from, to: from + bareOf(name).length },
        message: name.startsWith('field.') ? `There is no field “${name.slice(6)}”.` : `Nothing is known as “${name}”.`,
        because: 'It has no value for anybody, so that everybody would get the plain version.',
      });
    }
    if (part === 'plain' && renderWords(source, CERTAIN) === null) {
      const name = fieldsIn(source).find((one) => !(one in CERTAIN));
      const from = name ? placeOf(source, name) : -1;
      found.push({
        rule: 'plain_unknown',
        level: 'error',
        part,
        at: name && from >= 0 ? { from, to: from + bareOf(name).length } : null,
        message: `The plain version has “${name ?? 'a field'}” in it, which may not be known.`,
        because: 'It is for those of whom something is not known. Give the field a default, or do without it.',
      });
    }
  }
  return found;
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
