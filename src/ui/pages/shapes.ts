/** Public pages as their editor knows them. */
import type { PublicPage } from '@/core/pages';

/** What can be changed before it is kept. */
export interface PageDraft {
  name: string;
  slug: string;
  source: string;
  tags: string;
  page: PublicPage;
}
