/** What varies by kind is said in one place each: an entry that leaves something open does not compile, nor a list that lacks one. */
import { CHANNELS, type Channel, type ChannelEntry } from '@/core/contacts';
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
