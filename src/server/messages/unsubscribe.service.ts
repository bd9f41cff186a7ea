/** The unsubscribe link of every mail (and its one-click form, RFC 8058): who holds the link may withdraw the permission of that one address, for good. */
import { notFound } from '@/core/shared';
import { recordOptOut } from '../contacts';
import { now, readSigned, reader, signed, transact } from '../shared';

const PURPOSE = 'unsubscribe';

/** The token of the link for a contact point. */
export const unsubscribeToken = (pointId: string): string => signed(PURPOSE, pointId);

interface Point {
  id: string;
  account_id: string;
  contact_id: string;
  value: string;
  brokerage: string;
  withdrawn: boolean;
}

/** What the page of a link shows: whose list it is, the address, and whether it is withdrawn already. @throws AppError not_found for a link that is not ours */
export async function findUnsubscribe(token: string): Promise<Point> {
  const pointId = readSigned(PURPOSE, token);
  const row =
    pointId &&
    (await reader().first<Point>(
      `select p.id, p.account_id, p.contact_id, p.value, a.name as brokerage, coalesce(r.state = 'withdrawn', false) as withdrawn from contact_points p join accounts a on a.id = p.account_id
       left join permissions r on r.account_id = p.account_id and r.address = p.value and r.channel = 'email' where p.id = $1`,
      [pointId],
    ));
  if (!row) throw notFound('address on our list');
  return row;
}

/** Withdraws the permission for the address of the link. Doing it twice does no harm and says the same. */
export async function unsubscribe(token: string): Promise<void> {
  const point = await findUnsubscribe(token);
  if (point.withdrawn) return;
  await transact(async (tx) => {
    await recordOptOut(tx, point.account_id, point.contact_id, {
      channel: 'email',
      address: point.value,
      how: 'they used the unsubscribe link',
      at: await now(tx),
    });
  });
}
