/** Lenders at a contact: attached by a rung or by hand, changed, taken off; each hears of a new client by mail, or by text if they chose it. */
import { fullName, type Principal, type Scope } from '@/core/accounts';
import { AppError } from '@/core/shared';
import { lockContact, recordActivities } from '../contacts';
import { scopeFor } from '@/core/accounts';
import { nameSql, now, publish, transact, writeAudit, type Tx } from '../shared';
import { tellAll } from './agent-alerts.service';

interface LenderToTell {
  id: string;
  name: string;
  told_by: ('email' | 'text')[];
}

/**
 * Sets who is attached to a contact; none takes all off.
 * @throws AppError not_found, input_invalid for somebody who is no lender here, not_allowed for a lender
 */
export async function setLenders(principal: Principal, contactId: string, lenderIds: string[]): Promise<void> {
  const scope: Scope = scopeFor(principal);
  if (scope.sees === 'attached') throw new AppError('not_allowed', 'Lenders can’t change who is attached.');
  await transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const at = await now(tx);
    const wanted = await tx.rows<LenderToTell>(
      `select u.id, ${nameSql('u')} as name, u.told_by from users u where u.account_id = $1 and u.active and u.role = 'lender' and u.id = any($2::bigint[])`,
      [scope.accountId, lenderIds],
    );
    if (wanted.length !== new Set(lenderIds).size)
      throw new AppError('input_invalid', 'The lender wasn’t changed.', {
        fields: [{ field: 'lender_ids', message: 'Choose a lender' }],
      });
    const before = await tx.rows<{ user_id: string }>(
      'delete from contact_lenders where contact_id = $1 and user_id <> all($2::bigint[]) returning user_id',
      [contactId, lenderIds],
    );
    const added = await tx.rows<{ user_id: string }>(
      'insert into contact_lenders (contact_id, user_id) select $1::bigint, unnest($2::bigint[]) on conflict do nothing returning user_id',
      [contactId, lenderIds],
    );
    if (!before.length && !added.length) return;
    const fresh = wanted.filter(({ id }) => added.some(({ user_id }) => user_id === id));
    const by = principal.kind === 'user' ? principal.user : null;
    await tellLenders(tx, scope.accountId, contactId, { lenders: fresh, by: by && fullName(by), at });
    const names = wanted.map(({ name }) => name).join(', ');
    await recordActivities(tx, scope.accountId, [
      {
        contactId,
        userId: by?.id ?? null,
        at,
        kind: 'changed',
        channel: null,
        direction: null,
        data: { text: names ? `Lender: ${names}` : 'No lender any more' },
        because: null,
      },
    ]);
    await writeAudit(tx, principal, scope.accountId, 'changed a contact’s lender', { contact_id: contactId, name: names }, at);
    await publish(tx, { accountId: scope.accountId, topic: 'contact', contactId, ownerId: null });
  });
}

/** @param by who attached them; null for the ladder */
export async function tellLenders(
  tx: Tx,
  accountId: string,
  contactId: string,
  { lenders, by, at }: { lenders: LenderToTell[]; by: string | null; at: Date },
): Promise<void> {
  if (!lenders.length) return;
  const contact = await tx.first<{ name: string; city: string | null; agent: string | null; reach: string | null }>(
    `select ${nameSql('c')} as name, c.city, ${nameSql('u')} as agent,
       (select value from contact_points p where p.contact_id = c.id and p.active order by p.kind = 'phone' desc, p.position limit 1) as reach
     from contacts c left join users u on u.id = c.owner_id where c.id = $1`,
    [contactId],
  );
  const who = contact!.name || 'A client';
  const body = [
    `${who}${contact!.city ? `, ${contact!.city},` : ''} is a client of ours you can help with financing.`,
    contact!.reach && `Reach them at ${contact!.reach}.`,
    contact!.agent && `Their agent is ${contact!.agent}.`,
    by && by !== contact!.agent && `${by} attached you.`,
  ]
    .filter(Boolean)
    .join(' ');
  await tellAll(
    tx,
    accountId,
    lenders.flatMap(({ id, told_by }) =>
      told_by.map((channel) => ({ user_id: id, offer_id: null, channel, subject: `A client for you: ${who}`, body })),
    ),
    at,
  );
}
