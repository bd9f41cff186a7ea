/**
 * HTML taken apart: labels beside or above their values in tables, definition lists, headings over paragraphs, pairs of inline
 * elements; everything else becomes lines. What a reader would not see (scripts, styles, comments, hidden elements) is not there.
 */
import { isTag, isText, type AnyNode, type Element } from 'domhandler';
import { boundedText } from './bounds';
import type { MailSections } from './mail';
import { isAboutOthers, meaningOf } from './labels';
import { PART_END, readLines } from './lines';
import { BLOCKS, HtmlPage, plainText } from './page';

const INLINE = new Set(['span', 'b', 'strong', 'em', 'i', 'label', 'font', 'u']);
const quoted = (line: string): string => (/^["“„«']/.test(line) ? line : `“${line}”`);

class HtmlReader {
  readonly reading: MailSections = { entries: [], prose: [] };
  /** The heading of a part of the page that is about somebody else. */
  private group: string | null = null;
  private readonly lines: string[] = [''];

  constructor(private readonly page: HtmlPage) {}

  walk(nodes: AnyNode[]): void {
    for (let at = 0; at < nodes.length; at += 1) {
      const node = nodes[at]!;
      if (isText(node)) this.add(node.data.replace(/\s+/g, ' '));
      if (!isTag(node) || this.page.unseen(node)) continue;
      if (node.name === 'br') this.lines.push('');
      else if (node.name === 'table') this.table(node);
      else if (node.name === 'dl') this.list(node);
      else if (/^h[1-6]$/.test(node.name) || (this.isBold(node) && this.isLabel(node))) at = this.heading(nodes, at, node);
      else if (node.name === 'hr') this.lines.push(PART_END, '');
      else if (BLOCKS.has(node.name)) {
        this.lines.push('');
        if (this.isSaid(node)) this.lines.push(...this.page.tidy(node).split('\n').map(quoted), '');
        else if (!this.pair(node)) this.walk(node.children);
        this.lines.push('');
      } else if (this.isInlineLabel(nodes, at, node)) this.add(`${this.page.tidy(node)}: `);
      else this.walk(node.children);
    }
  }
  /** What a service sets apart as somebody's words; what a mail program quotes is not that. */
  private isSaid = (node: Element): boolean =>
    node.name === 'blockquote' &&
    node.attribs.type !== 'cite' &&
    !/quote|cite/i.test(node.attribs.class ?? '') &&
    !node.attribs.style &&
    this.page.tags(node).every(({ name }) => name === 'p' || !BLOCKS.has(name));
  /** `<b>Name</b> Oda Brandvold<br>`: bold at the beginning of a line, a label, and no colon between it and its value. */
  private isInlineLabel(nodes: AnyNode[], at: number, node: Element): boolean {
    if (!/^(?:b|strong)$/.test(node.name) || this.lines.at(-1)!.trim() || !this.isLabel(node)) return false;
    const label = this.page.tidy(node);
    const rest = nodes.slice(at + 1);
    const end = rest.findIndex((one) => isTag(one) && (one.name === 'br' || BLOCKS.has(one.name)));
    const value = rest
      .slice(0, end < 0 ? undefined : end)
      .map((one) => this.page.text(one))
      .join('')
      .trim();
    return !/[:?]$/.test(label) && label.split(' ').length <= 4 && /^[\p{Lu}\p{Lo}\d+($"“]|^\S+@/u.test(value);
  }
  private add(text: string): void {
    this.lines[this.lines.length - 1] += text;
  }
  private entry(label: string, value: string): void {
    this.reading.entries.push({ label: label.replace(/\s+/g, ' '), value, ...(this.group ? { path: [this.group] } : {}) });
  }

  private rows(node: Element): Element[] {
    return this.page
      .tags(node)
      .flatMap((child) =>
        child.name === 'tr' ? [child] : ['tbody', 'thead', 'tfoot'].includes(child.name) ? this.rows(child) : [],
      );
  }

  private table(table: Element): void {
    const rows = this.rows(table).map((row) =>
      this.unnumbered(this.page.tags(row).filter(({ name }) => name === 'td' || name === 'th')),
    );
    let heads: Element[] | null = null;
    /** A row that was taken as the value of the one above. */
    let taken = -1;
    for (const [at, cells] of rows.entries()) {
      const first = cells[0];
      if (!first || at === taken) continue;
      if (cells.some((cell) => this.holdsTable(cell))) {
        for (const cell of cells) this.walk([cell]);
        continue;
      }
      const headed = cells.flatMap((cell) => this.headed(cell) ?? []);
      if (cells.length > 1 && headed.length === cells.length) for (const { label, value } of headed) this.entry(label, value);
      else if (this.isAbove(cells, rows[at + 1] ?? [])) {
        this.entry(this.page.tidy(first), this.page.tidy(rows[at + 1]![0]!));
        taken = at + 1;
      } else if (cells.length === 1 && ((first.name === 'th' && this.span(first) > 1) || this.isTitle(first))) this.title(first);
      else if (cells.every(({ name }) => name === 'th') && rows[at + 1]?.some(({ name }) => name === 'td'))
        heads = this.areOnlyTitles(cells, rows[at + 1]!) ? null : cells;
      else if (!heads && this.areHeads(cells, rows[at + 1] ?? [])) heads = cells;
      else if (
        heads &&
        (cells.length > 1 || heads.length === 1) &&
        cells.every(({ name }) => name === 'td') &&
        this.width(cells) === this.width(heads)
      )
        this.below(heads, cells);
      else if (this.arePairs(cells)) {
        for (let n = 0; n < cells.length; n += 2) this.entry(this.page.tidy(cells[n]!), this.page.tidy(cells[n + 1]!));
      } else if (cells.length === 2 && this.page.tidy(first).length <= 90)
        this.entry(this.page.tidy(first), this.page.tidy(cells[1]!));
      else if (cells.length === 1) {
        const single = this.single(first);
        this.lines.push(PART_END, '');
        if (single) this.entry(single.label, single.value);
        else if (!this.pair(first)) this.walk(first.children);
        this.lines.push(PART_END, '');
      } else this.lines.push(cells.map((cell) => this.page.tidy(cell)).join('  '), '');
    }
  }
  /** A heading over all columns is the title of what stands below. */
  private title(head: Element): void {
    const label = this.page.tidy(head);
    this.group = isAboutOthers(label) ? label : null;
    this.lines.push(PART_END, label, PART_END, '');
  }
  /** A cell alone in its row that is bold as a whole, and no label of a value: the title of the rows below. */
  private isTitle(cell: Element): boolean {
    const text = this.page.tidy(cell);
    return this.isAllBold(cell) && text.length <= 40 && !/[:?\n]/.test(text) && (isAboutOthers(text) || this.group !== null);
  }
  /** A cell alone in its row: `Phone: 564-555-0521`, or a value with its label in small letters below. */
  private single(cell: Element): { label: string; value: string } | null {
    const [, label, value] = /^([^:\n]{1,40}):\s*([^\s][^\n]*)$/.exec(this.page.tidy(cell)) ?? [];
    if (label && this.group) return { label, value: value! };
    return this.footed(cell);
  }
  /** A value above its label, which is set smaller. */
  private footed(cell: Element): { label: string; value: string } | null {
    const seen = this.page.shown(cell);
    const last = seen.at(-1);
    if (!last || !isTag(last) || last.name !== 'small' || seen.length < 2 || !this.isLabel(last)) return null;
    const value = this.page.tidy({ ...cell, children: seen.slice(0, -1) } as Element);
    return value ? { label: this.page.tidy(last), value } : null;
  }
  /** `Field | Value` over labels with their values says nothing of its own. */
  private areOnlyTitles = (heads: Element[], next: Element[]): boolean =>
    heads.length === 2 &&
    next.length === 2 &&
    meaningOf(this.page.tidy(heads[0]!)) === null &&
    meaningOf(this.page.tidy(next[0]!)) !== null;
  /** A row of labels in bold, over a row of as many values. */
  private areHeads = (cells: Element[], next: Element[]): boolean =>
    cells.length >= 2 &&
    next.length === cells.length &&
    cells.every((cell) => this.isAllBold(cell) && meaningOf(this.page.tidy(cell)) !== null) &&
    !next.some((cell) => this.isAllBold(cell));
  /** A label in bold over the whole width, and its value below. */
  private isAbove = (cells: Element[], next: Element[]): boolean => {
    if (cells.length !== 1 || next.length !== 1 || !this.isAllBold(cells[0]!) || this.isAllBold(next[0]!)) return false;
    const label = this.page.tidy(cells[0]!);
    const titles = isAboutOthers(label) || this.group !== null || /^[^:\n]{1,40}:\s/.test(this.page.tidy(next[0]!));
    return meaningOf(label) !== null && !titles && !this.holdsTable(next[0]!);
  };
  private isAllBold(cell: Element): boolean {
    const seen = this.page.shown(cell);
    return seen.length === 1 && isTag(seen[0]!) && /^(?:b|strong)$/.test(seen[0].name);
  }
  /** Label, value, label, value: a form of several columns. */
  private arePairs = (cells: Element[]): boolean =>
    cells.length >= 4 &&
    cells.length % 2 === 0 &&
    cells.every((cell, n) => n % 2 === 1 || meaningOf(this.page.tidy(cell)) !== null);
  /** A cell that holds its own label above its value: `<td><b>Client</b><br>Harriet Bexley</td>`. */
  private headed(cell: Element): { label: string; value: string } | null {
    const seen = this.page.shown(cell);
    const first = seen[0];
    const footed = this.footed(cell);
    if (footed) return footed;
    if (!first || !isTag(first) || first.name === 'br' || seen.length < 2 || !this.isLabel(first)) return null;
    const value = plainText(
      seen
        .slice(1)
        .map((child) => (isTag(child) && child.name === 'br' ? '\n' : this.page.text(child)))
        .join(''),
    ).trim();
    return value ? { label: this.page.tidy(first), value } : null;
  }
  /** A row without the number that counts it. */
  private unnumbered = (cells: Element[]): Element[] =>
    cells.length > 2 && /^\d{1,3}[.)]?$/.test(this.page.tidy(cells[0]!)) ? cells.slice(1) : cells;
  private holdsTable = (cell: Element): boolean =>
    this.page.tags(cell).some((one) => one.name === 'table' || this.holdsTable(one));
  private span = (cell: Element): number => Number(cell.attribs.colspan) || 1;
  private width = (cells: Element[]): number => cells.reduce((sum, cell) => sum + this.span(cell), 0);

  /** Labels of one row over the values of the next; a wide label has several values. */
  private below(heads: Element[], cells: Element[]): void {
    let at = 0;
    for (const head of heads) {
      const values: string[] = [];
      for (let left = this.span(head); left > 0 && at < cells.length; at += 1) {
        values.push(this.page.tidy(cells[at]!));
        left -= this.span(cells[at]!);
      }
      this.entry(this.page.tidy(head), values.join(', '));
    }
  }

  private list(list: Element): void {
    let label: string | null = null;
    const items = (node: Element): Element[] => this.page.tags(node).flatMap((one) => (one.name === 'div' ? items(one) : [one]));
    for (const item of items(list)) {
      if (item.name === 'dt') label = this.page.tidy(item);
      else if (item.name === 'dd' && label) this.entry(label, this.page.tidy(item));
    }
  }

  /** A paragraph that is bold as a whole is written for a heading. */
  private isBold(node: Element): boolean {
    if (node.name !== 'p' && node.name !== 'div') return false;
    if (/font-weight\s*:\s*(?:bold|[6-9]00)/i.test(node.attribs.style ?? '')) return true;
    const seen = this.page.shown(node);
    return seen.length === 1 && isTag(seen[0]!) && /^(?:b|strong)$/.test(seen[0].name);
  }
  private isLabel(node: Element): boolean {
    const label = this.page.tidy(node);
    return label.length > 0 && label.length <= 90 && (meaningOf(label) !== null || /[:?]$/.test(label));
  }

  /** A heading that is a label has its value in the next element. @returns where to go on */
  private heading(nodes: AnyNode[], at: number, heading: Element): number {
    const label = this.page.tidy(heading);
    this.group = isAboutOthers(label) ? label : null;
    const next = nodes.findIndex((node, n) => n > at && isTag(node) && !this.page.unseen(node));
    const value = next > at ? (nodes[next] as Element) : null;
    const plain = value && (/^(?:p|blockquote)$/.test(value.name) || (value.name === 'div' && !this.page.tags(value).length));
    if (value && plain && !this.isBold(value) && (meaningOf(label) || /[:?]$/.test(label))) {
      this.entry(label, this.page.tidy(value));
      return next;
    }
    this.lines.push(label, '');
    return at;
  }

  /** `<div><span>Label</span> <span>value</span></div>` */
  private pair(block: Element): boolean {
    const seen = this.page.shown(block);
    const [first, second] = seen;
    if (
      !first ||
      !isTag(first) ||
      !INLINE.has(first.name) ||
      !second ||
      this.page.tags(block).some(({ name }) => BLOCKS.has(name) || name === 'br')
    )
      return false;
    const label = this.page.tidy(first);
    const value = plainText(
      seen
        .slice(1)
        .map((child) => this.page.text(child))
        .join(' '),
    )
      .replace(/\s+/g, ' ')
      .trim()
      .replace(/^:\s*/, '');
    if (!label || !value || label.length > 60 || !(meaningOf(label) || /[:?]$/.test(label))) return false;
    this.entry(label, value);
    return true;
  }

  result(): MailSections {
    const rest = readLines(boundedText(plainText(this.lines.map((line) => line.trim()).join('\n'))));
    return { entries: [...this.reading.entries, ...rest.entries], prose: rest.prose };
  }
}

/** What a page shows, from top to bottom. */
export const shownText = (html: string): string => new HtmlPage(html).shownText();

export function readHtml(html: string): MailSections {
  const page = new HtmlPage(html);
  const reader = new HtmlReader(page);
  reader.walk(page.nodes);
  return reader.result();
}
