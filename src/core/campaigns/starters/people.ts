/** Starters for people one knows: past clients, the sphere, birthdays, anniversaries, winter. */
import { AT_ONCE, call, day, email, letter, plan, text, WEEKDAYS, type Starter } from './steps';

const ON = { answered: 'on', pauseDays: 7, unreachable: 'end', then: [] } as const;
const ends = { ...ON, then: [] };

export const PAST_CLIENT: Starter = {
  key: 'past_client',
  name: 'Past client, year by year',
  about: 'For people who bought or sold with us: a call and a letter each year, a mail in between, for as long as you know them.',
  group: 'People we know',
  plan: plan(
    [
      call(day(14, '16:00', WEEKDAYS), 'How do they live there? Is anything broken? Do they need a good tradesperson?'),
      email(
        day(90, '09:00'),
        'Is everything working?',
        'Hello {{ first_name }},\n\nafter a season in a house one knows its quirks. If something needs mending, I know people who come, and who send fair bills. Just answer with what it is.',
        'Hello,\n\nafter a season in a house one knows its quirks. If something needs mending, I know people who come, and who send fair bills. Just answer with what it is.',
      ),
      letter(
        day(180, '09:00', WEEKDAYS),
        'What your home is worth today',
        'Dear {{ first_names }},\n\nonce a year I write to the people whose home I helped to find or to sell. If you would like to know what yours is worth today, for the insurance or out of curiosity, call me and I send you a page.',
        'Hello,\n\nonce a year I write to the people whose home I helped to find or to sell. If you would like to know what yours is worth today, for the insurance or out of curiosity, call me and I send you a page.',
      ),
      call(day(270, '16:00', WEEKDAYS), 'Just ask how they are. Family, work, the garden. Whom do they know who moves?'),
    ],
    { anyStage: true, repeat: { days: 365, times: null }, ends },
  ),
};

export const SPHERE: Starter = {
  key: 'sphere',
  name: 'Sphere, every month',
  about: 'For friends and acquaintances: a short mail each month, written like a person.',
  group: 'People we know',
  plan: plan(
    [
      email(
        day(0, '09:00', [2, 3, 4]),
        'A short hello',
        'Hello {{ first_name }},\n\nthis is my short hello of the month. What is new with you? With me it is the usual: other people’s houses. If you hear of somebody who moves, I am glad about a word.',
        'Hello,\n\nthis is my short hello of the month. What is new with you? With me it is the usual: other people’s houses. If you hear of somebody who moves, I am glad about a word.',
      ),
    ],
    { anyStage: true, repeat: { days: 30, times: null }, ends },
  ),
};

export const BIRTHDAY: Starter = {
  key: 'birthday',
  name: 'Birthday',
  about: 'A letter that arrives in the week before, a text in the morning of the day.',
  group: null,
  plan: plan(
    [
      letter(
        AT_ONCE,
        'For your birthday',
        'Dear {{ first_name }},\n\nI wish you a good year: health, company, and a house that is warm in winter.',
        'Hello,\n\nI wish you a good year: health, company, and a house that is warm in winter.',
      ),
      text(
        { date: 'birthday', days: 0, at: '09:30' },
        'Happy birthday, {{ first_name }}! All the best from {{ agent_first_name }} at {{ brokerage }}. Reply STOP for no more texts.',
        'Happy birthday! All the best from {{ agent_first_name }} at {{ brokerage }}. Reply STOP for no more texts.',
      ),
    ],
    { anyStage: true, starts: [{ on: 'date', date: 'birthday', days: -7, at: '09:00' }], ends },
  ),
};

export const CLOSING: Starter = {
  key: 'closing',
  name: 'Anniversary of the closing',
  about: 'Every year on the day they got their keys: a mail in the morning, a call in the same week.',
  group: null,
  plan: plan(
    [
      email(
        AT_ONCE,
        'The day you got your keys',
        'Hello {{ first_name }},\n\ntoday is the day on which you got your keys. I hope that the house has become yours since. What do you like best about it, now that you know it?',
        'Hello,\n\ntoday is the day on which you got your keys. I hope that the house has become yours since. What do you like best about it, now that you know it?',
      ),
      call(day(2, '16:00', WEEKDAYS), 'Anniversary of their closing: how is the house? Who do they know who looks for one?'),
    ],
    { anyStage: true, starts: [{ on: 'date', date: 'closing', days: 0, at: '09:00' }], ends },
  ),
};

export const WINTER: Starter = {
  key: 'winter',
  name: 'Winter greeting',
  about: 'Every year in December a letter to the people one knows, without a word of business.',
  group: null,
  plan: plan(
    [
      letter(
        AT_ONCE,
        'A quiet winter',
        'Dear {{ first_names }},\n\nthe days are short now, and a good time to say thank you: for your trust, your stories, the people you sent to me. I wish you a quiet winter and a bright new year.',
        'Hello,\n\nthe days are short now, and a good time to say thank you: for your trust, your stories, the people you sent to me. I wish you a quiet winter and a bright new year.',
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
