/**
 * What people do with mails that went by themselves: a picture of one point that is loaded, links that lead by our own address. Both are
 * ours; nobody else learns of them. An open says that a program loaded the picture, which some programs do by themselves and some
 * never; a click was somebody's.
 */
import { notFound } from '@/core/shared';
import type { Activity } from '@/core/contacts';
import { recordActivities } from '../contacts';
import { now, publish, readSigned, reader, signed, transact, type Tx } from '../shared';

const OPEN = 'open';
const LINK = 'link';
export const openToken = (outboxId: string): string => signed(OPEN, outboxId);
const linkToken = (outboxId: string, linkId: string): string => signed(LINK, `${outboxId}-${linkId}`);

const MOST_KNOWN = 5_000;
const known = new Map<string, string>();

/** The addresses that lead to links by way of us, by the link. @param outboxId of the message that they stand in */
export async function trackedLinks(accountId: string, outboxId: string, urls: readonly string[]): Promise<Map<string, string>> {
  const missing = [...new Set(urls)].filter((url) => !known.has(`${accountId} ${url}`));
  if (missing.length) {
    const rows = await reader().rows<{ id: string; url: string }>(
      `with put as (insert into links (account_id, url) select $1, url from unnest($2::text[]) url on conflict (account_id, url) do nothing returning id, url)
       select id, url from put union all select id, url from links where account_id = $1 and url = any($2::text[])`,
      [accountId, missing],
    );
    if (known.size > MOST_KNOWN) known.clear();
    for (const { id, url } of rows) known.set(`${accountId} ${url}`, id);
    const stillMissing = missing.filter((url) => !known.has(`${accountId} ${url}`));
    if (stillMissing.length) return trackedLinks(accountId, outboxId, urls);
  }
  return new Map(urls.map((url) => [url, linkToken(outboxId, known.get(`${accountId} ${url}`)!)]));
}

interface Seen {
  account_id: string;
  contact_id: string;
  payload: { subject?: string | null };
  sent_at: Date | null;
  first: boolean;
}

/** Notes that the picture of a mail was loaded. A token that is not ours changes nothing. */
export async function noteOpened(token: string): Promise<void> {
  const id = readSigned(OPEN, token);
  if (!id) return;
  await transact((tx) => opened(tx, id, null));
}

/** Where a link leads, after it was noted who followed it. @throws AppError not_found for a link that is not ours */
export async function followLink(token: string): Promise<string> {
  const value = readSigned(LINK, token);
  const [outboxId, linkId] = value?.split('-') ?? [];
  if (!outboxId || !linkId) throw notFound('link');
  return transact(async (tx) => {
    const link = await tx.first<{ url: string }>(
      'select l.url from links l join outbox o on o.account_id = l.account_id where l.id = $1 and o.id = $2',
      [linkId, outboxId],
    );
    if (!link) throw notFound('link');
    await opened(tx, outboxId, link.url);
    return link.url;
  });
}

/** Whoever clicks has opened it as well. The first of each stands in the timeline; later ones are counted. */
async function opened(tx: Tx, outboxId: string, url: string | null): Promise<void> {
  const at = await now(tx);
  const row = await tx.first<Seen & { clicked_first: boolean }>(
    `update outbox o set opened_at = coalesce(o.opened_at, $2), opens = o.opens + 1, clicked_at = case when $3::text is null then o.clicked_at else coalesce(o.clicked_at, $2) end
     from (select id, opened_at is null as first, clicked_at is null as clicked_first from outbox where id = $1 for update) before
     where o.id = before.id and o.channel = 'email' returning o.account_id, o.contact_id, o.payload, o.sent_at, before.first, before.clicked_first`,
    [outboxId, at, url],
  );
  if (!row) return;
  const line = (kind: 'opened' | 'clicked', text: string): Activity => ({
    contactId: row.contact_id,
    userId: null,
    at,
    kind,
    channel: 'email',
    direction: 'in',
    data: { text, subject: row.payload.subject ?? undefined, outboxId },
    because: null,
  });
  /* The address works. */
  if (row.first)
    await tx.run(
      `update contact_points p set soft_bounces = 0 from outbox o where o.id = $1 and p.account_id = o.account_id and p.kind = 'email' and p.value = o.address and p.soft_bounces > 0`,
      [outboxId],
    );
  const lines = [
    ...(row.first ? [line('opened', row.payload.subject ?? '')] : []),
    ...(url && row.clicked_first ? [line('clicked', url)] : []),
  ];
  if (lines.length) await recordActivities(tx, row.account_id, lines);
  else await publish(tx, { accountId: row.account_id, topic: 'message', contactId: row.contact_id, ownerId: null });
}
