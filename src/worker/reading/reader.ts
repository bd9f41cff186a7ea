/**
 * The thread in which whatever comes from outside is read: pure functions of the core, and the parser of mails. It knows no database
 * and may be ended at any instant; `server/shared/reading.ts` starts it and limits its time and memory.
 */
import { readInquiry } from '@/core/capture/schemas';
import {
  boundedMail,
  groupedFields,
  inquiryOfBody,
  placesOf,
  readWholeMail,
  applyRules,
  type BodyValue,
  type ReadMail,
} from '@/core/mail';
import { checkWords, shinglesOf } from '@/core/messages';
import { AppError } from '@/core/shared';
import { parseMail } from '@/providers/mails';
import type { ReadingAnswer, ReadingName, ReadingOrder, Readings } from '@/server/shared';

const readRaw = async (raw: Buffer, at: Date): Promise<ReadMail> => readWholeMail(boundedMail(await parseMail(raw)), at);

const unreadable = () => new AppError('input_unreadable', 'The body is neither JSON nor a form. Nothing was saved.');
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

type Reader<Name extends ReadingName> = (
  input: Readings[Name]['takes'],
) => Readings[Name]['answers'] | Promise<Readings[Name]['answers']>;

const READERS: { [Name in ReadingName]: Reader<Name> } = {
  /** It has read one mail then, so that the first that comes does not wait for all that a thread begins with. */
  ready: async () => {
    await readRaw(
      Buffer.from('From: <o@b.example>\r\nSubject: 14 Heron Lane\r\n\r\nCould we see it on Tuesday?\r\n'),
      new Date(0),
    );
    return null;
  },
  mail: ({ raw, at }) => readRaw(Buffer.from(raw), at),
  rules: ({ read, body, rules }) => applyRules(read, body, rules),
  body: async ({ text, contentType, mapping, door }) => {
    const raw = await parsedBody(text, contentType);
    return { raw, inquiry: readInquiry(inquiryOfBody(raw, mapping, door)) };
  },
  bodyPreview: ({ body, mapping, door }) => {
    const inquiry = inquiryOfBody(body, mapping, door);
    const places: BodyValue[] = placesOf(body).map(({ place, value }) => ({ place, value: value.slice(0, 300) }));
    try {
      readInquiry(inquiry);
      return { places, inquiry, errors: [] };
    } catch (error) {
      if (error instanceof AppError && error.facts.fields) return { places, inquiry, errors: error.facts.fields };
      throw error;
    }
  },
  words: ({ checked, others }) =>
    checkWords(
      checked,
      others.map(({ text, ...other }) => ({ ...other, shingles: shinglesOf(text) })),
    ),
  /** One that cannot be read has an error, and the others their own. */
  counts: (all) =>
    all.map((checked) => {
      try {
        const found = checkWords(checked);
        const errors = found.filter(({ level }) => level === 'error').length;
        return { errors, warnings: found.length - errors };
      } catch {
        return { errors: 1, warnings: 0 };
      }
    }),
};

/** One reading. It notes when it begins, so that only its own time counts. Our own failures go back in parts: an error loses its class between threads. */
export default async function read<Name extends ReadingName>({
  name,
  input,
  begun,
}: ReadingOrder<Name>): Promise<ReadingAnswer<Readings[Name]['answers']>> {
  new Float64Array(begun)[0] = Date.now();
  try {
    return { found: await READERS[name](input) };
  } catch (error) {
    if (error instanceof AppError) return { failed: { code: error.code, message: error.message, facts: error.facts } };
    throw error;
  }
}
