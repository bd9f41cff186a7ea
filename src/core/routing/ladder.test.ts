import fc from 'fast-check';
import { chooseFromRoster, matchingRung, turnOrder, whoOf, type Roster, type Rung } from '.';

const NOW = new Date('2026-11-23T18:00:00Z');
const RUNG: Rung = { id: '1', position: 1, roles: ['buyer'], rosterId: '1', campaignId: null };
const roster = (away: boolean[], lastUserId: string | null = null): Roster => ({
  id: '1',
  name: 'Coast agents',
  lastUserId,
  safetyNet: { userId: '99', name: 'Ines Kolar' },
  members: away.map((gone, at) => ({
    userId: String(at),
    name: `Agent ${at}`,
    position: at,
    awayUntil: gone ? new Date(NOW.getTime() + 1000) : null,
    active: true,
  })),
});

test('round robin: whoever is here gets within one of each other, whoever is away gets nothing, a lead always ends with a person', () => {
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 12 }), fc.integer({ min: 1, max: 80 }), (away, leads) => {
      const handed = new Map<string, number>();
      let last: string | null = null;
      for (let lead = 0; lead < leads; lead += 1) {
        const { userId, because } = chooseFromRoster(RUNG, roster(away, last), NOW);
        handed.set(userId, (handed.get(userId) ?? 0) + 1);
        if (because.why === 'round_robin') last = userId;
      }
      const here = away.flatMap((gone, at) => (gone ? [] : [handed.get(String(at)) ?? 0]));
      if (here.length === 0) expect(handed.get('99')).toBe(leads);
      else {
        expect(Math.max(...here) - Math.min(...here)).toBeLessThanOrEqual(1);
        expect(here.reduce((sum, n) => sum + n, 0)).toBe(leads);
      }
    }),
  );
});

test('those skipped are named in the reason; the turn goes on after the last', () => {
  expect(chooseFromRoster(RUNG, roster([true, true, false]), NOW)).toEqual({
    userId: '2',
    because: {
      why: 'round_robin',
      rung: 1,
      who: 'Buyers',
      roster: 'Coast agents',
      agent: 'Agent 2',
      skipped: ['Agent 0', 'Agent 1'],
    },
  });
  expect(turnOrder(roster([false, false, false], '1')).map(({ userId }) => userId)).toEqual(['2', '0', '1']);
  expect(turnOrder(roster([false, false], 'gone')).map(({ userId }) => userId)).toEqual(['0', '1']);
});

test('the first rung that matches decides', () => {
  const all: Rung = { ...RUNG, id: '2', position: 2, roles: [] };
  expect(matchingRung([all, RUNG], ['buyer', 'seller'])!.id).toBe('1');
  expect(matchingRung([all, RUNG], ['seller'])!.id).toBe('2');
  expect(matchingRung([RUNG], ['seller'])).toBeNull();
  expect([whoOf(RUNG), whoOf(all), whoOf({ roles: ['seller', 'landlord'] })]).toEqual([
    'Buyers',
    'Everybody',
    'Sellers and landlords',
  ]);
});
