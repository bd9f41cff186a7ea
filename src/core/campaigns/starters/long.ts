/** Starters for the long way: people who will buy or sell in a year, who went quiet, or who own homes in a farm area. */
import { call, day, email, letter, plan, text, WEEKDAYS, type Starter } from './steps';

export const NURTURE_BUYER: Starter = {
  key: 'nurture_buyer',
  name: 'A year with a buyer',
  about: 'For buyers in no hurry: about one useful email a month, a call each season, and a letter before spring.',
  group: 'Long nurture',
  plan: plan(
    [
      email(
        day(3, '09:00'),
        'No hurry',
        'Hi {{ first_name }},\n\nYou mentioned it might be a while, and that’s fine. I’ll check in about once a month with what homes in {{ city }} are selling for and one thing worth knowing. Reply anytime.',
        'Hello,\n\nYou mentioned it might be a while, and that’s fine. I’ll check in about once a month with what homes in the area are selling for and one thing worth knowing. Reply anytime.',
      ),
      email(
        day(31, '09:00'),
        'See it at different times of day',
        'Hi {{ first_name }},\n\nBefore you tour homes in an area, drive through on a weekday evening and again on a weekend. Notice the traffic, the noise, and the parking. You’ll learn a lot in an hour.\n\nWhich areas are on your list?',
        'Hello,\n\nBefore you tour homes in an area, drive through on a weekday evening and again on a weekend. Notice the traffic, the noise, and the parking. You’ll learn a lot in an hour.\n\nWhich areas are on your list?',
      ),
      call(day(60, '16:00', WEEKDAYS), 'Ask about their plans. Has anything changed, such as work or their lease?'),
      email(
        day(91, '09:00'),
        'What a lender will ask for',
        'Hi {{ first_name }},\n\nFour things make your first call with a lender quick: two years of income, your monthly debts, your savings, and your current rent. With those, a lender can tell you what price range fits your budget.\n\nWould you like an introduction to a lender?',
        'Hello,\n\nFour things make your first call with a lender quick: two years of income, your monthly debts, your savings, and your current rent. With those, a lender can tell you what price range fits your budget.\n\nWould you like an introduction to a lender?',
      ),
      email(
        day(122, '09:00'),
        'Older home or newer home?',
        'Hi {{ first_name }},\n\nOlder homes often cost less up front and need more upkeep. Newer homes are often the reverse. It mostly depends on how much work you want to take on.\n\nWhich sounds more like you?',
        'Hello,\n\nOlder homes often cost less up front and need more upkeep. Newer homes are often the reverse. It mostly depends on how much work you want to take on.\n\nWhich sounds more like you?',
      ),
      call(day(150, '16:00', WEEKDAYS), 'Six months in. What would need to happen for them to start looking?'),
      email(
        day(182, '09:00'),
        'Three things to check on a first tour',
        'Hi {{ first_name }},\n\nOn a first tour it’s easy to notice the kitchen and miss the roof, the drainage, and the age of the systems. Take a second look before you decide, and have a professional inspect it.\n\nWant me to come along on your next tour?',
        'Hello,\n\nOn a first tour it’s easy to notice the kitchen and miss the roof, the drainage, and the age of the systems. Take a second look before you decide, and have a professional inspect it.\n\nWant me to come along on your next tour?',
      ),
      email(
        day(243, '09:00'),
        'What sold this season',
        'Hi {{ first_name }},\n\nIs there a street in {{ city }} you like? Tell me which one, and I’ll send you what sold there in the last 12 months, with prices.',
        'Hello,\n\nIs there a street you like? Tell me which one, and I’ll send you what sold there in the last 12 months, with prices.',
      ),
      letter(
        day(275, '09:00', WEEKDAYS),
        'Before the spring market',
        'Dear {{ first_names }},\n\nMany homes come on the market in spring, and so do many buyers. It helps to have your financing lined up and your areas picked before then.\n\nWould you like to spend an hour on it in the next few weeks?',
        'Hello,\n\nMany homes come on the market in spring, and so do many buyers. It helps to have your financing lined up and your areas picked before then.\n\nWould you like to spend an hour on it in the next few weeks?',
      ),
      call(day(300, '16:00', WEEKDAYS), 'Offer to meet for an hour. Ask again about timing and budget.'),
      email(
        day(360, '09:00'),
        'Checking in',
        'Hi {{ first_name }},\n\nAbout a year ago you asked me about buying a home. Are you still thinking about it? A quick yes or no is all I need.',
        'Hello,\n\nAbout a year ago you asked me about buying a home. Are you still thinking about it? A quick yes or no is all I need.',
      ),
    ],
    { roles: ['buyer'] },
  ),
};

