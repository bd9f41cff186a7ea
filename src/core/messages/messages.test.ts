import fc from 'fast-check';
import { fieldsIn, fillWords, ownField, ownWords, suggestNext } from '.';

const WORDS = { text: 'Hi {{ first_name }}, about {{city}}.', plain: 'Hello, about your search.' };

test('fields are filled in; with one missing the plain version goes', () => {
  expect(fillWords(WORDS, { first_name: 'Oda', city: 'Saltmarsh' })).toEqual({
    subject: null,
    text: 'Hi Oda, about Saltmarsh.',
    html: null,
    usedPlain: false,
    picks: [],
  });
  expect(fillWords(WORDS, { first_name: '  ', city: 'Saltmarsh' })).toMatchObject({
    text: 'Hello, about your search.',
    usedPlain: true,
  });
  expect(fillWords({ ...WORDS, subject: '{{ agent_name }}' }, { first_name: 'Oda', city: 'T' })).toMatchObject({
    usedPlain: true,
  });
});

test('fields of one’s own are merged in by their names, in any case of letters; without a value the plain version goes', () => {
  const words = { text: 'Hi {{ first_names }}, the {{ field.Boat name }} is in {{field.home port}}.', plain: 'Hello.' };
  const fields = { first_names: 'Jago and Gideon', [ownField('Boat Name')]: 'Tern', [ownField(' home port ')]: 'Saltmarsh' };
  expect(fillWords(words, fields).text).toBe('Hi Jago and Gideon, the Tern is in Saltmarsh.');
  expect(fillWords(words, { ...fields, 'field.home port': null })).toMatchObject({ text: 'Hello.', usedPlain: true });
  expect(fieldsIn(words.text)).toEqual(['first_names', 'field.boat name', 'field.home port']);
});

test('whatever is known of a person, no message has a hole or a template in it; a value is never read as a template', () => {
  const value = fc.option(fc.string({ maxLength: 12 }), { nil: undefined });
  fc.assert(
    fc.property(value, value, (first_name, city) => {
      const { text, usedPlain } = fillWords(WORDS, { first_name, city });
      expect(usedPlain).toBe(!first_name?.trim() || !city?.trim());
      expect(text).toBe(usedPlain ? WORDS.plain : `Hi ${first_name!.trim()}, about ${city!.trim()}.`);
    }),
  );
  expect(fillWords(WORDS, { first_name: '{{ city }}', city: 'X' }).text).toBe('Hi {{ city }}, about X.');
  expect(fieldsIn(WORDS.text)).toEqual(['first_name', 'city']);
});

test('of a mail their own words are kept, not what they quote', () => {
  expect(ownWords('Yes.\r\n\r\nOn Tue, 24 Nov 2026 at 09:00, Asta Lund wrote:\r\n> Good morning')).toBe('Yes.');
  expect(ownWords('Yes.\n> quoted\n> more')).toBe('Yes.');
  expect(ownWords('Wednesday\n-- \nOda')).toBe('Wednesday');
  expect(ownWords('On Wednesday I am free')).toBe('On Wednesday I am free');
});

test.each([
  ['Could you call me this evening?', 'call'],
  ['A call after five would be best', 'call'],
  ['Saturday morning would suit us', 'meet'],
  ['Can we see it on Sunday?', 'meet'],
  ['Can we see the one on Kelpers Row this Saturday?', 'meet'],
  ['After five is best for a call', 'call'],
  ['Not this week, but keep me posted', 'later'],
  ['Thanks! We are only starting to look, maybe spring', 'later'],
  ['Not this week, but do write again', 'later'],
  ['Who is this?', 'mend'],
  ['We already bought one', 'let_go'],
  ['What did the house on Samphire Lane sell for?', 'answer'],
  ['Lovely', 'answer'],
])('“%s”: next is %s', (text, next) => {
  expect(suggestNext(text, false).do).toBe(next);
  expect(suggestNext(text, true).do).toBe('nothing');
});

test('a field that was renamed goes on saying the same in words that were written before', () => {
  const fields = { first_name: 'Oda', city: 'Saltmarsh', listing_city: 'Petrel Point' };
  const former = { text: '{{ town }}: {{ listing_town | default: "here" }}', plain: 'Here' };
  expect(fillWords(former, fields).text).toBe('Saltmarsh: Petrel Point');
  expect(fillWords({ ...former, text: '{% if town == "Saltmarsh" %}{{ town | upcase }}{% endif %}' }, fields).text).toBe(
    'SALTMARSH',
  );
});
