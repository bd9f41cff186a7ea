/** How many errors and warnings templates have, checked apart from the request and kept for as long as their words are the same. */
import type { Channel } from '@/core/contacts';
import type { Words } from '@/core/messages';
import { AppError } from '@/core/shared';
import { readApart } from '../shared';

export interface Counted {
  errors: number;
  warnings: number;
}
interface Checked {
  id: string;
  version: number;
  channel: Channel;
  words: Words;
}

/** Templates checked in one reading: few enough for its time. */
const BATCH = 40;
const MOST_KEPT = 5_000;
const cache = new Map<string, Counted>();
const keyOf = ({ id, version }: Checked, fields: readonly string[]): string => `${id} ${version} ${fields.join('|')}`;
/** Whatever takes longer to check than it may is not sent either. */
const TOO_LONG: Counted = { errors: 1, warnings: 0 };

async function count(batch: readonly Checked[], fields: readonly string[]): Promise<Counted[]> {
  try {
    return await readApart(
      'counts',
      batch.map(({ channel, words }) => ({ channel, words, fields })),
    );
  } catch (error) {
    if (!(error instanceof AppError) || error.code !== 'reading_failed') throw error;
    if (batch.length === 1) return [TOO_LONG];
    const each: Counted[] = [];
    for (const one of batch) each.push(...(await count([one], fields)));
    return each;
  }
}

/** @returns for each template, in order, its errors and warnings; one that cannot be checked has an error, and breaks nothing else */
export async function countFindings(all: readonly Checked[], fields: readonly string[]): Promise<Counted[]> {
  const missing = all.filter((one) => !cache.has(keyOf(one, fields)));
  if (cache.size + missing.length > MOST_KEPT) cache.clear();
  for (let at = 0; at < missing.length; at += BATCH) {
    const batch = missing.slice(at, at + BATCH);
    const counted = await count(batch, fields);
    batch.forEach((one, n) => cache.set(keyOf(one, fields), counted[n]!));
  }
  return all.map((one) => cache.get(keyOf(one, fields)) ?? TOO_LONG);
}
