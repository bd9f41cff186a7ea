/** HTML as text, for pages that must be small and fast: whatever is put into `html` is escaped unless it is HTML already. */
export class Html {
  constructor(readonly text: string) {}
  toString(): string {
    return this.text;
  }
}
type Part = Html | string | number | null | undefined | false | Part[];

const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
const shown = (part: Part): string =>
  part === null || part === undefined || part === false
    ? ''
    : Array.isArray(part)
      ? part.map(shown).join('')
      : part instanceof Html
        ? part.text
        : escaped(String(part));

export const html = (strings: TemplateStringsArray, ...parts: Part[]): Html =>
  new Html(strings.reduce((text, string, at) => text + shown(parts[at - 1]) + string));
/** What is HTML already and safe. */
export const raw = (text: string): Html => new Html(text);
