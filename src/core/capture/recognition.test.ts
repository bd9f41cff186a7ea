import { marksIn } from './marks';
import { recognisedIn, type RecognizedLead } from './recognition';

const EDMUND: RecognizedLead = {
  first_name: 'Edmund',
  last_name: 'Achterberg',
  emails: ['achterbergs@duopost.example'],
  phones: ['+15645555131', '+15645555132'],
  extensions: { '+15645555132': '7' },
  partner: 'Zora Achterberg',
  roles: ['buyer'],
  listing: { id: 'TT-5560', address: '31 Rigging Lane, Petrel Point', price: 640000 },
  wants: {
    areas: ['Tern Harbor', 'Petrel Point'],
    bedrooms: 2,
    bathrooms: 1,
    price_min: 400000,
    price_max: 525000,
    move_by: '2027-04-30',
  },
  permissions: { call: false, text: true, email: true },
  message: null,
  tags: [],
};
const lines = (read: RecognizedLead) => recognisedIn(read).map(({ name, shown }) => `${name}: ${shown}`);

test('everything that was read has a line, and nothing that was not', () => {
  expect(lines(EDMUND)).toEqual([
    'First name: Edmund',
    'Last name: Achterberg',
    'Email: achterbergs@duopost.example',
    'Phone: (564) 555-5131, (564) 555-5132 ext. 7',
    'Together with: Zora Achterberg',
    'Role: buyer',
    'Home: TT-5560, 31 Rigging Lane, Petrel Point, $640,000',
    'Looking for: $400,000 to $525,000, 2 bedrooms or more, 1 bathroom or more, in Tern Harbor or Petrel Point, by Apr 30, 2027',
    'Permissions: yes to texts and emails, no to calls',
  ]);
  expect(lines({})).toEqual([]);
});

test.each([
  [{ price_max: 1700 }, 'up to $1,700'],
  [{ price_min: 250000 }, 'from $250,000'],
  [{ bedrooms: 1, features: ['garage'] }, '1 bedroom or more, garage'],
])('what they look for, said in part: %j', (wants, shown) => {
  expect(lines({ wants })).toEqual([`Looking for: ${shown}`]);
});

test.each(['$525,000', '525.000 Dollar', 'max 525k', '525000'])('a sum is found again as it was written: %s', (written) => {
  const marks = recognisedIn({ wants: { price_max: 525000 } }).flatMap((one) => one.marks);
  expect(marksIn(`They pay ${written}.`, marks)).toHaveLength(1);
});
