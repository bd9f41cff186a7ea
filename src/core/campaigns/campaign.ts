/** What a campaign is: touches on days, each with its words and a plain version for when data for the merge fields is missing. */
import { localInstant, MINUTE } from '../shared';
import type { Channel } from '../contacts';

/** When a touch is due: so many minutes after the enrolment, or on a later local day at a clock time of the contact. */
export type TouchTime = { afterMinutes: number } | { day: number; at: string };

export interface Words {
  subject?: string;
  text: string;
  /** The wording used when a merge field of `text` has no value. Has no merge fields itself. */
  plain: string;
}

export interface Touch {
  channel: Channel;
  when: TouchTime;
  words: Words;
}

export interface Campaign {
  id: string;
  name: string;
  state: 'on' | 'held';
  touches: Touch[];
}

/** The instant a touch is planned for, in the contact's zone. */
export const plannedAt = (touch: Touch, startedAt: Date, timeZone: string): Date =>
  'afterMinutes' in touch.when
    ? new Date(startedAt.getTime() + touch.when.afterMinutes * MINUTE)
    : localInstant(startedAt, timeZone, touch.when.day, touch.when.at);

/** The day of the campaign on which a touch stands, the day of the enrolment being 0. */
export const dayOf = (touch: Touch): number =>
  'afterMinutes' in touch.when ? Math.floor(touch.when.afterMinutes / 1440) : touch.when.day;

/** The starter for buyers who have just arrived: a text at once, an e-mail the next morning, a call on day 2, a letter on day 5. */
export const NEW_BUYER: { name: string; exclusiveGroup: string; touches: Touch[] } = {
  name: 'New buyer',
  exclusiveGroup: 'First weeks',
  touches: [
    {
      channel: 'text',
      when: { afterMinutes: 0 },
      words: {
        text: 'Hello {{ first_name }}, this is {{ agent_first_name }} at {{ brokerage }}. Thank you for asking about homes in {{ town }}. When would be a good time to talk? Reply STOP for no more texts.',
        plain:
          'Hello, this is {{ agent_first_name }} at {{ brokerage }}. Thank you for your question about homes here. When would be a good time to talk? Reply STOP for no more texts.',
      },
    },
    {
      channel: 'email',
      when: { day: 1, at: '09:00' },
      words: {
        subject: 'Homes you asked about',
        text: 'Good morning {{ first_name }},\n\nyesterday you asked us about homes in {{ town }}. I know the streets there well and would be glad to walk a few of them with you. Two lines are enough: what must it have, and by when would you like to live in it?\n\n{{ agent_name }}\n{{ brokerage }}, {{ agent_phone }}',
        plain:
          'Good morning,\n\nyesterday you asked us about homes here on the coast. I would be glad to show you a few. Two lines are enough: what must it have, and by when would you like to live in it?\n\n{{ agent_name }}\n{{ brokerage }}, {{ agent_phone }}',
      },
    },
    {
      channel: 'call',
      when: { day: 2, at: '10:00' },
      words: {
        text: 'Ask what they look for, and by when they would like to move.',
        plain: 'Ask what they look for, and by when they would like to move.',
      },
    },
    {
      channel: 'letter',
      when: { day: 5, at: '09:00' },
      words: {
        subject: 'A few streets worth a walk',
        text: 'Dear {{ first_name }},\n\nsome things are better on paper. Enclosed with this page go my regards and an offer: an hour on foot through {{ town }}, no papers to sign, so that you know the streets before you look at houses.\n\nCall me when it suits you: {{ agent_phone }}.\n\n{{ agent_name }}\n{{ brokerage }}',
        plain:
          'Hello,\n\nsome things are better on paper. Enclosed with this page go my regards and an offer: an hour on foot through the streets you like, no papers to sign, so that you know them before you look at houses.\n\nCall me when it suits you: {{ agent_phone }}.\n\n{{ agent_name }}\n{{ brokerage }}',
      },
    },
  ],
};
