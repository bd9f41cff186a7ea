/** Plans and templates made to take long: refused or answered soon, and one that is poisoned breaks no list. */
import { NO_PLAN, type Plan, type Step } from '@/core/campaigns';
import { appForEach } from '../harness/each';

const app = appForEach();
/** Two seconds on a machine that is not busy with other tests as well. */
const MOST_MS = 4_000;

/** Branches within each other. */
function nested(levels: number): Plan {
  let steps: Step[] = [];
  for (let id = levels; id > 0; id -= 1)
    steps = [
      { id, when: { after: 'start', days: 1, at: '10:00' }, do: 'branch', ask: { about: 'answered' }, yes: steps, no: [] },
    ];
  return { ...NO_PLAN, steps };
}
const timed = async <T>(work: () => Promise<T>): Promise<{ ms: number; code: string }> => {
  const began = performance.now();
  const code = await work().then(
    () => 'done',
    (error: { code?: string }) => String(error.code),
  );
  return { ms: performance.now() - began, code };
};

test.each([
  [10, 'done'],
  [300, 'input_invalid'],
  [2_000, 'input_invalid'],
  [50_000, 'input_invalid'],
])('a plan of %i branches within each other', async (levels, expected) => {
  const { campaigns } = app().m;
  const draft = await campaigns.createCampaign(app().as('Abel'), { name: 'Deep' });
  const { ms, code } = await timed(() =>
    campaigns.saveVersion(app().as('Abel'), draft.id, { plan: nested(levels), seen: draft.version.id }),
  );
  expect([code, ms < MOST_MS]).toEqual([expected, true]);
  expect(await campaigns.findCampaign(app().scopeOf('Abel'), draft.id)).toMatchObject({ name: 'Deep' });
});

test('a template poisoned in the table breaks neither the list nor its own deletion', async () => {
  const { templates } = app().m;
  const ada = app().as('Ada');
  const made = await templates.createTemplate(ada, { channel: 'text', name: 'Fine', words: { text: 'Hi', plain: 'Hi' } });
  const odd = await templates.createTemplate(ada, {
    channel: 'text',
    name: 'Odd',
    words: { text: '{{constructor}}', plain: '{{constructor}}' },
  });
  const bad = await templates.createTemplate(ada, { channel: 'text', name: 'Bad', words: { text: 'Hi', plain: 'Hi' } });
  await app().db.run(`update templates set version = 9, words = '{"text": 7, "plain": null}' where id = $1`, [bad.id]);
  const long = '{a|b}'.repeat(3_000);
  await app().db.run(
    `update templates set version = 9, words = jsonb_build_object('text', $2::text, 'plain', $2::text) where id = $1`,
    [made.id, long],
  );
  const began = performance.now();
  const listed = await templates.listTemplates(app().scopeOf('Ada'));
  expect(performance.now() - began).toBeLessThan(MOST_MS * 2);
  expect(listed.find(({ id }) => id === bad.id)).toMatchObject({ findings: { errors: 1, warnings: 0 } });
  expect(listed.find(({ id }) => id === odd.id)!.findings.errors).toBeGreaterThan(0);
  for (const { id } of [odd, bad]) await templates.deleteTemplate(ada, id);
  expect((await templates.listTemplates(app().scopeOf('Ada'))).map(({ name }) => name)).toEqual(['Fine']);
});

test('words of twenty thousand signs are checked within two seconds, whatever they are', async () => {
  await app().m.shared.readyToRead();
  for (const filling of ['a', '{{', '{a|b}', 'A ', '@']) {
    const text = filling.repeat(20_000 / filling.length);
    const { ms, code } = await timed(() =>
      app().m.templates.checkTemplate(app().as('Abel'), { channel: 'text', words: { text, plain: text } }),
    );
    expect([filling, ['done', 'reading_failed'].includes(code), ms < MOST_MS]).toEqual([filling, true, true]);
  }
});
