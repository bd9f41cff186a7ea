/**
 * An e-mail of blocks, as the editor keeps it: a tree of a few kinds of nodes. It is turned into HTML whose looks stand at each
 * element, since mail programs drop style sheets, and into the plain text that goes beside it.
 */

export interface MailMark {
  type: 'bold' | 'italic' | 'link' | 'underline' | 'strike';
  attrs?: { href?: string | null };
}
/** A node of an e-mail's blocks. */
export interface MailNode {
  type: string;
  text?: string;
  attrs?: Record<string, unknown>;
  marks?: MailMark[];
  content?: MailNode[];
}
/** An e-mail of blocks. */
export interface MailDoc {
  type: 'doc';
  content?: MailNode[];
}

export const MAIL_NODES = [
  'paragraph',
  'heading',
  'bulletList',
  'orderedList',
  'listItem',
  'blockquote',
  'horizontalRule',
  'hardBreak',
  'image',
  'mailButton',
  'text',
] as const;

const TAG = /\{\{[^{}]*\}\}|\{%[^{}]*%\}/g;
/** Escapes for HTML what stands outside of merge fields and conditions; their values are escaped when they are filled in. */
function escaped(text: string): string {
  let out = '';
  let from = 0;
  for (const match of text.matchAll(TAG)) {
    out += inert(text.slice(from, match.index)) + match[0];
    from = match.index + match[0].length;
  }
  return out + inert(text.slice(from));
}
const SIGNS: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
export const inert = (text: string): string => text.replace(/[&<>"']/g, (sign) => SIGNS[sign]!);

/** An address that a mail may link to; anything else is no link. */
const linkOf = (href: unknown): string | null =>
  typeof href === 'string' && /^(https?:\/\/|mailto:|tel:)/i.test(href.trim()) ? href.trim() : null;
const wordOf = (value: unknown): string => (typeof value === 'string' ? value : '');

const INK = '#14171C';
const TEAL = '#0B6B7F';
const FONT = "font-family:Figtree,-apple-system,'Segoe UI',Arial,sans-serif";
const BLOCK = `margin:0 0 16px;${FONT};font-size:16px;line-height:1.55;color:${INK}`;

type ToHtml = (node: MailNode, inside: (nodes?: MailNode[]) => string, pictureUrl: (id: string) => string) => string;
const TAGS = new Map([
  ['bold', 'strong'],
  ['italic', 'em'],
  ['underline', 'u'],
  ['strike', 's'],
]);
const marked = (text: string, marks: MailMark[] = []): string =>
  marks.reduce((inner, { type, attrs }) => {
    const tag = TAGS.get(type);
    if (tag) return `<${tag}>${inner}</${tag}>`;
    const href = linkOf(attrs?.href);
    return href ? `<a href="${escaped(href)}" style="color:${TEAL}">${inner}</a>` : inner;
  }, escaped(text));

/** Each kind of node; one that is not known is what stands in it. */
const HTML: Record<string, ToHtml> = {
  text: ({ text, marks }) => marked(text ?? '', marks),
  hardBreak: () => '<br>',
  paragraph: ({ content }, inside) => `<p style="${BLOCK}">${inside(content) || '&nbsp;'}</p>`,
  heading: ({ attrs, content }, inside) =>
    `<h2 style="margin:24px 0 12px;${FONT};font-size:${attrs?.level === 3 ? 17 : 21}px;line-height:1.3;color:${INK}">${inside(content)}</h2>`,
  bulletList: ({ content }, inside) => `<ul style="${BLOCK};padding-left:22px">${inside(content)}</ul>`,
  orderedList: ({ content }, inside) => `<ol style="${BLOCK};padding-left:22px">${inside(content)}</ol>`,
  listItem: ({ content = [] }, inside) =>
    `<li style="margin:0 0 6px">${content.map((one) => inside(one.type === 'paragraph' ? one.content : [one])).join('<br>')}</li>`,
  blockquote: ({ content }, inside) =>
    `<blockquote style="margin:0 0 16px;padding:2px 0 2px 14px;border-left:3px solid ${TEAL}">${inside(content)}</blockquote>`,
  horizontalRule: () => '<hr style="margin:24px 0;border:0;border-top:1px solid #E3E1DB">',
  image: ({ attrs }, _inside, pictureUrl) => {
    const id = /^\d{1,18}$/.exec(wordOf(attrs?.pictureId))?.[0];
    return id
      ? `<p style="margin:0 0 16px"><img src="${inert(pictureUrl(id))}" alt="${escaped(wordOf(attrs?.alt))}" width="536" style="display:block;width:100%;max-width:536px;height:auto;border-radius:6px"></p>`
      : '';
  },
  mailButton: ({ attrs }) => {
    const href = linkOf(attrs?.href);
    const label = escaped(wordOf(attrs?.label));
    return href
      ? `<p style="margin:0 0 20px"><a href="${escaped(href)}" style="display:inline-block;padding:11px 20px;border-radius:6px;background:${TEAL};${FONT};font-size:16px;font-weight:600;color:#ffffff;text-decoration:none">${label}</a></p>`
      : `<p style="${BLOCK}">${label}</p>`;
  },
};

/** @param pictureUrl where a picture of the account's own storage is fetched by its id */
export function htmlOfDoc(doc: MailDoc, pictureUrl: (id: string) => string): string {
  const all = (nodes: MailNode[] = []): string =>
    nodes.map((node) => (Object.hasOwn(HTML, node.type) ? HTML[node.type]!(node, all, pictureUrl) : all(node.content))).join('');
  return all(doc.content);
}

/** What the mail says, without its looks. */
export function textOfDoc(doc: MailDoc): string {
  const inline = (nodes: MailNode[] = []): string =>
    nodes
      .map((node) => {
        if (node.type === 'hardBreak') return '\n';
        if (node.type !== 'text') return inline(node.content);
        const href = linkOf(node.marks?.find(({ type }) => type === 'link')?.attrs?.href);
        const text = node.text ?? '';
        return href && href !== text && !href.startsWith('mailto:') && !href.startsWith('tel:') ? `${text} (${href})` : text;
      })
      .join('');
  const item = (node: MailNode, sign: string): string =>
    `${sign} ${(node.content ?? []).map((one) => (one.type === 'paragraph' ? inline(one.content) : block(one))).join('\n')}`;
  const block = (node: MailNode): string => {
    switch (node.type) {
      case 'bulletList':
        return (node.content ?? []).map((one) => item(one, '-')).join('\n');
      case 'orderedList':
        return (node.content ?? []).map((one, at) => item(one, `${at + 1}.`)).join('\n');
      case 'blockquote':
        return (node.content ?? [])
          .map(block)
          .join('\n\n')
          .split('\n')
          .map((line) => `> ${line}`)
          .join('\n');
      case 'horizontalRule':
        return '* * *';
      case 'image':
        return wordOf(node.attrs?.alt) ? `[${wordOf(node.attrs?.alt)}]` : '';
      case 'mailButton': {
        const href = linkOf(node.attrs?.href);
        return `${wordOf(node.attrs?.label)}${href ? `: ${href}` : ''}`;
      }
      default:
        return inline(node.content);
    }
  };
  return (doc.content ?? [])
    .map(block)
    .filter((line) => line.trim())
    .join('\n\n')
    .trim();
}

/** A text as a document of paragraphs, where an e-mail that had none begins to have one. */
export const docOfText = (text: string): MailDoc => ({
  type: 'doc',
  content: text
    .split(/\n{2,}/)
    .filter((part) => part.trim())
    .map((part) => ({
      type: 'paragraph',
      content: part
        .split('\n')
        .flatMap((line, at): MailNode[] => [
          ...(at ? [{ type: 'hardBreak' }] : []),
          ...(line ? [{ type: 'text', text: line }] : []),
        ]),
    })),
});

const LINK = /\bhttps?:\/\/[^\s<>"']+[^\s<>"'.,;:!?)]/g;
/** HTML of a mail that was written as text only: its paragraphs, its addresses as links. Values stand in the text already. */
export const htmlOfText = (text: string): string =>
  text
    .split(/\n{2,}/)
    .filter((part) => part.trim())
    .map((part) => {
      let out = '';
      let from = 0;
      for (const match of part.matchAll(LINK)) {
        out += `${inert(part.slice(from, match.index))}<a href="${inert(match[0])}" style="color:${TEAL}">${inert(match[0])}</a>`;
        from = match.index + match[0].length;
      }
      return `<p style="${BLOCK}">${(out + inert(part.slice(from))).replaceAll('\n', '<br>')}</p>`;
    })
    .join('');

/** The whole page of a mail around its body. @param ending what stands below it, as HTML */
export const mailPage = (body: string, ending: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta name="color-scheme" content="light dark"></head><body style="margin:0;padding:24px 16px;background:#ffffff"><div style="max-width:536px;margin:0 auto">${body}${ending}</div></body></html>`;
