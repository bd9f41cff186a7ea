/** E-mails of blocks: their HTML has its looks at each element and nothing that runs; their text says the same. */
import { docOfText, htmlOfDoc, htmlOfText, textOfDoc, type MailDoc } from '.';
import { wordsSchema } from './schemas';

const DOC: MailDoc = {
  type: 'doc',
  content: [
    { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'Homes in {{ city | default: "town" }}' }] },
    {
      type: 'paragraph',
      content: [
        { type: 'text', text: 'See ' },
        {
          type: 'text',
          text: 'the list',
          marks: [{ type: 'bold' }, { type: 'link', attrs: { href: 'https://homes.example/?a=1&b=2' } }],
        },
        { type: 'text', text: ' <now>' },
      ],
    },
    {
      type: 'bulletList',
      content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'One' }] }] }],
    },
    { type: 'image', attrs: { pictureId: '12', alt: 'The harbor' } },
    { type: 'mailButton', attrs: { href: 'https://homes.example/x', label: 'Look' } },
    { type: 'horizontalRule' },
  ],
};

test('blocks become HTML with their looks, and text without them', () => {
  const html = htmlOfDoc(DOC, (id) => `https://house.example/pictures/${id}`);
  expect(html).toContain('Homes in {{ city | default: "town" }}</h2>');
  expect(html).toContain(
    '<a href="https://homes.example/?a=1&amp;b=2" style="color:#0B6B7F"><strong>the list</strong></a> &lt;now&gt;',
  );
  expect(html).toContain('src="https://house.example/pictures/12" alt="The harbor"');
  expect(html).not.toMatch(/class=|<style/);
  expect(textOfDoc(DOC)).toBe(
    'Homes in {{ city | default: "town" }}\n\nSee the list (https://homes.example/?a=1&b=2) <now>\n\n- One\n\n[The harbor]\n\nLook: https://homes.example/x\n\n* * *',
  );
});

test('every kind of block has its HTML and its text; a link that needs no telling is not told twice', () => {
  const words = (value: string, ...marks: { type: string; attrs?: object }[]) => ({ type: 'text', text: value, marks });
  const line = (...content: object[]) => ({ type: 'paragraph', content });
  const doc = {
    type: 'doc',
    content: [
      { type: 'heading', attrs: { level: 3 }, content: [words('Small')] },
      line(
        words('a', { type: 'italic' }),
        words('b', { type: 'underline' }),
        words('c', { type: 'strike' }),
        { type: 'hardBreak' },
        words('d'),
      ),
      {
        type: 'orderedList',
        content: [
          { type: 'listItem', content: [line(words('One'))] },
          { type: 'listItem', content: [line(words('Two')), line(words('more'))] },
        ],
      },
      { type: 'blockquote', content: [line(words('Said')), line(words('so'))] },
      line(
        words('homes.example', { type: 'link', attrs: { href: 'mailto:us@homes.example' } }),
        words('https://homes.example', { type: 'link', attrs: { href: 'https://homes.example' } }),
      ),
      { type: 'image', attrs: { pictureId: '12', alt: '' } },
      { type: 'mailButton', attrs: { href: '', label: 'Nowhere' } },
      { type: 'paragraph' },
    ],
  } as MailDoc;
  const html = htmlOfDoc(doc, (id) => id);
  for (const part of [
    '<em>a</em><u>b</u><s>c</s><br>d',
    'font-size:17px',
    '<ol ',
    'Two<br>more',
    '<blockquote ',
    'href="mailto:us@homes.example"',
    'alt=""',
    '&nbsp;',
  ])
    expect(html).toContain(part);
  expect(html).toMatch(/<p [^>]*>Nowhere<\/p>/);
  expect(textOfDoc(doc)).toBe(
    'Small\n\nabc\nd\n\n1. One\n2. Two\nmore\n\n> Said\n> \n> so\n\nhomes.examplehttps://homes.example\n\nNowhere',
  );
});

test('what would run is no link and no picture', () => {
  const html = htmlOfDoc(
    {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [{ type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }] }],
        },
        { type: 'image', attrs: { pictureId: '"><script>', alt: '' } },
        { type: 'mailButton', attrs: { href: 'data:text/html,x', label: '"><img onerror=1>' } },
      ],
    },
    (id) => id,
  );
  expect(html).not.toMatch(/javascript|<script|<img|data:/);
});

test('a text becomes paragraphs and back; its addresses become links', () => {
  const text = 'Hello,\nsee below.\n\nhttps://homes.example/a?b=1.';
  expect(textOfDoc(docOfText(text))).toBe(text);
  expect(htmlOfText(text)).toContain('Hello,<br>see below.');
  expect(htmlOfText(text)).toContain(
    '<a href="https://homes.example/a?b=1" style="color:#0B6B7F">https://homes.example/a?b=1</a>.',
  );
});

test('of a document that is sent, only what is known here is kept, and the text is what it says', () => {
  const { value, error } = wordsSchema.validate({
    subject: 'S',
    text: 'something else',
    plain: 'p',
    doc: { ...DOC, extra: 1, content: [{ ...DOC.content![0], onclick: 'x' }] },
  });
  expect(error).toBeUndefined();
  expect(value?.text).toBe('Homes in {{ city | default: "town" }}');
  expect(JSON.stringify(value)).not.toMatch(/onclick|extra|something else/);
  expect(wordsSchema.validate({ text: '', plain: '', doc: { type: 'doc', content: [{ type: 'script' }] } }).error).toBeDefined();
});

test('a node or mark that no mail has, by whatever name, is what stands in it', () => {
  for (const type of ['constructor', '__proto__', 'toString', 'script'])
    expect(
      htmlOfDoc(
        { type: 'doc', content: [{ type, content: [{ type: 'text', text: 'in it', marks: [{ type: type as 'bold' }] }] }] },
        (id) => id,
      ),
    ).toBe('in it');
});
