/** Writing how the leads of the demo came: their inquiries, and how each was handed out. */
import type { Because } from '@/core/contacts';
import type { Trace } from '@/core/routing';
import type { Tx } from '@/server/shared';
import { inquiriesTable } from '@/server/capture/inquiries.model';
import { offersTable } from '@/server/routing/offers.model';
import { routingsTable } from '@/server/routing/routings.model';
import type { WorldContact } from './contact';
import { RUNGS } from './draw';
import { ACCOUNT, insertAll } from './insert';
import { nameOf } from './settings';

interface Arrived {
  lead: WorldContact;
  at: Date;
  ask: string;
  firstTryAt: Date | null;
  /** They came back. */
  back: boolean;
}

export async function writeInquiries(tx: Tx, leads: WorldContact[]): Promise<void> {
  const rows = leads
    .flatMap((lead): Arrived[] => [
      { lead, at: lead.createdAt, ask: lead.ask, firstTryAt: lead.firstTryAt, back: false },
      ...(lead.cameBack ? [{ lead, ...lead.cameBack, back: true }] : []),
    ])
    .sort((a, b) => a.at.getTime() - b.at.getTime())
    .map((arrived, n) => inquiryRow(arrived, String(n + 1)));
  await insertAll(tx, inquiriesTable, rows);
  await insertAll(
    tx,
    offersTable,
    rows.map((row) => ({
      id: row.id,
      ...ACCOUNT,
      inquiry_id: row.id,
      contact_id: row.contact_id,
      user_id: row.owner_id,
      offered_at: row.arrived_at,
      answered_at: row.first_try_at,
      state: 'given',
      roster_id: row.rung_id,
      taken_at: row.arrived_at,
    })),
  );
  await insertAll(
    tx,
    routingsTable,
    rows.map((row) => ({
      id: row.id,
      ...ACCOUNT,
      inquiry_id: row.id,
      contact_id: row.contact_id,
      version_id: '1',
      rung_id: row.rung_id,
      roster_id: row.rung_id,
      state: 'settled',
      trace: traceOf(row.because, row.rung_id, row.arrived_at),
      begun_at: row.arrived_at,
      owned_at: row.arrived_at,
    })),
  );
}

function inquiryRow({ lead, at, ask, firstTryAt, back }: Arrived, id: string) {
  const { first, last, roles, source, wants, town, postalCode, ownerId, routed } = lead;
  const emails = lead.email ? [lead.email] : [];
  const phones = lead.phone ? [lead.phone] : [];
  const because: Because = back ? { why: 'returning', agent: nameOf(ownerId) } : routed!.because;
  return {
    id,
    ...ACCOUNT,
    door_id: Number(lead.id) % 6 === 0 ? '2' : '1',
    contact_id: lead.id,
    source,
    raw: {
      person: { first_name: first, last_name: last, emails, phones },
      roles,
      source,
      message: ask,
      place: { city: town.name, postal_code: postalCode },
      wants,
    },
    parsed: { ask, firstName: first, lastName: last, emails, phones, roles, city: town.name, postalCode, wants, message: ask },
    matched: back,
    owner_id: ownerId,
    rung_id: back ? null : routed!.rungId,
    because,
    arrived_at: at,
    first_try_at: firstTryAt,
  };
}

/** The way of an inquiry of the demo world: its rungs give at once. */
function traceOf(because: Because, rungId: string | null, arrivedAt: Date): Trace {
  const at = arrivedAt.toISOString();
  if (because.why === 'returning')
    return { unmet: [], rung: null, steps: [{ at, what: 'fixed', why: 'returning', agent: because.agent }] };
  if (because.why !== 'round_robin')
    return {
      unmet: RUNGS.map(() => 0),
      rung: null,
      steps: [{ at, what: 'safety_net', agent: nameOf('1'), roster: null, cause: 'no_rung', skipped: [] }],
    };
  const skipped = because.skipped.map((name) => ({ name, why: 'away' as const }));
  return {
    unmet: RUNGS.slice(0, Number(rungId) - 1).map(() => 0),
    rung: because.rung,
    steps: [{ at, what: 'given', roster: because.roster, how: 'round robin', agent: because.agent, seconds: null, skipped }],
  };
}
