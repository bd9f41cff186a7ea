/** Mails made to take long. Each was once read for seconds or for ever; each keeps to the time that a reading may take. */
import { describe, expect, it } from '@jest/globals';
import type { Mail } from './mail';
import { boundedMail } from './bounds';
import { readWholeMail } from './reading';
import { quickerTime } from '../shared/own-time';

const AT = new Date('2026-11-30T18:00:00Z');
/** A reading may take 1.5 s. */
const MOST_MS = 1_500;

const mailOf = (part: Partial<Mail>): Mail => ({
  messageId: 'one@b.example',
  from: { name: 'Oda Holt', address: 'o@b.example' },
  replyTo: [],
  subject: 'A question',
  headers: {},
  text: '',
  html: '',
  attached: [],
  mails: [],
  ...part,
});

const HOSTILE: Record<string, Partial<Mail>> = {
  'a name that is an expression': {
    from: { name: 'A*a*a*a*a*a*a*a*b Holt', address: 'o@b.example' },
    text: `I like the house.\n\nthanks ${'a'.repeat(1_500)}`,
  },
  'a name with an open parenthesis': {
    from: { name: 'Smith, (Jo', address: 'o@b.example' },
    text: 'Is it still there?\nthanks jo smith',
  },
  'elements within elements': { html: `${'<div>'.repeat(5_000)}Call me at (564) 555-0123${'</div>'.repeat(5_000)}` },
  'a quarter of a megabyte of line breaks': { text: `Hello${'\n'.repeat(250_000)}there` },
  'a name of forty kilobytes': { from: { name: 'Jo '.repeat(13_000), address: 'o@b.example' }, text: 'Hello' },
  'two megabytes of small elements': { html: '<b>a</b>'.repeat(250_000) },
  'tables within tables': { html: `${'<table><tr><td>'.repeat(2_000)}Name${'</td></tr></table>'.repeat(2_000)}` },
  'one cell after the other': { html: `<table><tr>${'<td>Name</td>'.repeat(30_000)}</tr></table>` },
  'labels without end': { text: 'Name: '.repeat(15_000) },
  'questions without end': { text: 'q?'.repeat(50_000) },
  blanks: { text: `Name${' '.repeat(90_000)}:${' '.repeat(9_000)}Oda` },
  'digits and blanks': { text: '5 '.repeat(50_000) },
  'at signs': { text: '@'.repeat(100_000) },
  'angles and at signs': { text: '<@@'.repeat(33_000) },
  'capital words': { text: 'Ab '.repeat(33_000), subject: 'Ab '.repeat(3_000) },
  'one word': { text: 'a'.repeat(100_000), subject: 'a'.repeat(40_000) },
  commas: { text: ',;|'.repeat(33_000) },
  'forwarded again and again': { text: 'From: Oda <o@b.example>\nSubject: x\n\n'.repeat(3_000) },
  'a style sheet of braces': { html: `<style>${'.a{'.repeat(60_000)}</style>Hello` },
  'an open style sheet, again and again': { html: '<style>'.repeat(70_000) },
  'opened brackets': { text: '('.repeat(50_000) + '['.repeat(50_000) },
  'JSON as deep as it goes': { text: `${'['.repeat(50_000)}${']'.repeat(50_000)}` },
  'half a pair of a sign': { text: '\ud800'.repeat(10_000), from: { name: '\ud800', address: 'o@b.example' } },
};

describe('mails made to take long', () => {
  it.each(Object.entries(HOSTILE))('%s', (_, part) => {
    const took = quickerTime(MOST_MS, () => {
      const { read } = readWholeMail(boundedMail(mailOf(part)), AT);
      expect(['lead', 'not-a-lead', 'reply', 'needs-a-person']).toContain(read.kind);
    });
    expect(took).toBeLessThan(MOST_MS);
  });

  it('still say what an ordinary mail of such a sender says', () => {
    const { read } = readWholeMail(boundedMail(mailOf({ ...HOSTILE['a name with an open parenthesis'] })), AT);
    expect(read).toMatchObject({ kind: 'lead', emails: ['o@b.example'] });
  });

  it('are read as far as the twenty-five thousandth tag', () => {
    const page = (tags: number) => boundedMail(mailOf({ html: `${'<br>'.repeat(tags)}<p>Call me at (564) 555-0123</p>` })).html;
    expect(page(20_000)).toContain('555-0123');
    expect(page(30_000)).toBe('<br>'.repeat(25_000));
  });
});
