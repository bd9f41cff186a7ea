/** The table of campaign scans. */
import { bigint, int, key, table } from '../shared';

export const campaignScansTable = table('campaign_scans', {
  campaign_id: key(bigint()),
  contact_id: key(bigint()),
  start: key(int()),
});
