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

/** The classes that a page's own style sheet hides. */
function hiddenClasses(html: string): Set<string> {
  const hidden = new Set<string>();
  for (const [, sheet] of html.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/gi))
    for (const [, selectors, rules] of sheet!.matchAll(/([^{}]+)\{([^}]*)\}/g))
      if (HIDES.test(rules!)) for (const [, name] of selectors!.matchAll(/\.([\w-]+)/g)) hidden.add(name!);
  return hidden;
}
const HIDES =
  /display\s*:\s*none|visibility\s*:\s*hidden|font-size\s*:\s*0(?:px|pt|em)?\s*(?:;|$)|opacity\s*:\s*0(?:\.0+)?\s*(?:;|$)/i;

export class Page {
  readonly nodes: AnyNode[];
  private readonly hidden: Set<string>;

  constructor(html: string) {
    this.nodes = parseDocument(html).children as AnyNode[];
    this.hidden = hiddenClasses(html);
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
