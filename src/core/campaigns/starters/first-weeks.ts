/** Starters for people who have just come: what they hear in their first weeks. */
import { AT_ONCE, call, day, email, letter, plan, assistant, text, type Starter } from './steps';

export const NEW_BUYER: Starter = {
  key: 'new_buyer',
  name: 'New buyer',
  about: 'For buyers who just asked: a text right away, an email the next morning, a call on day 2, and a letter on day 5.',
  group: 'First weeks',
  plan: plan([
    text(
      AT_ONCE,
      "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. Thanks for asking about homes in {{ city }}. When's a good time to talk? Reply STOP to opt out.",
      "Hi, it's {{ agent_first_name }} with {{ brokerage }}. Thanks for asking about homes in the area. When's a good time to talk? Reply STOP to opt out.",
    ),
    email(
      day(1, '09:00'),
      'Homes you asked about',
      'Good morning {{ first_name }},\n\nYesterday you asked us about homes in {{ city }}. I know the area well, and I’d be happy to show you around.\n\nWhat are your must-haves, and when do you want to be in?',
      'Good morning,\n\nYesterday you asked us about homes in the area. I’d be happy to show you a few.\n\nWhat are your must-haves, and when do you want to be in?',
    ),
    call(day(2), 'Ask what they’re looking for and when they’re hoping to move.'),
    letter(
      day(5, '09:00'),
      'A walk through the neighborhood',
      'Dear {{ first_name }},\n\nIt helps to know the streets before you tour the houses. I’d be glad to spend an hour walking through {{ city }} with you. There’s nothing to sign.\n\nCall or text me when it’s convenient. What day works for you?',
      'Hello,\n\nIt helps to know the streets before you tour the houses. I’d be glad to spend an hour walking the areas you like with you. There’s nothing to sign.\n\nCall or text me when it’s convenient. What day works for you?',
    ),
  ]),
};

export const NEW_SELLER: Starter = {
  key: 'new_seller',
  name: 'New seller',
  about: 'For owners thinking of selling: how pricing works, what to fix and what to skip, and a home visit.',
  group: 'First weeks',
  plan: plan(
    [
      text(
        AT_ONCE,
        "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. You asked what your home might sell for. Can I call you today or tomorrow? Reply STOP to opt out.",
        "Hi, it's {{ agent_first_name }} with {{ brokerage }}. You asked what your home might sell for. Can I call you today or tomorrow? Reply STOP to opt out.",
      ),
      email(
        day(0, '17:00'),
        'How we price a home',
        'Hi {{ first_name }},\n\nA list price comes down to three things: what similar homes nearby have sold for, what yours has that they don’t, and how many buyers are looking right now. I can send you the first without seeing your home. For the other two, I’d like to walk through it with you for half an hour.\n\nWhich afternoon works for you?',
        'Hello,\n\nA list price comes down to three things: what similar homes nearby have sold for, what yours has that they don’t, and how many buyers are looking right now. I can send you the first without seeing your home. For the other two, I’d like to walk through it with you for half an hour.\n\nWhich afternoon works for you?',
      ),
      call(day(1), 'Ask why they’re thinking of selling and when. Offer a half-hour visit.'),
      email(
        day(4, '09:00'),
        'What to fix before you sell, and what to skip',
        'Hi {{ first_name }},\n\nMany owners fix too much before they sell. Start with the basics: clean windows and bright bulbs, a tidy entry, and anything that leaks. Check with me before you start a big remodel.\n\nWould you like me to walk through and tell you what I’d leave as is?',
        'Hello,\n\nMany owners fix too much before they sell. Start with the basics: clean windows and bright bulbs, a tidy entry, and anything that leaks. Check with me before you start a big remodel.\n\nWould you like me to walk through and tell you what I’d leave as is?',
      ),
      call(day(8, '16:00'), 'Did the two emails help? Offer the walk-through again.'),
      letter(
        day(14, '09:00'),
        'When you are ready',
        'Dear {{ first_names }},\n\nThere’s no rush to sell, and no pressure from me. When you’d like to know where you stand, I’ll bring you a one-page summary of recent sales near you. It takes about an hour.\n\nWould you like to set a time?',
        'Hello,\n\nThere’s no rush to sell, and no pressure from me. When you’d like to know where you stand, I’ll bring you a one-page summary of recent sales near you. It takes about an hour.\n\nWould you like to set a time?',
      ),
    ],
    { roles: ['seller'] },
  ),
};