export const NURTURE_SELLER: Starter = {
  key: 'nurture_seller',
  name: 'A year with a seller',
  about: 'For owners who’ll sell someday: local prices, what to prepare, and a call each season.',
  group: 'Long nurture',
  plan: plan(
    [
      email(
        day(5, '09:00'),
        'Sales near you, every quarter',
        'Hi {{ first_name }},\n\nUntil you decide, I’ll send you a short summary every three months of what sold near you and for how much. No need to reply, but I’m here if you have questions.',
        'Hello,\n\nUntil you decide, I’ll send you a short summary every three months of what sold near you and for how much. No need to reply, but I’m here if you have questions.',
      ),
      email(
        day(40, '09:00'),
        'Start a folder for your home',
        'Hi {{ first_name }},\n\nWhen you sell, buyers ask for paperwork: permits, warranties, and receipts for things like the roof and the furnace. Start a folder now, and you’ll save time later.\n\nWould a checklist help?',
        'Hello,\n\nWhen you sell, buyers ask for paperwork: permits, warranties, and receipts for things like the roof and the furnace. Start a folder now, and you’ll save time later.\n\nWould a checklist help?',
      ),
      call(day(75, '16:00', WEEKDAYS), 'Any news on their plans? Offer to email recent sales on their street.'),
      email(
        day(120, '09:00'),
        'Where would you go?',
        'Hi {{ first_name }},\n\nFor many owners, the hard part isn’t selling. It’s knowing where to go next. Tell me what your next home needs, and I’ll let you know what’s out there and what it costs.\n\nWhat’s on your list?',
        'Hello,\n\nFor many owners, the hard part isn’t selling. It’s knowing where to go next. Tell me what your next home needs, and I’ll let you know what’s out there and what it costs.\n\nWhat’s on your list?',
      ),
      letter(
        day(180, '09:00', WEEKDAYS),
        'What your home could sell for',
        'Dear {{ first_names }},\n\nPrices change. If you’d like to know what your home could sell for today, I’ll stop by for half an hour and leave you a one-page estimate.\n\nWhat day works for you?',
        'Hello,\n\nPrices change. If you’d like to know what your home could sell for today, I’ll stop by for half an hour and leave you a one-page estimate.\n\nWhat day works for you?',
      ),
      call(day(200, '16:00', WEEKDAYS), 'Did they get the letter? Would they like the estimate?'),
      email(
        day(280, '09:00'),
        'When’s the right time to sell?',
        'Hi {{ first_name }},\n\nThe number of buyers changes with the season. The right time for you depends on your home and your plans.\n\nAre you leaning toward a certain time of year?',
        'Hello,\n\nThe number of buyers changes with the season. The right time for you depends on your home and your plans.\n\nAre you leaning toward a certain time of year?',
      ),
      call(day(340, '16:00', WEEKDAYS), 'It’s been a year. Are they still thinking of selling?'),
    ],
    { roles: ['seller'] },
  ),
};

export const QUIET_REVIVAL: Starter = {
  key: 'quiet_revival',
  name: 'Leads that went quiet',
  about: 'For people who asked a while ago and went quiet: one question, one call, and a last note.',
  group: 'Long nurture',
  plan: plan(
    [
      text(
        day(0, '11:00', [2, 3, 4]),
        "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. You asked about homes a while back. Are you still looking? Reply STOP to opt out.",
        "Hi, it's {{ agent_first_name }} with {{ brokerage }}. You asked about homes a while back. Are you still looking? Reply STOP to opt out.",
      ),
      email(
        day(2, '09:00'),
        'Still looking?',
        'Hi {{ first_name }},\n\nYou asked me about homes a while back. If you found one, congratulations! If you’re still looking, I’d be glad to help.\n\nHas anything changed since we last talked?',
        'Hello,\n\nYou asked me about homes a while back. If you found one, congratulations! If you’re still looking, I’d be glad to help.\n\nHas anything changed since we last talked?',
      ),
      call(day(5, '16:00', WEEKDAYS), 'Ask how their search went. If they bought, do they have an agent now?'),
      email(
        day(16, '09:00'),
        'I’ll leave it here',
        'Hi {{ first_name }},\n\nI don’t want to fill up your inbox, so this is my last email for now. If you need anything, just reply or call me.',
        'Hello,\n\nI don’t want to fill up your inbox, so this is my last email for now. If you need anything, just reply or call me.',
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
  about: 'For owners in your farm area: a letter and a call each season, no email.',
  group: null,
  plan: plan(
    [
      letter(
        day(0, '09:00', WEEKDAYS),
        'Home sales near you',
        'Dear neighbor,\n\nFour times a year I send owners near here a one-page summary: what sold, for how much, and how long it took. If you’d like to know more about any of these sales, give me a call.',
      ),
      call(day(9, '16:00', WEEKDAYS), 'Did they get the letter? Ask what they’d like to know about local sales.'),
      letter(
        day(91, '09:00', WEEKDAYS),
        'Sold near you this season',
        'Dear neighbor,\n\nHere’s this season’s summary. With so few sales nearby, each one matters. Call me if you’d like the details on any of them.',
      ),
      call(day(101, '16:00', WEEKDAYS), 'Mention the latest nearby sale. Do they know anyone thinking of selling?'),
      letter(
        day(182, '09:00', WEEKDAYS),
        'Local pros I recommend',
        'Dear neighbor,\n\nAlong with this season’s sales, here’s an offer: if you need a roofer, a landscaper, or an electrician, call me and I’ll share who my clients have been happy with.',
      ),
      letter(
        day(273, '09:00', WEEKDAYS),
        'The year in home sales',
        'Dear neighbor,\n\nThe year is almost over, and here’s how home sales went near you. If you’re curious what your own home could sell for, I’d be happy to put together an estimate.',
      ),
    ],
    { anyStage: true, ends: { answered: 'on', pauseDays: 7, unreachable: 'end', then: [] } },
  ),
};

export const JUST_LISTED: Starter = {
  key: 'just_listed',
  name: 'Just listed around the corner',
  about: 'For owners near a new listing: a letter, and a call to ask if they know a buyer.',
  group: null,
  plan: plan(
    [
      letter(
        day(0, '09:00'),
        'New on your street',
        'Dear neighbor,\n\nA home near you just came on the market. If you know anyone who’s looking to buy, please pass it along. You’re welcome at the open house, too, even if you’re just curious.',
      ),
      call(day(5, '17:00', WEEKDAYS), 'Do they know anyone looking to buy? Invite them to the open house.'),
    ],
    { anyStage: true, ends: { answered: 'on', pauseDays: 7, unreachable: 'end', then: [] } },
  ),
};
