/**
 * Reading vCards 2.1, 3.0 and 4.0 (RFC 2426, RFC 6350), many in one text, also those that break the rules: folded and quoted-printable
 * lines, properties with groups, parameters without names, pictures (skipped), a card that is cut off.
 */
export interface CardLine {
  name: string;
  /** Lower case; a parameter without a value, as in 2.1, stands under `type`. */
  params: Record<string, string[]>;
  value: string;
}
/** One vCard, as its lines. */
export interface Card {
  lines: CardLine[];
  version: string;
  cutOff: boolean;
}

/** A line longer than this is a picture or worse and is left out. */
const LONGEST_LINE = 200_000;

/** Takes text bit by bit and gives the cards as they end. */
export class CardReader {
  private text = '';
  private folded: string | null = null;
  private card: Card | null = null;
  private softBreak = false;

  feed(more: string): Card[] {
    this.text += more;
    const cut = Math.max(this.text.lastIndexOf('\n'), this.text.lastIndexOf('\r', this.text.length - 2));
    if (cut < 0) return [];
    const whole = this.text.slice(0, cut + 1);
    this.text = this.text.slice(cut + 1);
    return this.lines(whole.split(/\r\n|\n|\r/).slice(0, -1));
  }

  end(): Card[] {
    const cards = this.lines(this.text ? this.text.split(/\r\n|\n|\r/) : []);
    cards.push(...this.flush());
    if (this.card) cards.push({ ...this.card, cutOff: true });
    this.card = null;
    return cards;
  }

  private lines(physical: string[]): Card[] {
    const cards: Card[] = [];
    for (const line of physical) {
      if (this.folded !== null && (this.softBreak || /^[ \t]/.test(line))) {
        const more = this.softBreak ? line : line.slice(1);
        const before = this.softBreak ? this.folded.slice(0, -1) : this.folded;
        this.folded = before.length > LONGEST_LINE ? before : before + more;
      } else {
        cards.push(...this.flush());
        this.folded = line;
      }
      this.softBreak = /=$/.test(line) && /^[^:]*ENCODING=QUOTED-PRINTABLE|^[^:]*;QUOTED-PRINTABLE/i.test(this.folded);
    }
    return cards;
  }

  private flush(): Card[] {
    const line = this.folded;
    this.folded = null;
    if (!line?.trim()) return [];
    if (/^BEGIN:VCARD\s*$/i.test(line)) {
      const open = this.card;
      this.card = { lines: [], version: '', cutOff: false };
      return open ? [{ ...open, cutOff: true }] : [];
    }
    if (!this.card) return [];
    if (/^END:VCARD\s*$/i.test(line)) {
      const card = this.card;
      this.card = null;
      return [card];
    }
    const read = readLine(line);
    if (read?.name === 'VERSION') this.card.version = read.value.trim();
    else if (read) this.card.lines.push(read);
    return [];
  }
}

/** `item1.TEL;TYPE="voice,cell";PREF=1:+1…` in its parts. */
export function readLine(line: string): CardLine | null {
  const colon = outsideQuotes(line, ':');
  if (colon < 0) return null;
  const [head, ...rest] = splitOutsideQuotes(line.slice(0, colon), ';');
  const params: CardLine['params'] = {};
  for (const part of rest) {
    const equals = part.indexOf('=');
    const key = equals < 0 ? 'type' : part.slice(0, equals).toLowerCase();
    const values = splitOutsideQuotes(part.slice(equals + 1), ',').map((value) => value.replace(/^"|"$/g, ''));
    params[key] = [...(params[key] ?? []), ...values.flatMap((value) => (key === 'type' ? value.split(',') : [value]))];
  }
  const name = head!.replace(/^[^.]*\./, '').toUpperCase();
  let value = line.slice(colon + 1);
  const encoding = (
    params.encoding?.[0] ??
    params.type?.find((type) => /^(?:quoted-printable|base64)$/i.test(type)) ??
    ''
  ).toLowerCase();
  if (['PHOTO', 'LOGO', 'SOUND', 'KEY'].includes(name) || encoding === 'b' || encoding === 'base64') value = '';
  if (encoding === 'quoted-printable') value = fromQuotedPrintable(value, params.charset?.[0] ?? 'utf-8');
  return { name, params, value };
}

function fromQuotedPrintable(text: string, charset: string): string {
  const bytes: number[] = [];
  const plain = new TextEncoder();
  for (let at = 0; at < text.length; at += 1) {
    const code =
      text[at] === '=' && /^[0-9a-f]{2}$/i.test(text.slice(at + 1, at + 3)) ? parseInt(text.slice(at + 1, at + 3), 16) : null;
    if (code !== null) {
      bytes.push(code);
      at += 2;
    } else bytes.push(...plain.encode(text[at]));
  }
  try {
    return new TextDecoder(charset.toLowerCase()).decode(new Uint8Array(bytes)).replace(/\r\n?/g, '\n');
  } catch {
    return new TextDecoder('windows-1252').decode(new Uint8Array(bytes));
  }
}

function outsideQuotes(text: string, sign: string): number {
  let quoted = false;
  for (let at = 0; at < text.length; at += 1) {
    if (text[at] === '"') quoted = !quoted;
    if (text[at] === sign && !quoted) return at;
  }
  return text.indexOf(sign);
}
function splitOutsideQuotes(text: string, sign: string): string[] {
  const parts = [''];
  let quoted = false;
  for (const letter of text) {
    if (letter === '"') quoted = !quoted;
    if (letter === sign && !quoted) parts.push('');
    else parts[parts.length - 1] += letter;
  }
  return parts;
}

/** The parts of a structured value, by `;` (or `,` for lists), unescaped. */
export function partsOf(value: string, sign: ';' | ',' = ';'): string[] {
  const parts = [''];
  for (let at = 0; at < value.length; at += 1) {
    const letter = value[at]!;
    if (letter === '\\' && at + 1 < value.length) {
      parts[parts.length - 1] += letter + value[at + 1]!;
      at += 1;
    } else if (letter === sign) parts.push('');
    else parts[parts.length - 1] += letter;
  }
  return parts.map(unescaped);
}

/** `\n`, `\,`, `\;` and `\\` as what they stand for. */
export const unescaped = (value: string): string =>
  value.replace(/\\([\\;,:nN])/g, (_, sign: string) => (sign === 'n' || sign === 'N' ? '\n' : sign));
