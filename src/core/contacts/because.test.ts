/** Every reason reads as one plain sentence: nothing left open, nothing of the machine in it. */
import { sentenceOf, type Because } from '.';

const until = '2026-11-28T13:00:00.000Z';
const zone = 'America/New_York';
const channel = 'text' as const;
const campaign = 'First weeks';
const REASONS: [Because, RegExp][] = [
  [{ why: 'returning', agent: 'Ines' }, /stays with Ines/],
  [
    { why: 'round_robin', rung: 2, who: 'Buyers', roster: 'East', agent: 'Ines', skipped: ['Odo', 'Mara'] },
    /^Rung 2, “Buyers”: East \(round robin\), Ines was next; Odo and Mara are away\.$/,
  ],
  [{ why: 'weighted', rung: null, who: '', roster: 'East', agent: 'Ines', skipped: [] }, /^East \(weighted\), Ines was next\.$/],
  [{ why: 'weighted', rung: 12, who: 'All', roster: 'East', agent: 'Ines', skipped: [] }, /^Rung 12, /],
  [{ why: 'offered', rung: 1, who: 'All', roster: 'East', to: ['A', 'B', 'C', 'D'] }, /offered to 4 people of East\.$/],
  [
    { why: 'offered', rung: 1, who: 'All', roster: 'East', to: ['A', 'B'], passed: 'C is away' },
    /offered to A and B of East; C is away\.$/,
  ],
  [{ why: 'claimed', roster: 'East', agent: 'Ines', seconds: 70, of: 3 }, /Ines accepted after .+, the first of 3 on East\.$/],
  [{ why: 'commons', roster: 'East' }, /commons/],
  [{ why: 'joined' }, /already being offered/],
  [
    { why: 'safety_net', roster: null, agent: 'Ines', cause: 'no_rung' },
    /^No rung matched, so it goes to the safety net: Ines\.$/,
  ],
  [{ why: 'safety_net', roster: 'East', agent: 'Ines', cause: 'roster_empty' }, /^East has no one on it/],
  [{ why: 'shares_address', agent: 'Ines', of: 'Harriet Osierby' }, /Goes to Ines, who has Harriet Osierby already/],
  [{ why: 'kept_by_hand', agent: 'Ines' }, /keeps it/],
  [{ why: 'source_assigned', agent: 'Ines' }, /named the agent/],
  [{ why: 'own_listing', agent: 'Ines', listing: '12 Heron Lane' }, /12 Heron Lane/],
  [{ why: 'handed_by', agent: 'Ines', by: 'Odo' }, /to Ines by Odo/],
  [{ why: 'arrived', campaign }, /started “First weeks”/],
  [{ why: 'not_enrolled', campaign, cause: 'not_followed_up', stage: 'client' }, /the stage is Client, where campaigns end\.$/],
  [{ why: 'not_enrolled', campaign, cause: 'already_in' }, /they’re already in it\.$/],
  [{ why: 'answered', channel: 'call', campaign }, /had a phone conversation/],
  [{ why: 'answered', channel, campaign }, /replied by text/],
  [{ why: 'opted_out', channel, campaign }, /opted out of texts/],
  [{ why: 'stage_reached', stage: 'client', campaign }, /the stage is Client/],
  [{ why: 'stopped_by', by: 'Ines', campaign }, /stopped by Ines/],
  [{ why: 'removed_by', by: 'Ines', campaign }, /Ines deleted them/],
  [{ why: 'put_in_by', by: 'Ines', campaign }, /by Ines/],
  [{ why: 'entered', campaign }, /now matches this campaign/],
  [{ why: 'day_came', campaign }, /on its scheduled date/],
  [{ why: 'unreachable', campaign }, /no usable phone/],
  [{ why: 'left_by', campaign, other: 'Long talk' }, /“Long talk” removed them/],
  [{ why: 'appointment', campaign }, /made an appointment/],
  [{ why: 'paused_until', campaign, until, zone, channel }, /pauses until .*8:00.*: they replied by text\.$/],
  [{ why: 'paused_until', campaign, until, zone, channel: null }, /they made an appointment\.$/],
  [{ why: 'changed_by', campaign, day: 3 }, /day 3/],
  [{ why: 'ran_through', campaign }, /finished/],
  [{ why: 'quiet_hours', channel, until, zone, from: '08:00', to: '20:00' }, /we send 8 AM–8 PM their time/],
  [{ why: 'on_the_phone_now', channel, until, zone }, /on a call right now/],
  [{ why: 'holiday', channel, until, zone }, /holiday/],
  [{ why: 'text_gap', channel, hours: 20, until, zone }, /20 hours/],
  [{ why: 'capped', channel: 'email', most: 1, days: 1, until, zone }, /the limit is 1 touch a day/],
  [{ why: 'capped', channel: 'email', most: 3, days: 7, until, zone }, /the limit is 3 touches in 7 days/],
  [{ why: 'no_permission', channel: 'email' }, /permission for emails/],
  [{ why: 'withdrawn', channel, on: until, zone, how: 'said stop' }, /withdrawn on .+\(said stop\)/],
  [{ why: 'do_not_contact', channel }, /marked do not contact/],
  [{ why: 'household_says_no', channel }, /household/],
  [{ why: 'registry', channel: 'call' }, /do-not-call registry/],
  [{ why: 'template_cap', channel, template: 'Hello', most: 50, until, zone }, /“Hello” is limited to 50 a day/],
  [{ why: 'broadcast', broadcast: 'Open house' }, /“Open house”/],
  [{ why: 'talk', asks: 'when' }, /assistant asks/],
  [{ why: 'no_address', channel: 'letter' }, /complete mailing address/],
  [{ why: 'no_address', channel: 'email' }, /email address/],
  [{ why: 'no_address', channel }, /phone number/],
  [{ why: 'address_broken', channel, error: '550' }, /\(550\)/],
  [{ why: 'not_followed_up', channel, stage: 'client' }, /where campaigns end/],
  [{ why: 'has_answered', channel }, /replied first/],
  [{ why: 'refused', channel, error: 'no such number' }, /no such number/],
  [{ why: 'campaign_day', campaign, day: 14 }, /^“First weeks”, day 14\.$/],
  [{ why: 'no_owner', channel }, /no agent/],
  [{ why: 'registry_unchecked', channel }, /do-not-call registry/],
  [{ why: 'no_postal_address', channel }, /mailing address in Setup/],
  [{ why: 'not_connected', channel: 'email' }, /emails aren’t connected yet/],
  [{ why: 'not_theirs', campaign }, /has a new agent/],
];

test.each(REASONS)('%j', (because, words) => {
  const sentence = sentenceOf(because);
  expect(sentence).toMatch(words);
  expect(sentence).toMatch(/^[\p{Lu}“].*\.$/u);
  expect(sentence).not.toMatch(/undefined|null|NaN|\[object|_| {2}|\.\.|Invalid/);
});

test('an account’s own names of stages are used', () => {
  expect(sentenceOf({ why: 'stage_reached', stage: 'client', campaign }, () => 'Ours')).toBe(
    '“First weeks” ended: the stage is Ours.',
  );
});
