/** Starters for the long way: people who will buy or sell in a year, who went quiet, whose farm area one tends. */
import { call, day, email, letter, plan, text, WEEKDAYS, type Starter } from './steps';

export const NURTURE_BUYER: Starter = {
  key: 'nurture_buyer',
  name: 'A year with a buyer',
  about: 'For buyers without hurry: about one useful mail a month, a call each season, a letter before spring.',
  group: 'Long nurture',
  plan: plan(
    [
      email(
        day(3, '09:00'),
        'No hurry',
        'Hello {{ first_name }},\n\nyou said that it may take a while, and that is fine. Until then you hear from me about once a month: what homes in {{ town }} really sold for, and one thing worth knowing. Answer whenever you like.',
        'Hello,\n\nyou said that it may take a while, and that is fine. Until then you hear from me about once a month: what homes here really sold for, and one thing worth knowing. Answer whenever you like.',
      ),
      email(
        day(31, '09:00'),
        'Walk your streets in the evening',
        'Hello {{ first_name }},\n\nbefore you look at houses, look at streets, and do it on a Tuesday at six: the noise, the light, the neighbours coming home. You learn more in an hour than from a hundred pictures.',
        'Hello,\n\nbefore you look at houses, look at streets, and do it on a Tuesday at six: the noise, the light, the neighbours coming home. You learn more in an hour than from a hundred pictures.',
      ),
      call(day(60, '16:00', WEEKDAYS), 'How are their plans? Has anything changed: work, family, the lease?'),
      email(
        day(91, '09:00'),
        'What a lender will ask you',
        'Hello {{ first_name }},\n\nfour papers make the first talk with a lender short: two years of income, what you owe each month, what you have saved, and your rent. With those you know in one afternoon up to what price you can sleep well.',
        'Hello,\n\nfour papers make the first talk with a lender short: two years of income, what you owe each month, what you have saved, and your rent. With those you know in one afternoon up to what price you can sleep well.',
      ),
      email(
        day(122, '09:00'),
        'Old house, new house',
        'Hello {{ first_name }},\n\nan old house costs you in repairs what a new one costs you in price. The honest question is whether you like to mend things. If you do, tell me: the best houses for you are never in the first ten of any search.',
        'Hello,\n\nan old house costs you in repairs what a new one costs you in price. The honest question is whether you like to mend things. If you do, tell me: the best houses for you are never in the first ten of any search.',
      ),
      call(day(150, '16:00', WEEKDAYS), 'Half a year on: what would have to happen for them to start looking?'),
      email(
        day(182, '09:00'),
        'Three mistakes of first visits',
        'Hello {{ first_name }},\n\npeople look at kitchens and forget roofs; they come in sunshine and never in rain; they fall in love on Sunday and sign on Monday. Take me with you on the second visit. I look at the dull things.',
        'Hello,\n\npeople look at kitchens and forget roofs; they come in sunshine and never in rain; they fall in love on Sunday and sign on Monday. Take me with you on the second visit. I look at the dull things.',
      ),
      email(
        day(243, '09:00'),
        'What sold this season',
        'Hello {{ first_name }},\n\nif you tell me one street in {{ town }} that you like, I send you everything that was sold there in the last twelve months, with prices. No strings.',
        'Hello,\n\nif you tell me one street that you like, I send you everything that was sold there in the last twelve months, with prices. No strings.',
      ),
      letter(
        day(275, '09:00', WEEKDAYS),
        'Before the season begins',
        'Dear {{ first_names }},\n\nmost homes come to the market in spring, and so do most buyers. Those who have their papers ready and have walked their streets before are calm then. If you would like to be one of them, let us spend an hour in the next weeks.',
        'Hello,\n\nmost homes come to the market in spring, and so do most buyers. Those who have their papers ready and have walked their streets before are calm then. If you would like to be one of them, let us spend an hour in the next weeks.',
      ),
      call(day(300, '16:00', WEEKDAYS), 'Offer the hour together; ask again by when, and up to what price.'),
      email(
        day(360, '09:00'),
        'A year later',
        'Hello {{ first_name }},\n\na year ago you asked me about a home. Are you still thinking of it? A yes or a no in one word helps me to be useful, or quiet.',
        'Hello,\n\na year ago you asked me about a home. Are you still thinking of it? A yes or a no in one word helps me to be useful, or quiet.',
      ),
    ],
    { roles: ['buyer'] },
  ),
};

