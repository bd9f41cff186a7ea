/** Starters for people who have just come: what they hear in their first weeks. */
import { AT_ONCE, call, day, email, letter, plan, assistant, text, type Starter } from './steps';

export const NEW_BUYER: Starter = {
  key: 'new_buyer',
  name: 'New buyer',
  about: 'For buyers who have just asked: a text at once, an e-mail the next morning, a call on day 2, a letter on day 5.',
  group: 'First weeks',
  plan: plan([
    text(
      AT_ONCE,
      'Hello {{ first_name }}, this is {{ agent_first_name }} at {{ brokerage }}. Thank you for asking about homes in {{ town }}. When would be a good time to talk? Reply STOP for no more texts.',
      'Hello, this is {{ agent_first_name }} at {{ brokerage }}. Thank you for your question about homes here. When would be a good time to talk? Reply STOP for no more texts.',
    ),
    email(
      day(1, '09:00'),
      'Homes you asked about',
      'Good morning {{ first_name }},\n\nyesterday you asked us about homes in {{ town }}. I know the streets there well and would be glad to walk a few of them with you. Two lines are enough: what must it have, and by when would you like to live in it?',
      'Good morning,\n\nyesterday you asked us about homes here on the coast. I would be glad to show you a few. Two lines are enough: what must it have, and by when would you like to live in it?',
    ),
    call(day(2), 'Ask what they look for, and by when they would like to move.'),
    letter(
      day(5, '09:00'),
      'A few streets worth a walk',
      'Dear {{ first_name }},\n\nsome things are better on paper. Enclosed with this page go my regards and an offer: an hour on foot through {{ town }}, no papers to sign, so that you know the streets before you look at houses.\n\nCall me when it suits you.',
      'Hello,\n\nsome things are better on paper. Enclosed with this page go my regards and an offer: an hour on foot through the streets you like, no papers to sign, so that you know them before you look at houses.\n\nCall me when it suits you.',
    ),
  ]),
};

export const NEW_SELLER: Starter = {
  key: 'new_seller',
  name: 'New seller',
  about: 'For owners who think of selling: how a price is found, what to mend and what to leave, an hour at their house.',
  group: 'First weeks',
  plan: plan(
    [
      text(
        AT_ONCE,
        'Hello {{ first_name }}, {{ agent_first_name }} from {{ brokerage }} here. You asked what your home would bring. May I call you today or tomorrow? Reply STOP for no more texts.',
        'Hello, {{ agent_first_name }} from {{ brokerage }} here. You asked what your home would bring. May I call you today or tomorrow? Reply STOP for no more texts.',
      ),
      email(
        day(0, '17:00'),
        'How a price is found',
        'Hello {{ first_name }},\n\na price has three parts: what similar homes nearby were sold for this year, what yours has that they do not, and how many people look for such a home right now. The first I can send you without seeing the house. For the other two I would like to walk through it with you for half an hour.\n\nWhich afternoon suits you?',
        'Hello,\n\na price has three parts: what similar homes nearby were sold for this year, what yours has that they do not, and how many people look for such a home right now. The first I can send you without seeing the house. For the other two I would like to walk through it with you for half an hour.\n\nWhich afternoon suits you?',
      ),
      call(day(1), 'Ask why they think of selling and by when; offer half an hour at the house.'),
      email(
        day(4, '09:00'),
        'What to mend before selling, and what to leave',
        'Hello {{ first_name }},\n\nmost owners mend too much. Three things pay: light (clean windows, bright bulbs), the first ten steps behind the door, and whatever drips. A new kitchen almost never does.\n\nIf you like, I walk through with a list and tell you what I would leave as it is.',
        'Hello,\n\nmost owners mend too much. Three things pay: light (clean windows, bright bulbs), the first ten steps behind the door, and whatever drips. A new kitchen almost never does.\n\nIf you like, I walk through with a list and tell you what I would leave as it is.',
      ),
      call(day(8, '16:00'), 'Did the two letters help? Offer the walk through the house once more.'),
      letter(
        day(14, '09:00'),
        'When you are ready',
        'Dear {{ first_names }},\n\nselling a home is rarely in a hurry, and I am not either. When you would like to know where you stand, I come by with the sales of your street on one page. It costs you an hour and a cup of coffee.',
        'Hello,\n\nselling a home is rarely in a hurry, and I am not either. When you would like to know where you stand, I come by with the sales of your street on one page. It costs you an hour and a cup of coffee.',
      ),
    ],
    { roles: ['seller'] },
  ),
};

