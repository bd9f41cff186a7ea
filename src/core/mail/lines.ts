/**
 * Lines of text taken apart: `Label: value`, `Label .... value`, labels in a column, a label above its value, a question above its
 * answer. A label without a value does not swallow the next label.
 */
import type { Entry, MailSections } from './mail';
import { boxOf, saidYes } from './values';
import type { Meaning } from './label-words';
import { channelOf, meaningOf, plainLabel } from './labels';

/** Lines with which somebody else's words begin: a signature, a closing. */
const CLOSING =
  /^(?:--|__+|==+|\s*(?:best(?: regards| wishes)?|kind regards|regards|sincerely|yours(?: \p{L}+)?|thanks(?: again)?|thank you|cheers|mit freundlichen grüßen|viele grüße|freundliche grüße|atentamente|un saludo|saludos(?: cordiales)?|cordialement|bien à vous|cordiali saluti|met vriendelijke groet(?:en)?|med vennlig hilsen)[\s,.!]*$)/iu;
export const isClosing = (line: string): boolean => CLOSING.test(line.trim());

/** Lines that only a header has; inside of what somebody typed they were smuggled in. */
const HEADERISH = /^(?:subject|to|cc|bcc|from|reply-to|content-type|mime-version|x-[\w-]+)\s*:/i;

/** Whether a line is one that only a header has. */
export const isHeader = (line: string): boolean => HEADERISH.test(line.trim());

/** The service speaks again: what somebody typed ends before it. */
const SERVICE =
  /^(?:please )?(?:do not (?:reply|respond|answer)|don['’]t reply|view (?:this )?(?:lead|inquiry|request|message|contact|in (?:your )?browser)|open (?:this )?(?:lead|inquiry)|open in |reply (?:in|on|via|with) |reply to (?:this )?(?:lead|inquiry|e-?mail|message|\p{L}+ now)|unsubscribe|questions\? ?(?:call|contact|write|ring|\+?\(?\d)|need help|(?:customer|client) (?:care|service|support)|you (?:are|have been) (?:receiving|sent)|this (?:e-?mail|message|lead|inquiry) (?:was|is|has been) (?:sent|generated|delivered)|sent (?:by|from|via) |powered by|©|\(c\) \d|copyright|bitte (?:antworten|nicht)|diese (?:e-?mail|nachricht) wurde|sie erhalten diese|non rispondere|ricevi questa|no respond\p{L}|este (?:correo|mensaje) |ha recibido este|ne pas r\p{L}+|ne r\p{L}+z pas|vous recevez|este e-?mail foi|não responda|dit bericht is|beantwoord dit)/iu;
export const isService = (line: string): boolean => SERVICE.test(line.trim());
/** Stands where one part of a page ends and the next begins. */
export const PART_END = '\u241e';

/** Beyond this nobody reads, and no lead stands there. */
const MOST_LINES = 3_000;
const LONGEST_LINE = 2_000;

interface Found {
  label: string;
  value: string;
  meaning: Meaning | null;
}

const SAID = /^(?:->|=>|→|›|»|>+|a(?:nswer)?\s*\d{0,2}[.:)])\s*/i;
/** What stands before a question that is counted: `Q3. Are you …`. */
const COUNTED = /^(?:(?:q(?:\s*\d{1,2})?|(?:question|frage|pregunta)\s*\d{1,2})\s*[.:)]|\d{1,2}[.)])\s*(?=\p{L})/iu;

/** Signs that stand for a label. */
const SIGNS: [RegExp, string][] = [
  [/^[👤🧑👩👨🙋🙂]/u, 'Name'],
  [/^[📧✉📨📩]/u, 'E-mail'],
  [/^[📱📞☎📲🤙]/u, 'Phone'],
  [/^[🏠🏡🏘🏢📍]/u, 'Listing'],
  [/^[💬📝🗨✍]/u, 'Message'],
  [/^[💰💵💲]/u, 'Price'],
  [/^🛏/u, 'Beds'],
  [/^[🛁🚿]/u, 'Baths'],
];
const SIGN = /^\p{Extended_Pictographic}[\uFE0F\u200D\p{Emoji_Modifier}]*\s*/u;