export const NURTURE_SELLER: Starter = {
  key: 'nurture_seller',
  name: 'A year with a seller',
  about: 'For owners who will sell one day: prices of the street, what to prepare, a call each season.',
  group: 'Long nurture',
  plan: plan(
    [
      email(
        day(5, '09:00'),
        'Your street, every quarter',
        'Hello {{ first_name }},\n\nuntil you decide, I send you every three months what was sold near you and for how much. It is one page, and you need not answer.',
        'Hello,\n\nuntil you decide, I send you every three months what was sold near you and for how much. It is one page, and you need not answer.',
      ),
      email(
        day(40, '09:00'),
        'A shoe box saves a week',
        'Hello {{ first_name }},\n\nwhoever sells is asked for papers: the survey, permits of what was built, bills of the roof and the heating. Begin a shoe box now. It saves a week later, and buyers trust a house that has its papers.',
        'Hello,\n\nwhoever sells is asked for papers: the survey, permits of what was built, bills of the roof and the heating. Begin a shoe box now. It saves a week later, and buyers trust a house that has its papers.',
      ),
      call(day(75, '16:00', WEEKDAYS), 'Any news of their plans? Offer the sales of their street by mail.'),
      email(
        day(120, '09:00'),
        'Where would you go?',
        'Hello {{ first_name }},\n\nmost people do not sell because they do not know where to go next. That is the better question to begin with. Tell me what the next place should have, and I tell you honestly whether it exists and what it costs.',
        'Hello,\n\nmost people do not sell because they do not know where to go next. That is the better question to begin with. Tell me what the next place should have, and I tell you honestly whether it exists and what it costs.',
      ),
      letter(
        day(180, '09:00', WEEKDAYS),
        'Half an hour in your house',
        'Dear {{ first_names }},\n\nprices move, and so do the reasons to stay. If you would like to know what your home would bring today, I come by for half an hour and leave you one page. Then you know, and nothing follows from it unless you want it.',
        'Hello,\n\nprices move, and so do the reasons to stay. If you would like to know what your home would bring today, I come by for half an hour and leave you one page. Then you know, and nothing follows from it unless you want it.',
      ),
      call(day(200, '16:00', WEEKDAYS), 'Did the letter arrive? Would they like the page about their house?'),
      email(
        day(280, '09:00'),
        'When to sell',
        'Hello {{ first_name }},\n\nspring brings the most buyers, autumn the most serious ones, and winter those who must. The right season depends on your house: a garden sells in May, a fireplace in October.',
        'Hello,\n\nspring brings the most buyers, autumn the most serious ones, and winter those who must. The right season depends on your house: a garden sells in May, a fireplace in October.',
      ),
      call(day(340, '16:00', WEEKDAYS), 'A year on: do they still think of it?'),
    ],
    { roles: ['seller'] },
  ),
};

export const QUIET_REVIVAL: Starter = {
  key: 'quiet_revival',
  name: 'Leads that went quiet',
  about: 'For people who asked long ago and have not been heard of: one question, one call, one last word.',
  group: 'Long nurture',
  plan: plan(
    [
      text(
        day(0, '11:00', [2, 3, 4]),
        'Hello {{ first_name }}, {{ agent_first_name }} at {{ brokerage }}. You asked about homes a while ago. Are you still looking, or have you found one? Reply STOP for no more texts.',
        'Hello, {{ agent_first_name }} at {{ brokerage }}. You asked about homes a while ago. Are you still looking, or have you found one? Reply STOP for no more texts.',
      ),
      email(
        day(2, '09:00'),
        'Found it, or still looking?',
        'Hello {{ first_name }},\n\nyou asked me about homes a while ago. If you have found one: congratulations, and I am glad to hear of it. If you are still looking, tell me what has changed since, and I begin anew with that.',
        'Hello,\n\nyou asked me about homes a while ago. If you have found one: congratulations, and I am glad to hear of it. If you are still looking, tell me what has changed since, and I begin anew with that.',
      ),
      call(day(5, '16:00', WEEKDAYS), 'Ask what came of their search. If they bought: who looks after them now?'),
      email(
        day(16, '09:00'),
        'I will leave it here',
        'Hello {{ first_name }},\n\nI do not want to fill your mailbox, so this is the last of my mails for now. My number stays the same.',
        'Hello,\n\nI do not want to fill your mailbox, so this is the last of my mails for now. My number stays the same.',
      ),
    ],
    {
      who: {
        all: [
          { on: 'last_inquiry', how: 'longer_ago', n: 6, unit: 'months' },
          { on: 'last_answer', how: 'not_within', n: 6, unit: 'months' },
        ],
      },
    },
  ),
};

export const FARM: Starter = {
  key: 'farm',
  name: 'Farm area, by letter and call',
  about: 'For owners of a neighbourhood one tends: a letter each season and a call after it, without any e-mail.',
  group: null,
  plan: plan(
    [
      letter(
        day(0, '09:00', WEEKDAYS),
        'Your neighbourhood in numbers',
        'Dear neighbour,\n\nfour times a year I send the owners of these streets one page: what was sold here, for how much, and how long it took. No offers, no tricks. If you would like to know more about one of the sales, call me.',
      ),
      call(day(9, '16:00', WEEKDAYS), 'Has the letter arrived? Ask what they would like to know about the street.'),
      letter(
        day(91, '09:00', WEEKDAYS),
        'Sold near you this season',
        'Dear neighbour,\n\nhere is the page of this season. Prices in these streets are made by very few sales, so each of them matters: ask me what was special about the one next door.',
      ),
      call(day(101, '16:00', WEEKDAYS), 'A word about the sale next door; do they know somebody who thinks of selling?'),
      letter(
        day(182, '09:00', WEEKDAYS),
        'Good tradespeople',
        'Dear neighbour,\n\nbeside the numbers of the season this page has something else: the roofer, the gardener and the electrician whom I would call to my own house. Use the names; you need not mention me.',
      ),
      letter(
        day(273, '09:00', WEEKDAYS),
        'The year in your streets',
        'Dear neighbour,\n\nthe year is nearly over, and here is what it brought to these streets. If you ask yourself what your own house would have brought, I tell you on one page, at your kitchen table.',
      ),
    ],
    { anyStage: true, ends: { answered: 'on', pauseDays: 7, unreachable: 'end', then: [] } },
  ),
};

export const JUST_LISTED: Starter = {
  key: 'just_listed',
  name: 'Just listed around the corner',
  about: 'For neighbours of a new listing: a letter, and a call to those who may know a buyer.',
  group: null,
  plan: plan(
    [
      letter(
        day(0, '09:00'),
        'New on your street',
        'Dear neighbour,\n\na house near yours is for sale since this week. Neighbours often know the next neighbour: if you have friends who would like to live here, tell them before everybody else hears of it. You are welcome at the open house, also out of curiosity.',
      ),
      call(day(5, '17:00', WEEKDAYS), 'Do they know somebody who would like to live here? Invite them to the open house.'),
    ],
    { anyStage: true, ends: { answered: 'on', pauseDays: 7, unreachable: 'end', then: [] } },
  ),
};
