/** The way of an inquiry as sentences: who had it, who was passed over, what they answered. */
import { sentenceOfStep, skippedWords, type TraceStep } from '.';

const at = '2026-11-27T18:00:00Z';
const skipped = [
  { id: '1', name: 'Abel', why: 'away' },
  { id: '2', name: 'Odo', why: 'away' },
  { id: '3', name: 'Brisa', why: 'daily_cap' },
] as never[];

test.each<[object, string]>([
  [
    { what: 'fixed', why: 'own_listing', agent: 'Ines', listing: 'L1' },
    'Asked about our own listing, so goes to its agent: Ines.',
  ],
  [{ what: 'joined', agent: null }, 'Belongs to the lead that’s already being offered.'],
  [{ what: 'joined', agent: 'Ines' }, 'Belongs to the lead that Ines has.'],
  [
    { what: 'given', roster: 'East', how: 'round robin', agent: 'Ines', seconds: null, skipped: [] },
    'East, round robin: Ines was next.',
  ],
  [
    { what: 'given', roster: 'East', how: 'round robin', agent: 'Ines', seconds: 300, skipped },
    'East, round robin: Ines was next; Abel and Odo are away and Brisa reached the daily limit. Moves on if not attempted within 5 min.',
  ],
  [
    { what: 'offered', roster: 'East', how: 'first come', to: ['A', 'B'], seconds: 60, skipped: [] },
    'East, first come: offered to A and B for 1 min.',
  ],
  [{ what: 'accepted', agent: 'Ines', by: 'text', after: 45, of: 3 }, 'Ines accepted by text after 45 sec, the first of 3.'],
  [{ what: 'accepted', agent: 'Ines', by: 'page', after: 45, of: 1 }, 'Ines accepted after 45 sec.'],
  [{ what: 'declined', agent: 'Ines', by: 'email' }, 'Ines declined by email.'],
  [{ what: 'lapsed', to: ['A', 'B'] }, 'Time ran out: A and B didn’t answer.'],
  [{ what: 'untried', agent: 'Ines', seconds: 300 }, 'Ines didn’t attempt it within 5 min.'],
  [{ what: 'commons', roster: 'East', to: [], seconds: 3600 }, 'In the commons of East for 1 hr: first to take it gets it.'],
  [
    { what: 'went_on', roster: 'East', to: 'West', skipped },
    'East passes to West; Abel and Odo are away and Brisa reached the daily limit.',
  ],
  [
    { what: 'safety_net', agent: 'Ines', roster: 'East', cause: 'all_away', skipped: skipped.slice(0, 1) },
    'No one on East is available right now, so it goes to the safety net: Ines; Abel is away.',
  ],
  [{ what: 'handed_by', agent: 'Ines', by: 'Odo' }, 'Handed to Ines by Odo.'],
  [{ what: 'left', agent: 'Ines' }, 'Ines was deactivated, so it moves on.'],
])('%j', (step, sentence) => {
  expect(sentenceOfStep({ at, ...step } as TraceStep)).toBe(sentence);
});

test('nobody passed over is nothing said', () => {
  expect(skippedWords([])).toBe('');
});