/** `【氏名】 高橋 美咲`: a label in brackets as Chinese and Japanese forms have them. */
const BRACKETED = /^[【〔［《](.{1,30}?)[】〕］》]\s*(?:[:：]\s*)?(\S.*|)$/u;

/** What stands in a letter, and behind no label. */
const isSentence = (text: string): boolean => /[.!?]$/.test(text.trim()) && text.trim().split(/\s+/).length > 4;

/** `Buyer 2`: a word that counts its values. */
const COUNTED_LABEL = /^\p{L}+ [1-9]$/u;
/** What is told behind a dash; much else in a sentence stands behind one. */
const DASHED = new Set<Meaning | null>(['name', 'first', 'last', 'email', 'phone', 'partner', 'price', 'listing', 'message']);

/** The label and what stands behind it on the same line; null when the line has none. */
function labelled(line: string, next: string | undefined): Found | null {
  const text = line
    .replace(/^[\s*•·-]+(?=\S)/, '')
    .replace(/^#\s*(?:of\s+)?(?=\p{L})/u, '')
    .replace(COUNTED, '')
    .trimEnd();
  const sign = SIGNS.find(([pattern]) => pattern.test(text))?.[1];
  if (SIGN.test(text)) {
    const behind = text.replace(SIGN, '');
    const inside = labelled(behind, next);
    /* `👤 Name`, and the value below. */
    if (!inside && alone(behind)) return { label: behind, value: '', meaning: alone(behind) };
    return inside?.meaning || !sign ? inside : { label: sign, value: behind, meaning: meaningOf(sign) };
  }
  const found = (label: string, value: string): Found => ({
    label: label.trim(),
    value: value.trim(),
    meaning: meaningOf(label),
  });
  const boxed = BRACKETED.exec(text);
  if (boxed) return found(boxed[1]!, boxed[2]!);
  const dash = /^(\p{L}[\p{L} '’/]{0,30}?)\s+[-–—]\s+(\S.*)$/u.exec(text);
  if (dash && dash[1]!.trim().split(/\s+/).length <= 3 && DASHED.has(meaningOf(dash[1]!))) return found(dash[1]!, dash[2]!);
  const column = /^(\p{L}[^:.]{0,30}?)(\.?)(?:\s{2,}|\t+)([^\s:：].*)$/u.exec(text);
  if (column && column[1]!.trim().split(/\s+/).length <= 4 && meaningOf(column[1]!)) return found(column[1]!, column[3]!);
  const question = /^([¿\p{L}][^?:]{0,90}\?)\s*(?::\s*)?(?:\.+\s+)?(\S.*|)$/u.exec(text);
  if (question && !/[.!]\s/.test(question[1]!) && !/^(?:call|contact|e-?mail|write|visit|reach|see)\b/i.test(question[2]!)) {
    const answered = SAID.test((next ?? '').trim());
    if (!answered && isSentence(question[1]!) && isSentence(question[2]!)) return null;
    const asked = found(question[1]!, answered ? '' : question[2]!);
    return asked.meaning || answered ? asked : null;
  }
  const leader = /^(\p{L}[^:]{0,40}?)\s+\.+\s+(\S.*)$/u.exec(text);
  if (leader) return found(leader[1]!, leader[2]!);
  const colon = /^(\p{L}[^:]{0,60}?)\s*[:：]\s*(\S.*|)$/u.exec(text);
  if (
    colon &&
    (!/\d$|https?$|mailto$/i.test(colon[1]!) || COUNTED_LABEL.test(colon[1]!)) &&
    colon[1]!.trim().split(/\s+/).length <= 7 &&
    !colon[2]!.startsWith('//')
  )
    return inner(found(colon[1]!, colon[2]!));
  const equal = /^([\p{L}_][\p{L}\d_ .-]{0,40}?)\s*=\s*(\S.*|)$/u.exec(text);
  if (equal && meaningOf(equal[1]!)) return found(equal[1]!, equal[2]!);
  if (column && !column[2] && column[1]!.trim().split(/\s+/).length <= 4) return found(column[1]!, column[3]!);
  return null;
}

/** `Lead: Name: Oda`: a title before the label. */
function inner(outer: Found): Found {
  const within = outer.meaning && outer.meaning !== 'name' ? null : /^(\p{L}[^:]{0,40}?)\s*:\s*(\S.*)$/u.exec(outer.value);
  const meaning = within && meaningOf(within[1]!);
  return within && meaning ? { label: within[1]!, value: within[2]!, meaning } : outer;
}

/** Labels one after another on a line, divided by bars, as lines; and a row of a table drawn with bars. */
function unbarred(line: string): string[] {
  const two = /^(\p{L}[\p{L} ]{1,20}:\s*\S{1,12})\s+(\p{Lu}\p{L}+:\s*\S.*)$/u.exec(line);
  if (two && meaningOf(two[1]!.split(':')[0]!) && meaningOf(two[2]!.split(':')[0]!)) return [two[1]!, two[2]!];
  const row = /^\s*\|(.+)\|\s*$/
    .exec(line)?.[1]!
    .split('|')
    .map((cell) => cell.trim());
  if (row?.every((cell) => /^:?-*:?$/.test(cell))) return [];
  if (row?.length === 2) return [`${row[0]}${/[?:]$/.test(row[0]!) ? '' : ':'} ${row[1]}`];
  if (row) return [row.join('  ')];
  const parts =
    line.split(/;/).length > 2 && /:[^;]*;[^:]*:[^;]*;/.test(line) ? line.split(/\s*;\s*/) : line.split(/\s+[|·•]\s+/);
  return parts.length > 1 && parts.filter((part) => /^[^:]{1,60}:\s*\S/.test(part.trim())).length > 1 ? parts : [line];
}

/** What a box that is ticked stands for: said of a channel it is a consent. */
const BOXED = 'Consent:';

/** A label that stands alone on its line, with its value below. */
function alone(line: string): Meaning | null {
  const text = line.trim();
  if (text.length > 80 || /[.,;!]$/.test(text) || /[@\d]/.test(text)) return null;
  const meaning = meaningOf(text);
  const words = plainLabel(text).split(' ').length;
  return meaning && (words <= 4 || text.endsWith('?')) ? meaning : null;
}

/** A question in a whole sentence, as nobody labels a value with: what stands below the label of a message is one. */
const isQuestion = (line: string): boolean => line.endsWith('?') && line.split(/\s+/).length >= 4;

/** Words that somebody set in quotes are over with them. */
const IN_QUOTES = /^\s*["“„«][^]{8,}["”“»]\s*$/u;
const isLong = (meaning: Meaning | null): boolean => meaning === 'message' || meaning === 'selling';

/** Whether a line says more of the home whose number or street stands above it. */
const isMore = (meaning: Meaning | null, line: string): boolean =>
  (meaning === 'listing' || meaning === 'address') &&
  line.length <= 80 &&
  (/^[$€£]\s?\d/.test(line) ||
    /^[A-Z]{1,5}[- ]?\d{3,9}$/.test(line) ||
    /^(?:mls|listing|ref)\b.{0,12}\d{3,10}$/i.test(line) ||
    /^(?:(?:offered|listed|asking|priced|list)\b.{0,12})[$€£]\s?\d[\d,. ]*$/i.test(line) ||
    /^\d{1,5}\s+\p{Lu}/u.test(line) ||
    /^\p{Lu}[\p{L} ]+,\s+[A-Z]{2}\s+\d{5}/u.test(line));

/** What no signature holds: where it comes behind `Thank you!`, the form goes on. */
const OF_FORMS = new Set<Meaning | null>([
  'consent',
  'purpose',
  'budget',
  'beds',
  'areas',
  'move',
  'listing',
  'selling',
  'message',
]);
/** So many lines below it. */
const FURTHER = 30;
const goesOn = (rest: string[]): boolean =>
  rest.some((line, n) => /[:?]\s*\S*/.test(line) && OF_FORMS.has(labelled(line, rest[n + 1])?.meaning ?? null));

const indentOf = (line: string): number => (line.trim() ? line.search(/\S/) : 0);
/** Says that the value stands below, in lines of its own: `message: |`. */
const BLOCK = /^[|>][+-]?$/;

export function readLines(text: string): MailSections {
  const lines = text
    .replace(/\r\n?/g, '\n')
    .split('\n')
    .slice(0, MOST_LINES)
    .flatMap((line) => unbarred(line.slice(0, LONGEST_LINE)));
  const reading: MailSections = { entries: [], prose: [] };
  let open: { entry: Entry; meaning: Meaning | null; below: boolean } | null = null;
  /** A label with others indented below it. */
  let group: { indent: number; label: string } | null = null;
  const close = () => {
    if (open) open.entry.value = open.entry.value.replace(/\n{3,}/g, '\n\n').trim();
    open = null;
  };
  for (const [at, line] of lines.entries()) {
    const trimmed = line.trim();
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-assertion -- without it the compiler takes what `close` sets for null
    const now = open as { entry: Entry; meaning: Meaning | null; below: boolean } | null;
    /* A line drawn below a heading. */
    if (/^[=~*_-]{4,}$/.test(trimmed) && lines[at - 1]?.trim()) continue;
    if (/^(?:--|__{3,})\s*$/.test(trimmed)) {
      close();
      reading.prose.push(...lines.slice(at));
      break;
    }
    if (trimmed === PART_END || (now && isLong(now.meaning) && now.entry.value && SERVICE.test(trimmed))) {
      if (now?.entry.value.trim()) close();
      if (trimmed !== PART_END) reading.prose.push(line);
      continue;
    }
    if (!trimmed) {
      if (now && isLong(now.meaning) && !IN_QUOTES.test(now.entry.value)) now.entry.value += '\n';
      else if (now && (now.entry.value || (now.below && !lines[at - 1]?.trim()))) close();
      if (!now) reading.prose.push('');
      continue;
    }
    if (now && isLong(now.meaning) && HEADERISH.test(trimmed)) continue;
    if (now && SAID.test(trimmed) && !now.entry.value) {
      now.entry.value = trimmed.replace(SAID, '');
      continue;
    }
    const box = boxOf(trimmed);
    if (box && (!now || !isLong(now.meaning) || channelOf(box.words))) {
      if (now?.entry.value) close();
      if (box.chosen) reading.entries.push({ label: `${BOXED} ${box.words}`, value: 'yes' });
      continue;
    }
    const asked = now?.meaning === 'message' && !now.entry.value.trim() && isQuestion(trimmed);
    const found = asked ? null : labelled(line, lines[at + 1]);
    const waits = now && (isLong(now.meaning) || (now.below && !now.entry.value));
    const takes = found && (found.meaning !== null || !waits);
    if (takes) {
      close();
      if (group && indentOf(line) <= group.indent) group = null;
      if (!found.value && indentOf(lines[at + 1] ?? '') > indentOf(line) && labelled(lines[at + 1]!, undefined))
        group = { indent: indentOf(line), label: found.label };
      const entry: Entry = { label: found.label, value: BLOCK.test(found.value) ? '' : found.value };
      if (group && indentOf(line) > group.indent) entry.path = [group.label];
      reading.entries.push(entry);
      open = { entry, meaning: found.meaning, below: SIGN.test(trimmed) && !found.value };
      continue;
    }
    /* What stands below a question answers it, though it may be a label elsewhere. */
    const asks =
      now?.entry.label.endsWith('?') ||
      (now?.meaning === 'purpose' && now.below) ||
      (now?.meaning === 'consent' && saidYes(trimmed) !== null);
    const answers = now && !now.entry.value && asks && !trimmed.endsWith('?');
    const meaning = answers || asked ? null : alone(line);
    if (meaning) {
      close();
      const entry: Entry = { label: trimmed, value: '' };
      reading.entries.push(entry);
      open = { entry, meaning, below: true };
      continue;
    }
    if (now && isClosing(line) && !goesOn(lines.slice(at + 1, at + 1 + FURTHER))) {
      close();
      reading.prose.push(...lines.slice(at));
      break;
    }
    const continues =
      now &&
      (isLong(now.meaning) ||
        !now.entry.value ||
        /^\s{4,}/.test(line) ||
        (now.below && (now.meaning === 'purpose' || isMore(now.meaning, trimmed))));
    if (now && continues) now.entry.value += `${now.entry.value ? '\n' : ''}${trimmed}`;
    else {
      close();
      reading.prose.push(line);
    }
  }
  close();
  return reading;
}
