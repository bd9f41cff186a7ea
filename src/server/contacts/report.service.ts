/** What a person did outside of Urraca, as a program or one of us reports it: it stands in their timeline and counts in segments. */
import { AppError } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import type { ActivityData, ReportedKind } from '@/core/contacts';
import { oneLine } from '@/core/capture';
import { storable } from '@/core/capture/schemas';
import { now, transact } from '../shared';
import { lockContact } from './contacts.repository';
import { recordActivities } from './record-activities';

export interface Reported {
  kind: ReportedKind;
  /** When it happened; now when nobody says. */
  at?: string;
  text: string;
  /** For a call: how long the two talked; 0 when nobody of us answered. */
  talk_seconds: number;
}

/** @throws AppError not_found, input_invalid for an instant to come */
export async function reportActivity(principal: Principal, contactId: string, reported: Reported): Promise<{ id: string }> {
  const scope = scopeFor(principal);
  return transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const rightNow = await now(tx);
    const at = reported.at ? new Date(reported.at) : rightNow;
    if (at > rightNow)
      throw new AppError('input_invalid', 'Couldn’t save.', { fields: [{ field: 'at', message: 'is in the future' }] });
    const text = oneLine(storable(reported.text)).slice(0, 500);
    const data: ActivityData = { ...(text ? { text } : {}) };
    if (reported.kind === 'call')
      Object.assign(data, {
        outcome: reported.talk_seconds > 0 ? 'talked' : 'no_answer',
        talkSeconds: reported.talk_seconds,
      } satisfies ActivityData);
    const [id] = await recordActivities(tx, scope.accountId, [
      {
        contactId,
        userId: principal.kind === 'user' ? principal.user.id : null,
        at,
        kind: reported.kind,
        channel: reported.kind === 'call' ? 'call' : reported.kind === 'opened' ? 'email' : null,
        direction: 'in',
        data,
        because: null,
      },
    ]);
    return { id: id! };
  });
}
