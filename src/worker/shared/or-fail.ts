/** Long work that cannot go on is marked with its reason, where its maker sees it; what may succeed later (PostgreSQL away) is tried again by the queue. */
import { AppError } from '@/core/shared';
import { failCampaignRehearsal } from '@/server/campaigns';
import { failChange } from '@/server/changes';
import { failDuplicateScan } from '@/server/duplicates';
import { failExport } from '@/server/exports';
import { failImport } from '@/server/imports';
import { failRehearsal } from '@/server/routing';

const orFail =
  (fail: (id: string, error: string) => Promise<void>) =>
  async (id: string, work: () => Promise<void>): Promise<void> => {
    try {
      await work();
    } catch (error) {
      if (error instanceof AppError && error.facts.retry) throw error;
      const full = (error as { code?: string }).code === 'ENOSPC';
      await fail(
        id,
        error instanceof AppError
          ? error.message
          : full
            ? 'The server’s disk is full. Free up space, then try again.'
            : 'Something went wrong on our end. You can undo what was done so far.',
      );
      if (!(error instanceof AppError)) throw error;
    }
  };
export const orFailChange = orFail(failChange);
export const orFailImport = orFail(failImport);
export const orFailExport = orFail(failExport);
export const orFailCampaignRehearsal = orFail(failCampaignRehearsal);
export const orFailRehearsal = orFail(failRehearsal);
export const orFailScan = orFail(failDuplicateScan);
