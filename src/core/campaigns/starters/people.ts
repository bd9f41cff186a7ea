/** Starters for people we know: past clients, the sphere, birthdays, anniversaries, winter. */
import { AT_ONCE, call, day, email, letter, plan, text, WEEKDAYS, type Starter } from './steps';

const ON = { answered: 'on', pauseDays: 7, unreachable: 'end', then: [] } as const;
const ends = { ...ON, then: [] };

export const PAST_CLIENT: Starter = {
  key: 'past_client',
  name: 'Past client, year by year',
  about: 'For people who bought or sold with you: a call and a letter each year, with an email in between.',
  group: 'People we know',
  plan: plan(
    [
      call(day(14, '16:00', WEEKDAYS), 'How are they settling in? Does anything need fixing? Do they need a referral?'),
      email(
        day(90, '09:00'),
        'Is everything working?',
        'Hi {{ first_name }},\n\nAfter a few months in a home, you know its quirks. If something needs fixing, I can point you to people my clients have been happy with.\n\nIs there anything I can help with?',
        'Hello,\n\nAfter a few months in a home, you know its quirks. If something needs fixing, I can point you to people my clients have been happy with.\n\nIs there anything I can help with?',
      ),
      letter(
        day(180, '09:00', WEEKDAYS),
        'What your home is worth today',
        'Dear {{ first_names }},\n\nOnce a year I check in with the people I’ve helped buy or sell. If you’d like an estimate of what your home is worth today, call me and I’ll send you one.',
        'Hello,\n\nOnce a year I check in with the people I’ve helped buy or sell. If you’d like an estimate of what your home is worth today, call me and I’ll send you one.',
      ),
      call(day(270, '16:00', WEEKDAYS), 'Just see how they’re doing. Do they know anyone who’s moving?'),
    ],
    { anyStage: true, repeat: { days: 365, times: null }, ends },
  ),
};

export const SPHERE: Starter = {
  key: 'sphere',
  name: 'Sphere, every month',
  about: 'For friends and acquaintances: a short, personal email each month.',
  group: 'People we know',
  plan: plan(
    [
      email(
        day(0, '09:00', [2, 3, 4]),
        'A short hello',
        'Hi {{ first_name }},\n\nJust a quick hello this month. If you hear of anyone who’s thinking of moving, I’d love an introduction.\n\nWhat’s new with you?',
        'Hello,\n\nJust a quick hello this month. If you hear of anyone who’s thinking of moving, I’d love an introduction.\n\nWhat’s new with you?',
      ),
    ],
    { anyStage: true, repeat: { days: 30, times: null }, ends },
  ),
};

export const BIRTHDAY: Starter = {
  key: 'birthday',
  name: 'Birthday',
  about: 'A letter the week before, and a text on the morning of the day.',
  group: null,
  plan: plan(
    [
      letter(
        AT_ONCE,
        'For your birthday',
        'Dear {{ first_name }},\n\nHappy birthday! I hope the year ahead is a great one, full of good health and good company.',
        'Hello,\n\nHappy birthday! I hope the year ahead is a great one, full of good health and good company.',
      ),
      text(
        { date: 'birthday', days: 0, at: '09:30' },
        'Happy birthday, {{ first_name }}! Best wishes from {{ agent_first_name }} with {{ brokerage }}. Reply STOP to opt out.',
        'Happy birthday! Best wishes from {{ agent_first_name }} with {{ brokerage }}. Reply STOP to opt out.',
      ),
    ],
    { anyStage: true, starts: [{ on: 'date', date: 'birthday', days: -7, at: '09:00' }], ends },
  ),
};

export const CLOSING: Starter = {
  key: 'closing',
  name: 'Closing anniversary',
  about: 'Every year on the day they got their keys: an email that morning and a call that week.',
  group: null,
  plan: plan(
    [
      email(
        AT_ONCE,
        'The day you got your keys',
        'Hi {{ first_name }},\n\nHappy home anniversary! Today’s the day you got your keys.\n\nWhat do you like best about the place now that you’ve lived in it?',
        'Hello,\n\nHappy home anniversary! Today’s the day you got your keys.\n\nWhat do you like best about the place now that you’ve lived in it?',
      ),
      call(day(2, '16:00', WEEKDAYS), 'Closing anniversary: how’s the house? Do they know anyone who’s looking?'),
    ],
    { anyStage: true, starts: [{ on: 'date', date: 'closing', days: 0, at: '09:00' }], ends },
  ),
};

export const WINTER: Starter = {
  key: 'winter',
  name: 'Winter greeting',
  about: 'A letter every December to the people you know. No business, just thanks.',
  group: null,
  plan: plan(
    [
      letter(
        AT_ONCE,
        'Happy holidays',
        'Dear {{ first_names }},\n\nAs the year ends, I’d like to say thank you for your trust and for the people you’ve sent my way. I wish you a peaceful winter and a happy new year.',
        'Hello,\n\nAs the year ends, I’d like to say thank you for your trust and for the people you’ve sent my way. I wish you a peaceful winter and a happy new year.',
      ),
    ],
    {
      anyStage: true,
      who: { on: 'stage', how: 'any', of: ['client', 'past_client', 'sphere'] },
      starts: [{ on: 'day', day: '12-08', at: '09:00' }],
      ends,
    },
  ),
};
