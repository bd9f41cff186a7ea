/**
 * The thread in which whatever comes from outside is read: pure functions of the core, and the parser of mails. It knows no database
 * and may be ended at any instant; `server/shared/reading.ts` starts it and limits its time and memory.
 */
import { readInquiry, type CleanInquiry } from '@/core/capture/schemas';
import {
  boundedMail,
  groupedFields,
  inquiryOfBody,
  placesOf,
  readWholeMail,
  applyRules,
  type LeadMail,
  type ExtractionRule,
  type Mapping,
  type BodyValue,
  type ReadMail,
} from '@/core/mail';
import { checkWords, shinglesOf, type Checked, type Finding } from '@/core/messages';
import { AppError } from '@/core/shared';
import { parseMail } from '@/providers/mails';
import type { DoorDefaults } from '@/core/capture';
import type { ReadingAnswer, ReadingOrder } from '@/server/shared';

/** The task notes when it begins, so that only its own time counts. Our own failures go back in parts: an error loses its class between threads. */
const timed =
  <In, Out>(read: (input: In) => Out | Promise<Out>) =>
  async ({ input, begun }: ReadingOrder<In>): Promise<ReadingAnswer<Out>> => {
    new Float64Array(begun)[0] = Date.now();
    try {
      return { found: await read(input) };
    } catch (error) {
      if (error instanceof AppError) return { failed: { code: error.code, message: error.message, facts: error.facts } };
      throw error;
    }
  };

/** Whether a thread can be started; it has read one mail then, so that the first that comes does not wait for all that a thread begins with. */
export const ready = timed(async () => {
  await readRaw(Buffer.from('From: <o@b.example>\r\nSubject: 14 Heron Lane\r\n\r\nCould we see it on Tuesday?\r\n'), new Date(0));
  return null;
});

const readRaw = async (raw: Buffer, at: Date): Promise<ReadMail> => readWholeMail(boundedMail(await parseMail(raw)), at);

/** A mail as it came over SMTP. */
export const mail = timed(({ raw, at }: { raw: Uint8Array; at: Date }): Promise<ReadMail> => readRaw(Buffer.from(raw), at));

/** What a mail says by what its door learned. */
export const lessons = timed(
  ({ read, body, lessons: learned }: { read: LeadMail; body: string; lessons: ExtractionRule[] }): LeadMail =>
    applyRules(read, body, learned),
);

type Door = { source: string | null; defaults: DoorDefaults };

const unreadable = () => new AppError('input_unreadable', 'The body is neither JSON nor a form. Nothing was kept.');
async function parsedBody(text: string, contentType: string): Promise<unknown> {
  if (/^multipart\/form-data/i.test(contentType)) {
    const form = await new Response(text, { headers: { 'content-type': contentType } }).formData().catch(() => null);
    if (!form) throw unreadable();
    return groupedFields([...form.entries()].filter((entry): entry is [string, string] => typeof entry[1] === 'string'));
  }
  if (/urlencoded/i.test(contentType)) return groupedFields([...new URLSearchParams(text)]);
  try {
    const parsed: unknown = JSON.parse(text || '{}');
    if (typeof parsed !== 'object' || parsed === null) throw unreadable();
    return parsed;
  } catch {
    throw unreadable();
  }
}

/** A body of any shape that a program sent to a door. @throws AppError input_unreadable, input_invalid */
export const body = timed(
  async (sent: {
    text: string;
    contentType: string;
    mapping: Mapping;
    door: Door;
  }): Promise<{ raw: unknown; inquiry: CleanInquiry }> => {
    const raw = await parsedBody(sent.text, sent.contentType);
    return { raw, inquiry: readInquiry(inquiryOfBody(raw, sent.mapping, sent.door)) };
  },
);

/** The same for one that is only looked at: its values with their places, the inquiry that it would be, what is wrong with it. */
export const look = timed(({ body: seen, mapping, door }: { body: unknown; mapping: Mapping; door: Door }) => {
  const inquiry = inquiryOfBody(seen, mapping, door);
  const places: BodyValue[] = placesOf(seen).map(({ place, value }) => ({ place, value: value.slice(0, 300) }));
  try {
    readInquiry(inquiry);
    return { places, inquiry, faults: [] };
  } catch (error) {
    if (error instanceof AppError && error.facts.fields) return { places, inquiry, faults: error.facts.fields };
    throw error;
  }
});

/** What the checks say of words, beside others that they may be too like. */
export const words = timed(
  ({ checked, others }: { checked: Checked; others: { id: string; name: string; text: string }[] }): Finding[] =>
    checkWords(
      checked,
      others.map(({ text, ...other }) => ({ ...other, shingles: shinglesOf(text) })),
    ),
);

/** How many errors and warnings each of several templates has. One that cannot be read has an error, and the others their own. */
export const counts = timed((all: Checked[]): { errors: number; warnings: number }[] =>
  all.map((checked) => {
    try {
      const found = checkWords(checked);
      const errors = found.filter(({ level }) => level === 'error').length;
      return { errors, warnings: found.length - errors };
    } catch {
      return { errors: 1, warnings: 0 };
    }
  }),
);
