/** An address that its owner took back by a link or a report: withdrawn for good, and the follow-up ends. */
import type { Tx } from '../shared';
import { changePermissions, permissionActivity, type PermissionChange } from './permissions';
import { recordActivities } from './record-activities';

/** Writes it into the ledger and onto the timeline. Doing it twice does no harm. */
export async function recordOptOut(
  tx: Tx,
  accountId: string,
  contactId: string,
  refused: Pick<PermissionChange, 'channel' | 'address' | 'how' | 'at'>,
): Promise<void> {
  const change: PermissionChange = { ...refused, state: 'withdrawn', forGood: true };
  await changePermissions(tx, accountId, [change]);
  const line = permissionActivity(contactId, change);
  await recordActivities(tx, accountId, [{ ...line, data: { ...line.data, optOut: true } }]);
}
