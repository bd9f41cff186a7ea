/** Pages of blocks: what each kind begins with and needs; what visitors send as an inquiry; programs told from people. */
import { readInquiry } from '../capture/schemas';
import {
  pageErrors,
  inquiryOfSent,
  mayAdd,
  mayRemove,
  newBlock,
  newPage,
  OPEN_MS,
  PAGE_KINDS,
  permissionTexts,
  slugOf,
  suspicion,
  type Block,
  type SentTo,
} from '.';
import { pageSchema } from './schemas';

describe('pages', () => {
  test.each(PAGE_KINDS)('a new %s can be kept as it is', (kind) => {
    const page = newPage(kind, 'Tern & Tiller Realty');
    expect(pageErrors(page)).toEqual([]);
    expect(pageSchema.validate(page).error).toBeUndefined();
  });

  test('a page without its form, with two, with an empty text, a form that reaches nobody', () => {
    const page = newPage('form', 'T');
    const without = { ...page, blocks: page.blocks.filter(({ kind }) => kind !== 'form') };
    expect(pageErrors(without)).toEqual([{ block: null, message: 'The page needs a form.' }]);
    const twice = { ...page, blocks: [...page.blocks, newBlock('form', 'second')] };
    expect(pageErrors(twice)).toEqual([{ block: 'second', message: 'One form is allowed.' }]);
    const wordless = { ...page, permissions: { ...page.permissions, email: ' ' } };
    expect(pageErrors(wordless).map(({ message }) => message)).toEqual([
      'Write what visitors agree to when you ask to email them.',
    ]);
    const odd = page.blocks.map((block): Block =>
      block.kind === 'text' ? { ...block, text: ' ' } : block.kind === 'form' ? { ...block, asks: ['message'] } : block,
    );
    expect(pageErrors({ ...page, blocks: odd }).map(({ message }) => message)).toEqual([
      'The text is empty.',
      'The form needs an email or phone field.',
    ]);
    expect(pageErrors({ ...page, blocks: [...page.blocks, newBlock('homes', 'x')] })[0]!.message).toContain(
      'can’t go on this page',
    );
  });

  test('what may be added and taken out', () => {
    const page = newPage('search', 'T');
    expect(mayAdd(page, 'homes')).toBe(false);
    expect(mayAdd(page, 'agent')).toBe(true);
    expect(mayAdd(page, 'listing')).toBe(false);
    const [heading] = page.blocks;
    expect(mayRemove(page, heading!)).toBe(true);
    expect(
      mayRemove(
        page,
        page.blocks.find(({ kind }) => kind === 'form')!,
      ),
    ).toBe(false);
  });

  test.each([
    ['Open house, 14 Heron Lane', 'open-house-14-heron-lane'],
    ['  Ménage à trois — ÅÄÖ ', 'menage-a-trois-aao'],
    ['家', 'page'],
    ['x'.repeat(200), 'x'.repeat(60)],
  ])('the address of “%s” is %s', (name, slug) => expect(slugOf(name)).toBe(slug));
});

describe('visitors', () => {
  const at = new Date('2026-11-29T20:00:00Z');
  const before = (ms: number) => new Date(at.getTime() - ms);

  test.each([
    [{ website: 'http://x.example' }, before(60_000), 'trap'],
    [{}, before(300), 'fast'],
    [{}, null, 'stale'],
    [{}, before(OPEN_MS.form + 1), 'stale'],
    [{}, before(60_000), null],
  ] as const)('%j opened %s is %s', (sent, opened, wanted) => {
    expect(suspicion(sent, opened, at, OPEN_MS.form)).toBe(wanted);
  });

  const to: SentTo = {
    source: 'Open house',
    permissions: { ...permissionTexts('Tern & Tiller Realty'), call: null },
    listing: { id: 'TT-1', address: '14 Heron Lane' },
    assignedTo: 'agent2@urraca.example',
    wants: {},
    fallback: 'Signed in at the open house at 14 Heron Lane.',
    tags: [],
  };

  test('what was ticked becomes permission, with the words that were shown; what was not shown does not', () => {
    const raw = inquiryOfSent({ first_name: 'Odo', phone: '206 555 0131', text_ok: 'on', call_ok: 'on' }, to);
    expect(raw.permissions).toEqual({ text: true, shown: { text: to.permissions.text } });
    expect(readInquiry(raw)).toMatchObject({
      permissions: { text: true },
      listing: { id: 'TT-1' },
      assignedTo: 'agent2@urraca.example',
    });
  });

  test('who works with an agent says so, with whom, and is tagged', () => {
    const raw = inquiryOfSent({ first_name: 'Odo', email: 'odo@fen.example', has_agent: 'yes', agent_name: 'Ute Brandis' }, to);
    expect(raw.message).toBe('Signed in at the open house at 14 Heron Lane.\nWorks with an agent: Ute Brandis.');
    expect(raw.tags).toEqual(['Has an agent']);
    expect(inquiryOfSent({ has_agent: 'no' }, to).tags).toEqual([]);
  });

  test('what nobody asked for is not taken: a role of their own making, signs without end', () => {
    const raw = inquiryOfSent(
      { first_name: 'x'.repeat(9_000), role: 'owner', message: 'm'.repeat(9_000), email: 'a@fen.example' },
      to,
    );
    expect(raw.roles).toEqual(['buyer']);
    expect(raw.person.first_name).toHaveLength(200);
    expect(raw.message).toHaveLength(6_000);
  });
});