export const RENTER: Starter = {
  key: 'renter',
  name: 'Renter who may buy',
  about: 'For renters: answers first, then, without pressing, what owning would take.',
  group: 'First weeks',
  plan: plan(
    [
      text(
        AT_ONCE,
        'Hello {{ first_name }}, {{ agent_first_name }} at {{ brokerage }}. I have your question about a rental. By when do you need it? Reply STOP for no more texts.',
        'Hello, {{ agent_first_name }} at {{ brokerage }}. I have your question about a rental. By when do you need it? Reply STOP for no more texts.',
      ),
      call(day(1), 'Which rooms, by when, up to what rent. Do they think of buying one day?'),
      email(
        day(10, '18:00'),
        'Rent or buy: three numbers',
        'Hello {{ first_name }},\n\nthree numbers tell whether buying is worth a thought: how long you mean to stay, what you pay in rent, and what you have set aside. Below four years renting is nearly always cheaper. Above seven it seldom is.\n\nTell me yours, and I answer with an honest page, also when it says: stay where you are.',
        'Hello,\n\nthree numbers tell whether buying is worth a thought: how long you mean to stay, what you pay in rent, and what you have set aside. Below four years renting is nearly always cheaper. Above seven it seldom is.\n\nTell me yours, and I answer with an honest page, also when it says: stay where you are.',
      ),
      email(
        day(45, '18:00'),
        'What a first home takes',
        'Hello {{ first_name }},\n\nmost people think that a first home takes a fifth of its price in savings. Often it takes far less. A lender whom I trust explains it in twenty minutes by phone, and you owe nobody anything afterwards.\n\nShall I introduce you?',
        'Hello,\n\nmost people think that a first home takes a fifth of its price in savings. Often it takes far less. A lender whom I trust explains it in twenty minutes by phone, and you owe nobody anything afterwards.\n\nShall I introduce you?',
      ),
    ],
    { roles: ['renter'] },
  ),
};

export const OPEN_HOUSE: Starter = {
  key: 'open_house',
  name: 'Open-house visitor',
  about: 'For visitors who signed in: thanks the same evening, a call, two homes like it.',
  group: 'First weeks',
  plan: plan([
    text(
      { after: 'start', minutes: 120 },
      'Hello {{ first_name }}, {{ agent_first_name }} from {{ brokerage }}: thank you for coming by today. What did you think of the house? Reply STOP for no more texts.',
      'Hello, {{ agent_first_name }} from {{ brokerage }}: thank you for coming by today. What did you think of the house? Reply STOP for no more texts.',
    ),
    call(day(1, '11:00'), 'What did they like, what not; do they sell something first; who advises them?'),
    email(
      day(2, '09:00'),
      'Two homes like the one you saw',
      'Hello {{ first_name }},\n\nafter an open house people know better what they do not want than before. That helps. Tell me the one thing that was missing, and I send you two homes that have it.',
      'Hello,\n\nafter an open house people know better what they do not want than before. That helps. Tell me the one thing that was missing, and I send you two homes that have it.',
    ),
    call(day(9, '16:00'), 'Have they seen other homes since? Offer to see two together on one afternoon.'),
  ]),
};

export const NO_PHONE: Starter = {
  key: 'no_phone',
  name: 'No phone number yet',
  about: 'For people of whom only an e-mail address is known: asks for a number once, and is useful without it.',
  group: 'First weeks',
  plan: plan(
    [
      email(
        AT_ONCE,
        'Your question to {{ brokerage }}',
        'Hello {{ first_name }},\n\nthank you for writing. I can answer by mail, and gladly do. Some things take two minutes by phone and ten mails in writing, though: if you send me a number and an hour that suits you, I call then and at no other time.',
        'Hello,\n\nthank you for writing. I can answer by mail, and gladly do. Some things take two minutes by phone and ten mails in writing, though: if you send me a number and an hour that suits you, I call then and at no other time.',
      ),
      email(
        day(3, '09:00'),
        'By mail, then',
        'Hello {{ first_name }},\n\nno number is fine. Then three questions by mail: which towns, how many bedrooms, up to what price? With those I send you at most one mail a week, only with homes that fit.',
        'Hello,\n\nno number is fine. Then three questions by mail: which towns, how many bedrooms, up to what price? With those I send you at most one mail a week, only with homes that fit.',
      ),
      email(
        day(12, '09:00'),
        'Shall I keep looking?',
        'Hello {{ first_name }},\n\none word is enough: yes, and I keep an eye open for you; no, and I leave you in peace.',
        'Hello,\n\none word is enough: yes, and I keep an eye open for you; no, and I leave you in peace.',
      ),
    ],
    { who: { on: 'has_phone', how: 'no' } },
  ),
};

export const FIRST_QUESTIONS: Starter = {
  key: 'first_questions',
  name: 'First questions, by an assistant',
  about:
    'For leads who agreed to texts: an assistant asks when, where, up to what price, whether the money is arranged and whether they have an agent.',
  group: 'First weeks',
  plan: plan([
    assistant({ after: 'start', minutes: 5 }),
    call(day(1), 'The assistant has not heard from them, or not all. Ask what is still open.'),
    email(
      day(3, '09:00'),
      'Two lines are enough',
      'Hello {{ first_name }},\n\nI would like to look for the right thing and not for everything. By when would you like to move, and where to? Two lines are enough.',
      'Hello,\n\nI would like to look for the right thing and not for everything. By when would you like to move, and where to? Two lines are enough.',
    ),
  ]),
};
