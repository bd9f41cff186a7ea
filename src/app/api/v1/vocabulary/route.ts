/** The names of everything a segment may name. */
import { readOffered } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getVocabulary, ({ scope }) => readOffered(scope));
