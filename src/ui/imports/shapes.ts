/** Imports as pages know them. */
import type { ImportView } from '@/core/imports';
import type { Jsoned } from '@/core/shared';

export type Import = Jsoned<ImportView>;
