/** The registry of channels: what is derived from it says what was said. */
import {
  byChannel,
  CHANNEL_KEYS,
  channelNamed,
  CHANNELS,
  channelsTo,
  foldFact,
  noFacts,
  SEND_CHANNELS,
  type Activity,
  type Channel,
} from '.';

test('what goes out, and what reaches somebody by the same address', () => {
  expect(SEND_CHANNELS).toEqual(['text', 'email', 'letter']);
  expect(channelsTo('phone')).toEqual(['call', 'text']);
  expect(channelsTo('mailing')).toEqual(['letter']);
  expect(byChannel((channel) => CHANNELS[channel].plural)).toEqual({
    call: 'calls',
    text: 'texts',
    email: 'emails',
    letter: 'letters',
  });
});

test.each([
  ['ok to text this phone', 'text'],
  ['email', 'email'],
  ['mailings by post', 'letter'],
  ['do not phone', 'call'],
  ['fax', null],
])('a heading “%s” speaks of %s', (heading, channel) => {
  expect(channelNamed(heading, (one) => CHANNELS[one].calledInHeadings)).toBe(channel);
});

const message = (channel: Channel, direction: 'in' | 'out'): Activity => ({
  contactId: '1',
  userId: null,
  at: new Date('2026-11-23T18:00:00Z'),
  kind: 'message',
  channel,
  direction,
  data: {},
  because: null,
});
test('each message counts for its own channel, and for no other', () => {
  for (const channel of CHANNEL_KEYS)
    for (const direction of ['in', 'out'] as const) {
      const facts = foldFact(noFacts(), message(channel, direction));
      const counted = [facts.textsOut, facts.textsIn, facts.emailsOut, facts.emailsIn, facts.lettersOut];
      const own = CHANNELS[channel].facts;
      const name = own && (direction === 'out' ? own.out : own.in);
      expect(counted.reduce((sum, n) => sum + n, 0)).toBe(name ? 1 : 0);
      if (name) expect(facts[name]).toBe(1);
    }
});
