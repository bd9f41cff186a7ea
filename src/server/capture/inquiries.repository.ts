/** Reading inquiries: the stream of Intake, raw and parsed side by side. */
import type { InquiryView, RecognizedLead } from '@/core/capture';
import { notFound, pageOf, readCursor, snaked, type Page } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { sentenceOf } from '@/core/contacts';
import { DISPLAY_NAME, displayName, visible } from '../contacts';
import { nameSql, reader, type RowOf } from '../shared';
import type { inquiriesTable } from './inquiries.model';

type InquiryRow = Pick<
  RowOf<typeof inquiriesTable>,
  'id' | 'contact_id' | 'matched' | 'source' | 'parsed' | 'raw' | 'owner_id' | 'because' | 'arrived_at' | 'first_try_at'
> & {
  name: string;
  door_kind: string;
  door_name: string;
  agent: string | null;
};

const SELECT = `select i.id, i.contact_id, ${DISPLAY_NAME} as name, i.matched, d.kind as door_kind, d.name as door_name, i.source, i.parsed, i.raw, i.owner_id,
  ${nameSql('u')} as agent, i.because, i.arrived_at, i.first_try_at
  from inquiries i join contacts c on c.id = i.contact_id join doors d on d.id = i.door_id left join users u on u.id = i.owner_id`;

const viewOf = (row: InquiryRow): InquiryView => ({
  id: row.id,
  contact: { id: row.contact_id, name: displayName(row.name), status: row.matched ? 'matched' : 'created' },
  door: { kind: row.door_kind, name: row.door_name },
  source: row.source,
  ask: row.parsed.ask ?? '',
  agent: row.owner_id ? { id: row.owner_id, name: row.agent ?? '' } : null,
  because: row.because.why ? sentenceOf(row.because) : null,
  arrived_at: row.arrived_at,
  first_try_at: row.first_try_at,
});

/** A page of inquiries, the latest first. */
export async function listInquiries(scope: Scope, limit: number, cursor?: string | null): Promise<Page<InquiryView>> {
  const after = readCursor(cursor, 2);
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  let keyset = '';
  if (after) {
    bind.push(after[0], after[1]);
    keyset = ` and (i.arrived_at, i.id) < ($${bind.length - 1}::timestamptz, $${bind.length}::bigint)`;
  }
  bind.push(limit + 1, scope.accountId);
  const rows = await reader().rows<InquiryRow>(
    `${SELECT} where ${where} and i.account_id = $${bind.length}${keyset} order by i.arrived_at desc, i.id desc limit $${bind.length - 1}`,
    bind,
  );
  const page = pageOf(rows, limit, (row) => [row.arrived_at.toISOString(), row.id]);
  return { items: page.items.map(viewOf), next: page.next };
}

/** One inquiry with what came in and what was read from it. @throws AppError not_found */
export async function findInquiry(
  scope: Scope,
  id: string,
): Promise<InquiryView & { raw: unknown; parsed: RecognizedLead; lead_mail_id: string | null }> {
  const bind: unknown[] = [id];
  const row = await reader().first<InquiryRow>(`${SELECT} where i.id = $1 and ${visible(scope, bind)}`, bind);
  if (!row) throw notFound('inquiry');
  const parsed = Object.fromEntries(Object.entries(row.parsed).filter(([key]) => key !== 'fingerprint' && key !== 'ask'));
  const mail =
    scope.sees === 'all'
      ? await reader().first<{ id: string }>('select id from lead_mails where inquiry_id = $1 limit 1', [id])
      : null;
  return { ...viewOf(row), raw: row.raw, parsed: snaked(parsed), lead_mail_id: mail?.id ?? null };
}
