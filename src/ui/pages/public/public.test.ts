/** Public pages as documents: whatever stands in their words, it is words; what was wrong keeps what was typed. */
import { newPage, type Block } from '@/core/pages';
import { NEW_FORM, pageDocument, type PageContext } from '.';

const context: PageContext = {
  slug: 'page',
  name: 'A “page” <b>',
  brokerage: 'Tern & Tiller Realty',
  agents: {
    '2': { name: 'Asta Lund', phone: '+13605550110', email: 'agent1@urraca.example', title: '', photo_id: null, licenses: [] },
  },
  listings: {},
  token: 'token',
  nonce: 'nonce',
};
const EVIL = `"><script>alert(1)</script><img src=x onerror='x'>`;

test('markup in the words of a block, in what was typed and in names is shown as words', () => {
  const page = newPage('form', EVIL);
  const blocks = page.blocks.map((block): Block => ('text' in block ? { ...block, text: EVIL } : block));
  const text = pageDocument(
    { ...page, blocks, permissions: { text: EVIL, call: null, email: null } },
    {
      ...context,
      brokerage: EVIL,
      state: { ...NEW_FORM, values: { first_name: EVIL }, message: EVIL, errors: { first_name: EVIL } },
    },
  );
  expect(text).not.toContain('<script>');
  expect(text).not.toContain('<img src=x');
  expect(text).toContain('&#60;script&#62;alert(1)');
});

test('a form keeps what was typed, says beside a field what is wrong, and afterwards only thanks', () => {
  const page = newPage('form', 'T');
  const wrong = pageDocument(page, {
    ...context,
    state: {
      values: { first_name: 'Odo', email: 'nobody' },
      errors: { email: 'is not a valid email address' },
      message: 'Please look',
      thanked: false,
    },
  });
  expect(wrong).toMatch(/name="email"[^>]*value="nobody"[^>]*aria-invalid="true"/s);
  expect(wrong).toContain('is not a valid email address');
  const done = pageDocument(page, { ...context, state: { ...NEW_FORM, thanked: true } });
  expect(done).not.toContain('<form');
  expect(done).toContain('Thank you.');
});

test('every script has the nonce; a preview and a contact form alone have none', () => {
  expect(pageDocument(newPage('sign_in', 'T'), context)).toContain('<script nonce="nonce" src="/visit/sign-in.js"');
  expect(pageDocument(newPage('sign_in', 'T'), { ...context, preview: true })).not.toContain('<script');
  expect(pageDocument(newPage('form', 'T'), context)).not.toContain('<script');
});

test('a search asks who is looking only when it is time', () => {
  const page = newPage('search', 'T');
  expect(pageDocument(page, { ...context, search: null })).not.toContain('name="first_name"');
  expect(pageDocument(page, { ...context, asking: true })).toContain('name="first_name"');
});

test('the card of an agent has the photo or initials, the title and each license', () => {
  const page = { ...newPage('form', 'T'), blocks: [{ kind: 'agent', user_id: '2' } as Block] };
  expect(pageDocument(page, context)).toContain('aria-hidden="true">AL</span>');
  const agents = {
    '2': { ...context.agents['2']!, title: 'Broker', photo_id: '44', licenses: [{ state: 'WA', number: '12-345' }] },
  };
  const text = pageDocument(page, { ...context, agents });
  expect(text).toContain('src="/pictures/44"');
  expect(text).toContain('<b>Asta Lund</b>, Broker<br />WA license 12-345<br />');
});
