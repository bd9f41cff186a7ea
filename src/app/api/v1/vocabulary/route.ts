/** The names of everything a segment may name. */
import { readVocabulary } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getVocabulary!, ({ scope }) => readVocabulary(scope));