export const RENTER: Starter = {
  key: 'renter',
  name: 'Renter who may buy',
  about: 'For renters: answers first, then what buying would take, with no pressure.',
  group: 'First weeks',
  plan: plan(
    [
      text(
        AT_ONCE,
        "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. I got your question about a rental. When do you need to move in? Reply STOP to opt out.",
        "Hi, it's {{ agent_first_name }} with {{ brokerage }}. I got your question about a rental. When do you need to move in? Reply STOP to opt out.",
      ),
      call(day(1), 'Ask how many bedrooms, move-in date, and budget. Are they thinking of buying someday?'),
      email(
        day(10, '18:00'),
        'Rent or buy? Three numbers',
        'Hi {{ first_name }},\n\nWhether buying makes sense often comes down to three numbers: how long you plan to stay, what you pay in rent, and what you have saved.\n\nSend me yours, and I’ll put together a simple comparison, even if the answer is to keep renting. What are your numbers?',
        'Hello,\n\nWhether buying makes sense often comes down to three numbers: how long you plan to stay, what you pay in rent, and what you have saved.\n\nSend me yours, and I’ll put together a simple comparison, even if the answer is to keep renting. What are your numbers?',
      ),
      email(
        day(45, '18:00'),
        'What it takes to buy a first home',
        'Hi {{ first_name }},\n\nA lot of people think they need 20% down for a first home. Some loan programs ask for less. A lender can walk you through what you qualify for.\n\nWould you like an introduction?',
        'Hello,\n\nA lot of people think they need 20% down for a first home. Some loan programs ask for less. A lender can walk you through what you qualify for.\n\nWould you like an introduction?',
      ),
    ],
    { roles: ['renter'] },
  ),
};

export const OPEN_HOUSE: Starter = {
  key: 'open_house',
  name: 'Open-house visitor',
  about: 'For visitors who signed in: a thank-you that evening, a call, and two similar homes.',
  group: 'First weeks',
  plan: plan([
    text(
      { after: 'start', minutes: 120 },
      "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. Thanks for coming by today. What did you think of the house? Reply STOP to opt out.",
      "Hi, it's {{ agent_first_name }} with {{ brokerage }}. Thanks for coming by today. What did you think of the house? Reply STOP to opt out.",
    ),
    call(day(1, '11:00'), 'Ask what they liked and didn’t, if they have a home to sell first, and if they have an agent.'),
    email(
      day(2, '09:00'),
      'Two homes like the one you saw',
      'Hi {{ first_name }},\n\nThanks again for visiting the open house. I’d like to send you two similar homes that might be a better fit.\n\nWhat’s the one thing that house was missing?',
      'Hello,\n\nThanks again for visiting the open house. I’d like to send you two similar homes that might be a better fit.\n\nWhat’s the one thing that house was missing?',
    ),
    call(day(9, '16:00'), 'Have they seen other homes since? Offer to show them two in one afternoon.'),
  ]),
};

export const NO_PHONE: Starter = {
  key: 'no_phone',
  name: 'No phone number yet',
  about: 'For people with only an email address: asks for a phone number once, and stays useful without it.',
  group: 'First weeks',
  plan: plan(
    [
      email(
        AT_ONCE,
        'Your question to {{ brokerage }}',
        'Hi {{ first_name }},\n\nThanks for reaching out. I’m happy to answer by email. If a quick call is easier, send me your number and a good time, and I’ll call you then.\n\nHow can I help?',
        'Hello,\n\nThanks for reaching out. I’m happy to answer by email. If a quick call is easier, send me your number and a good time, and I’ll call you then.\n\nHow can I help?',
      ),
      email(
        day(3, '09:00'),
        'Three quick questions',
        'Hi {{ first_name }},\n\nEmail works great. Once I know what you’re looking for, I’ll send you homes that fit, at most once a week.\n\nWhich cities, how many bedrooms, and what price range?',
        'Hello,\n\nEmail works great. Once I know what you’re looking for, I’ll send you homes that fit, at most once a week.\n\nWhich cities, how many bedrooms, and what price range?',
      ),
      email(
        day(12, '09:00'),
        'Should I keep looking?',
        'Hi {{ first_name }},\n\nA one-word reply is fine. If it’s yes, I’ll keep an eye out for homes. If it’s no, I’ll stop emailing.\n\nShould I keep looking?',
        'Hello,\n\nA one-word reply is fine. If it’s yes, I’ll keep an eye out for homes. If it’s no, I’ll stop emailing.\n\nShould I keep looking?',
      ),
    ],
    { who: { on: 'has_phone', how: 'no' } },
  ),
};

export const FIRST_QUESTIONS: Starter = {
  key: 'first_questions',
  name: 'First questions, by an assistant',
  about: 'For leads who agreed to texts: an assistant asks when, where, price range, financing, and whether they have an agent.',
  group: 'First weeks',
  plan: plan([
    assistant({ after: 'start', minutes: 5 }),
    call(day(1), 'The assistant didn’t get all the answers. Ask about the rest.'),
    email(
      day(3, '09:00'),
      'Two quick questions',
      'Hi {{ first_name }},\n\nI’d like to send you only homes that fit. When are you hoping to move, and where are you looking?',
      'Hello,\n\nI’d like to send you only homes that fit. When are you hoping to move, and where are you looking?',
    ),
  ]),
};
