/** A lead of a made-up person by one of the doors, taken in as any other is: so one sees who gets it before the first real one comes. */
import { readInquiry } from '@/core/capture/schemas';
import { scopeFor, type Principal } from '@/core/accounts';
import { notFound } from '@/core/shared';
import { now, randomToken, reader, transact, writeAudit } from '../shared';
import type { CaptureResult } from './arrival';
import { captureInquiry } from './capture.service';
import { doorOfId } from './doors.repository';

/** Numbers that nobody has (ATIS-0300115). */
const TEST_PHONES = { from: 100, count: 100 };

/**
 * Sends one by a door. It permits nothing, so that no message goes to it, and carries the tag “test”.
 * @throws AppError not_found
 */
export async function sendTestLead(principal: Principal, doorId: string): Promise<CaptureResult> {
  const { accountId } = scopeFor(principal);
  const door = await doorOfId(accountId, doorId);
  if (!door) throw notFound('door');
  const mark = randomToken(4).toLowerCase();
  const { n } = (await reader().first<{ n: number }>('select count(*)::int as n from inquiries where door_id = $1', [doorId]))!;
  const raw = {
    person: {
      first_name: 'Test',
      last_name: 'Lead',
      emails: [`test.lead.${mark}@urraca.example`],
      phones: [`+1360555${String(TEST_PHONES.from + (n % TEST_PHONES.count)).padStart(4, '0')}`],
    },
    roles: ['buyer'],
    source: door.source ?? door.name,
    message: 'This is a test lead. Can I see a home this week?',
    tags: ['test'],
  };
  const captured = await captureInquiry({ door, raw, inquiry: readInquiry(raw), idempotencyKey: null, byPerson: null });
  await transact(async (tx) => writeAudit(tx, principal, accountId, 'sent a test lead', { door: door.name }, await now(tx)));
  return captured;
}
