/** Campaigns that come with Urraca, with their whole wording: a beginning that one changes, copies or leaves. */
import { NO_PLAN, type Plan } from './plan';

export interface Starter {
  key: string;
  name: string;
  /** What it does, in a sentence. */
  about: string;
  /** Of campaigns of a group a person is in one at a time. */
  group: string | null;
  plan: Plan;
}

/** The starter for buyers who have just arrived: a text at once, an e-mail the next morning, a call on day 2, a letter on day 5. */
export const NEW_BUYER: Starter = {
  key: 'new_buyer',
  name: 'New buyer',
  group: 'First weeks',
  about: 'For buyers who have just asked: a text at once, an e-mail the next morning, a call on day 2, a letter on day 5.',
  plan: {
    ...NO_PLAN,
    steps: [
      {
        id: 0,
        do: 'touch',
        channel: 'text',
        when: { after: 'start', minutes: 0 },
        words: {
          text: 'Hello {{ first_name }}, this is {{ agent_first_name }} at {{ brokerage }}. Thank you for asking about homes in {{ town }}. When would be a good time to talk? Reply STOP for no more texts.',
          plain:
            'Hello, this is {{ agent_first_name }} at {{ brokerage }}. Thank you for your question about homes here. When would be a good time to talk? Reply STOP for no more texts.',
        },
      },
      {
        id: 1,
        do: 'touch',
        channel: 'email',
        when: { after: 'start', days: 1, at: '09:00' },
        words: {
          subject: 'Homes you asked about',
          text: 'Good morning {{ first_name }},\n\nyesterday you asked us about homes in {{ town }}. I know the streets there well and would be glad to walk a few of them with you. Two lines are enough: what must it have, and by when would you like to live in it?\n\n{{ agent_name }}\n{{ brokerage }}, {{ agent_phone }}',
          plain:
            'Good morning,\n\nyesterday you asked us about homes here on the coast. I would be glad to show you a few. Two lines are enough: what must it have, and by when would you like to live in it?\n\n{{ agent_name }}\n{{ brokerage }}, {{ agent_phone }}',
        },
      },
      {
        id: 2,
        do: 'touch',
        channel: 'call',
        when: { after: 'start', days: 2, at: '10:00' },
        words: {
          text: 'Ask what they look for, and by when they would like to move.',
          plain: 'Ask what they look for, and by when they would like to move.',
        },
      },
      {
        id: 3,
        do: 'touch',
        channel: 'letter',
        when: { after: 'start', days: 5, at: '09:00' },
        words: {
          subject: 'A few streets worth a walk',
          text: 'Dear {{ first_name }},\n\nsome things are better on paper. Enclosed with this page go my regards and an offer: an hour on foot through {{ town }}, no papers to sign, so that you know the streets before you look at houses.\n\nCall me when it suits you: {{ agent_phone }}.\n\n{{ agent_name }}\n{{ brokerage }}',
          plain:
            'Hello,\n\nsome things are better on paper. Enclosed with this page go my regards and an offer: an hour on foot through the streets you like, no papers to sign, so that you know them before you look at houses.\n\nCall me when it suits you: {{ agent_phone }}.\n\n{{ agent_name }}\n{{ brokerage }}',
        },
      },
    ],
  },
};

export const STARTERS: readonly Starter[] = [NEW_BUYER];
