/** What varies by kind is said in one place each: an entry that leaves something open does not compile, nor a list that lacks one. */
import { columnsFor, CONTACT_COLUMNS, type ContactColumn, type SortedColumn } from '@/core/columns';
import { CHANNELS, type Channel, type ChannelEntry } from '@/core/contacts';
import { BLOCKS, namedIn, newBlock, pageErrors, newPage, type BlockEntry } from '@/core/pages';
import { pageSchema } from '@/core/pages/schemas';
import type { HANDS } from '@/worker/messages/hand-over';

test('a channel of which not everything is said does not compile, nor one that nobody hands over', () => {
  const { glyph, ...without } = CHANNELS.text;
  /* @ts-expect-error -- it has no glyph */
  const unseen: ChannelEntry = without;
  /* @ts-expect-error -- nobody carries it */
  const handed: Record<Channel | 'pigeon', unknown> = {} as typeof HANDS;
  /* @ts-expect-error -- there is no such kind of address */
  const lost: ChannelEntry = { ...CHANNELS.letter, address: 'roof' };
  expect([glyph, unseen, handed, lost].every(Boolean)).toBe(true);
});

test('a block of which not everything is said does not compile', () => {
  const { on, ...without } = BLOCKS.agent;
  /* @ts-expect-error -- it has no page to stand on */
  const homeless: BlockEntry = without;
  /* @ts-expect-error -- there is no such kind of field */
  const odd: BlockEntry = { ...BLOCKS.agent, fields: { sound: { is: 'sound', label: 'Plays', first: null } } };
  expect([on, homeless, odd].every(Boolean)).toBe(true);
});

test('a column without a name does not compile, nor one that is sorted by and has no order in SQL', () => {
  const { name, ...without } = CONTACT_COLUMNS.city;
  /* @ts-expect-error -- nobody knows what it is called */
  const nameless: ContactColumn = without;
  /* @ts-expect-error -- a segment has no such question */
  const unasked: ContactColumn = { ...CONTACT_COLUMNS.city, filter: 'shoe_size' };
  /* @ts-expect-error -- the city is sorted by */
  const orders: Record<SortedColumn, unknown> = {
    created: 1,
    name: 1,
    last_touch: 1,
    next_touch: 1,
    last_spoke: 1,
    attempts: 1,
    stage: 1,
  };
  expect([name, nameless, unasked, orders].every(Boolean)).toBe(true);
  expect(columnsFor('sort').map(([key]) => key)).toContain('city');
});

test('a block is taken as it begins, and refused without one of its fields', () => {
  const page = newPage('form', 'Heron Realty');
  const picture = { ...newBlock('picture', 'b9'), picture_id: '12' };
  expect(pageSchema.validate({ ...page, blocks: [...page.blocks, picture] }).error).toBeUndefined();
  const silent = { ...picture, alt: undefined };
  expect(pageSchema.validate({ ...page, blocks: [...page.blocks, silent] }).error?.message).toMatch(/blocks/);
  expect(namedIn([...page.blocks, picture], 'picture')).toEqual(['12']);
  expect(pageErrors({ ...page, blocks: [...page.blocks, picture] })).toEqual([
    { block: 'b9', message: 'Describe the picture for people who can’t see it.' },
  ]);
});
