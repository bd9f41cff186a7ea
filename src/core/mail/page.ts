/** What a page shows: its elements without those that nobody sees, and their text with the breaks between its blocks. */
import { parseDocument } from 'htmlparser2';
import { isTag, isText, type AnyNode, type Element } from 'domhandler';

const UNSEEN = new Set([
  'script',
  'style',
  'head',
  'title',
  'iframe',
  'object',
  'noscript',
  'template',
  'svg',
  'meta',
  'link',
  'select',
]);
/** Elements that begin a line of their own. */
export const BLOCKS = new Set(
  'address article aside blockquote body center dd div dl dt fieldset footer form h1 h2 h3 h4 h5 h6 header hr html li main nav ol p pre section table tbody td tfoot th thead tr ul'.split(
    ' ',
  ),
);
const INVISIBLE = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufeff]/g;

/** One spelling of white space, hyphens and what steers direction. */
export const plainText = (text: string): string =>
  text
    .replace(INVISIBLE, '')
    .replace(/[\u00a0\u2007\u202f]/g, ' ')
    .replace(/[\u2010\u2011]/g, '-');

/** So much of a style sheet is read, and so many of its rules. */
const MOST_SHEET = 60_000;
const MOST_RULES = 2_000;

/** The classes that a page's own style sheets hide. */
function hiddenClasses(nodes: AnyNode[]): Set<string> {
  const hidden = new Set<string>();
  const visit = (node: AnyNode): void => {
    if (!isTag(node)) return;
    if (node.name !== 'style') return node.children.forEach(visit);
    const sheet = node.children.map((child) => (isText(child) ? child.data : '')).join('');
    for (const rule of sheet.slice(0, MOST_SHEET).split('}', MOST_RULES)) {
      const [selectors = '', rules = ''] = rule.split('{').slice(-2);
      if (HIDES.test(rules)) for (const [, name] of selectors.matchAll(/\.([\w-]+)/g)) hidden.add(name!);
    }
  };
  nodes.forEach(visit);
  return hidden;
}
const HIDES =
  /display\s*:\s*none|visibility\s*:\s*hidden|font-size\s*:\s*0(?:px|pt|em)?\s*(?:;|$)|opacity\s*:\s*0(?:\.0+)?\s*(?:;|$)/i;

/** Elements that a page may have within each other, and nodes that it may have at all. No mail of a person or a service comes near. */
const DEEPEST = 150;
const MOST_NODES = 8_000;

/** Takes off whatever is beyond these; what is too deep is left as its words. */
function prune(nodes: AnyNode[]): void {
  let seen = 0;
  let level = nodes;
  for (let depth = 0; level.length; depth += 1) {
    const next: AnyNode[] = [];
    for (const node of level) {
      if ((seen += 1) > MOST_NODES && isTag(node)) node.children = [];
      if (!isTag(node)) continue;
      if (depth >= DEEPEST) node.children = node.children.filter((child) => isText(child));
      else for (const child of node.children) next.push(child);
    }
    level = next;
  }
}

/** A mail's HTML as its visible nodes. */
export class HtmlPage {
  readonly nodes: AnyNode[];
  private readonly hidden: Set<string>;

  constructor(html: string) {
    this.nodes = parseDocument(html).children;
    prune(this.nodes);
    this.hidden = hiddenClasses(this.nodes);
  }

  unseen(element: Element): boolean {
    const { style = '', class: classes = '', hidden } = element.attribs;
    return (
      UNSEEN.has(element.name) ||
      hidden !== undefined ||
      HIDES.test(style) ||
      classes.split(/\s+/).some((name) => this.hidden.has(name))
    );
  }

  /** What is seen of a node, with line breaks where it has some. */
  text(node: AnyNode): string {
    if (isText(node)) return node.data.replace(/\s+/g, ' ');
    if (!isTag(node) || this.unseen(node)) return '';
    if (node.name === 'br') return '\n';
    const inner = node.children.map((child) => this.text(child)).join('');
    return BLOCKS.has(node.name) ? `\n${inner}\n` : inner;
  }
  /** The same without white space that nobody sees. */
  tidy(node: AnyNode): string {
    return plainText(this.text(node))
      .replace(/[ \t]+/g, ' ')
      .replace(/ ?\n ?/g, '\n')
      .replace(/\n{2,}/g, '\n')
      .trim();
  }

  /** The elements inside of one that can be seen. */
  tags(node: Element): Element[] {
    return node.children.filter((child): child is Element => isTag(child) && !this.unseen(child));
  }
  /** What of a node can be seen, white space apart. */
  shown(node: Element): AnyNode[] {
    return node.children.filter((child) => (isText(child) ? child.data.trim() : isTag(child) && !this.unseen(child)));
  }

  /** What the page shows, from top to bottom: for what depends on the order of its lines. */
  shownText(): string {
    return plainText(this.nodes.map((node) => this.text(node)).join(''))
      .replace(/[ \t]+/g, ' ')
      .replace(/ ?\n ?/g, '\n')
      .replace(/\n{3,}/g, '\n\n')
      .trim();
  }
}
