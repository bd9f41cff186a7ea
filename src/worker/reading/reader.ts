/**
 * The thread in which whatever comes from outside is read: pure functions of the core, and the parser of mails. It knows no database
 * and may be ended at any instant; `server/shared/reading.ts` starts it and limits its time and memory.
 */
import { boundedMail, readWholeMail, withLessons, type LeadMail, type Lesson, type ReadMail } from '@/core/mail';
import { parseMail } from '@/providers/mails';
import type { ReadingOrder } from '@/server/shared/reading';

/** The task notes when it begins, so that only its own time counts. */
const timed =
  <In, Out>(read: (input: In) => Out | Promise<Out>) =>
  ({ input, begun }: ReadingOrder<In>): Out | Promise<Out> => {
    new Float64Array(begun)[0] = Date.now();
    return read(input);
  };

/** Nothing to read: whether a thread can be started. */
export const ready = timed(() => null);

/** A mail as it came over SMTP. */
export const mail = timed(
  async ({ raw, at }: { raw: Uint8Array; at: Date }): Promise<ReadMail> =>
    readWholeMail(boundedMail(await parseMail(Buffer.from(raw))), at),
);

/** What a mail says by what its door learned. */
export const lessons = timed(
  ({ read, body, lessons: learned }: { read: LeadMail; body: string; lessons: Lesson[] }): LeadMail =>
    withLessons(read, body, learned),
);
