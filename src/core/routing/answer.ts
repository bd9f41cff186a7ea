/** What somebody means who replies to an offer: in the first words they wrote themselves, whatever follows. */
export interface OfferAnswer {
  answer: 'take' | 'pass' | null;
  /** The number of the offer, when they name one. */
  number: string | null;
}

const TAKE = /^(?:1|yes|y|yep|ok|okay|take(?: it)?|mine|accept(?:ed)?|claim|i(?:'|’)?ll take it|si|sí)\b/i;
const PASS = /^(?:0|no|n|nope|pass|decline(?:d)?|skip|busy|can(?:'|’)?t|cannot)\b/i;

/** @example answerOf('1 (no. 4711)') // { answer: 'take', number: '4711' } */
export function answerOf(body: string): OfferAnswer {
  const line =
    body
      .split(/\r?\n/)
      .map((one) => one.trim())
      .find((one) => one && !one.startsWith('>')) ?? '';
  const number = /(?:no\.?|#|offer)\s*(\d{1,18})\b/i.exec(line)?.[1] ?? /^[01]\s+(\d{1,18})\b/.exec(line)?.[1] ?? null;
  const words = line.replace(/^[“”"'(]+/, '');
  return { answer: TAKE.test(words) ? 'take' : PASS.test(words) ? 'pass' : null, number };
}
