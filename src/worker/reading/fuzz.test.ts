/**
 * Crafted input, drawn: whatever a mail, a body, words or an answer are put together of, they are read within the time that a reading may
 * take, and fail only in ways of ours. Bounded: what is drawn within its time counts.
 */
import fc from 'fast-check';
import { expect, test } from '@jest/globals';
import { readRefusal } from '@/core/messages';
import { AppError, isWithin, readCursor } from '@/core/shared';
import type { ReadingAnswer, ReadingName, Readings } from '@/server/shared';
import { text as crafted } from '../../../tests/harness/crafted';
import read from './reader';
import { ownTime } from '@/core/shared/own-time';

/** A reading is ended after 1.5 s; a machine that runs other tests as well may be half as fast. */
const MOST_MS = 3_000;
const LIMIT = { numRuns: 1_500, interruptAfterTimeLimit: 5_000, markInterruptAsFailure: false };

const run = <Name extends ReadingName>(name: Name, input: Readings[Name]['takes']) =>
  read({ name, input, begun: new SharedArrayBuffer(8) });

async function inTime<Out>(read: () => Out | Promise<Out>): Promise<Out> {
  const took = ownTime();
  const found = await read();
  expect(took()).toBeLessThan(MOST_MS);
  return found;
}
const known = (answer: ReadingAnswer<unknown>): boolean => 'found' in answer || typeof answer.failed.code === 'string';

test('mails', async () => {
  await fc.assert(
    fc.asyncProperty(
      crafted,
      crafted,
      fc.constantFrom('text/plain', 'text/html', 'application/json', 'multipart/mixed; boundary=x'),
      async (name, text, type) => {
        const raw = Buffer.from(
          `From: "${name.slice(0, 2_000).replace(/[\r\n]/g, ' ')}" <o@b.example>\r\nSubject: ${name.slice(0, 300).replace(/[\r\n]/g, ' ')}\r\nContent-Type: ${type}\r\n\r\n${text}`,
        );
        expect(known(await inTime(() => run('mail', { raw, at: new Date('2026-11-30T18:00:00Z') })))).toBe(true);
      },
    ),
    LIMIT,
  );
}, 60_000);

test('bodies of programs', async () => {
  const door = { source: null, defaults: {} };
  await fc.assert(
    fc.asyncProperty(
      crafted,
      crafted,
      fc.constantFrom('application/json', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'),
      async (label, value, contentType) => {
        const text = contentType.includes('json')
          ? JSON.stringify({ [label]: value, email: value, message: label })
          : `${label}=${value}&email=${value}`;
        expect(known(await inTime(() => run('body', { text, contentType, mapping: {}, door })))).toBe(true);
        expect(
          known(
            await inTime(() => run('bodyPreview', { body: { [label]: [value, { name: label, value }] }, mapping: {}, door })),
          ),
        ).toBe(true);
      },
    ),
    LIMIT,
  );
}, 60_000);

test('words of templates', async () => {
  await fc.assert(
    fc.asyncProperty(crafted, crafted, fc.constantFrom('text', 'email', 'letter'), async (text, plain, channel) => {
      const checked = {
        channel,
        words: { text: text.slice(0, 20_000), plain: plain.slice(0, 20_000) },
        fields: ['Boat'],
      } as const;
      expect(known(await inTime(() => run('words', { checked: { ...checked, fields: ['Boat'] }, others: [] })))).toBe(true);
      expect(known(await inTime(() => run('counts', [{ ...checked, fields: ['Boat'] }])))).toBe(true);
    }),
    LIMIT,
  );
}, 60_000);

test('answers, page markers and values of any depth', async () => {
  await fc.assert(
    fc.asyncProperty(crafted, fc.json({ maxDepth: 20 }), async (text, json) => {
      await inTime(() => readRefusal(text, { channel: 'text', names: [text.slice(0, 100)] }));
      for (const cursor of [text.slice(0, 4_000), Buffer.from(json).toString('base64url')])
        try {
          readCursor(cursor, 2);
        } catch (error) {
          expect(error).toBeInstanceOf(AppError);
        }
      await inTime(() => isWithin(JSON.parse(json), { depth: 10, nodes: 1_000 }));
    }),
    LIMIT,
  );
}, 60_000);
