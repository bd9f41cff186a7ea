/**
 * Campaigns that begin by themselves: for whoever comes to be among those named, asks by a door or source, or has a day. A look is
 * taken every hour of the clock; the first after a campaign was switched on only remembers who is among them already.
 */
import { campaignsTable } from './campaigns.model';
import { campaignsHeldSql } from '../accounts';
import { nextYearly, type Plan, type Start } from '@/core/campaigns';
import type { Activity, Because } from '@/core/contacts';
import { HOUR } from '@/core/shared';
import { listFields, recordActivities, segmentSql } from '../contacts';
import { config, now, transact, type Tx } from '../shared';
import { applyChanges } from './apply';
import { enrol } from './enrol.service';
import { LATEST, readVersions } from './versions';

const EVERY_HOURS = 1;
/** Enrolled in one statement. */
const BATCH = 2_000;

interface Look {
  id: string;
  account_id: string;
  name: string;
  zone: string;
  scanned_at: Date | null;
  plan: Plan;
}

/** Campaigns that are on, may begin by themselves (other than by an inquiry), and belong to an account that is not held. */
const LOOKING = `from campaigns p join accounts a on a.id = p.account_id join campaign_versions v on v.id = ${LATEST}
  where p.state = 'on' and p.deleted_at is null and not ${campaignsHeldSql('a')}
    and exists (select 1 from jsonb_array_elements(v.plan->'starts') s where s->>'on' <> 'inquiry')`;

/** Takes the looks that are due. @returns how many people came in */
export async function carryOutStarts(): Promise<number> {
  let begun = 0;
  for (;;) {
    const one = await transact(async (tx) => {
      const at = await now(tx);
      const scan = await tx.first<Look>(
        `select p.id, p.account_id, p.name, a.time_zone as zone, p.scanned_at, v.plan ${LOOKING}
           and (p.scanned_at is null or p.scanned_at <= $1::timestamptz - interval '${EVERY_HOURS} hours') order by p.scanned_at nulls first limit 1 for update of p skip locked`,
        [at],
      );
      if (!scan) return null;
      let came = 0;
      for (const [place, start] of scan.plan.starts.entries()) came += await begin(tx, scan, place, start, at);
      await campaignsTable.update({ scanned_at: at }, { id: scan.id }, tx);
      return came;
    });
    if (one === null) return begun;
    begun += one;
  }
}

/** When the next look is due; null when no campaign looks. */
export async function nextStart(tx: Tx): Promise<Date | null> {
  const row = await tx.first<{ at: Date | null }>(`select min(coalesce(p.scanned_at, 'epoch')) as at ${LOOKING}`);
  return row?.at ? new Date(row.at.getTime() + EVERY_HOURS * HOUR) : null;
}

async function begin(tx: Tx, scan: Look, place: number, start: Start, at: Date): Promise<number> {
  const because: Because = { why: start.on === 'enter' ? 'entered' : 'day_came', campaign: scan.name };
  const ids = await whoComes(tx, scan, place, start, at);
  let came = 0;
  for (let from = 0; from < ids.length; from += BATCH) {
    const { lines } = await enrol(tx, scan.account_id, scan.id, ids.slice(from, from + BATCH), because, at);
    await recordActivities(tx, scan.account_id, lines);
    came += lines.length;
  }
  return came;
}

async function whoComes(tx: Tx, scan: Look, place: number, start: Start, at: Date): Promise<string[]> {
  switch (start.on) {
    case 'inquiry':
      return [];
    case 'enter': {
      const bind: unknown[] = [scan.account_id, scan.id, place];
      const context = { zone: scan.zone, at, fields: await listFields(scan.account_id, tx), userId: null };
      const among = segmentSql(start.tree, context, bind);
      const rows = await tx.rows<{ contact_id: string }>(
        `with among as (select c.id from contacts c join contact_facts f on f.contact_id = c.id where c.account_id = $1 and c.deleted_at is null and ${among}),
           gone as (delete from campaign_scans l where l.campaign_id = $2 and l.start = $3 and not exists (select 1 from among where among.id = l.contact_id))
         insert into campaign_scans (campaign_id, start, contact_id) select $2, $3, id from among on conflict do nothing returning contact_id`,
        bind,
      );
      return scan.scanned_at ? rows.map((row) => row.contact_id) : [];
    }
    case 'date': {
      if (!scan.scanned_at) return [];
      const since = new Date(scan.scanned_at.getTime() + 1);
      const rows = await tx.rows<{ id: string; time_zone: string; month_day: number }>(
        `select c.id, c.time_zone, d.month_day from contact_dates d join contacts c on c.id = d.contact_id
         where c.account_id = $1 and c.deleted_at is null and d.kind = $2 and d.month_day = any($3::int[]) order by c.id`,
        [scan.account_id, start.date, daysAround(since, at, start.days)],
      );
      return [
        ...new Set(
          rows.filter((row) => nextYearly(row.month_day, start.days, start.at, since, row.time_zone) <= at).map((row) => row.id),
        ),
      ];
    }
    case 'day': {
      if (!scan.scanned_at) return [];
      const since = new Date(scan.scanned_at.getTime() + 1);
      const monthDay = Number(start.day.replace('-', ''));
      if (!daysAround(since, at, 0).includes(monthDay)) return [];
      const zones = await tx.rows<{ time_zone: string }>(
        'select distinct time_zone from contacts where account_id = $1 and deleted_at is null',
        [scan.account_id],
      );
      const there = zones.map((row) => row.time_zone).filter((zone) => nextYearly(monthDay, 0, start.at, since, zone) <= at);
      if (!there.length) return [];
      const rows = await tx.rows<{ id: string }>(
        'select id from contacts where account_id = $1 and deleted_at is null and time_zone = any($2::text[]) order by id',
        [scan.account_id, there],
      );
      return rows.map(({ id }) => id);
    }
  }
}

const DAY_MS = 86_400_000;
/** The months and days whose instant, moved by `days`, can lie between two instants in any zone. */
function daysAround(from: Date, to: Date, days: number): number[] {
  const found = new Set<number>();
  for (let at = from.getTime() - (days + 2) * DAY_MS; at <= to.getTime() - (days - 2) * DAY_MS; at += DAY_MS) {
    const day = new Date(at);
    found.add((day.getUTCMonth() + 1) * 100 + day.getUTCDate());
    /* The 29th of February is kept on the 28th in other years. */
    if (day.getUTCMonth() === 1 && day.getUTCDate() === 28) found.add(229);
  }
  return [...found];
}

interface InquiryStart {
  id: string;
  name: string;
  starts: Extract<Start, { on: 'inquiry' }>[];
}
const KNOWN_MS = 3_000;
const known = new Map<string, { starts: InquiryStart[]; until: number }>();

/** Campaigns that begin with an inquiry change seldom and are asked with every lead, so each process keeps them for a moment. */
async function inquiryStarts(tx: Tx, accountId: string): Promise<InquiryStart[]> {
  const key = `${config().databaseUrl} ${accountId}`;
  const cached = known.get(key);
  if (cached && cached.until > Date.now()) return cached.starts;
  const rows = await tx.rows<{ id: string; name: string; version: string }>(
    `select p.id, p.name, v.id as version from campaigns p join campaign_versions v on v.id = ${LATEST} where p.account_id = $1 and p.state = 'on' and p.deleted_at is null
       and exists (select 1 from jsonb_array_elements(v.plan->'starts') s where s->>'on' = 'inquiry') order by p.id`,
    [accountId],
  );
  const versions = await readVersions(
    tx,
    rows.map((row) => row.version),
  );
  const starts = rows.map(({ id, name, version }) => ({
    id,
    name,
    starts: versions.get(version)!.plan.starts.filter((start) => start.on === 'inquiry'),
  }));
  known.set(key, { starts, until: Date.now() + KNOWN_MS });
  return starts;
}

/** A campaign that begins with an inquiry. */
export type BegunByInquiry = Pick<InquiryStart, 'id' | 'name'>;

/** The campaigns that begin with inquiries of this door or source. */
export async function begunByInquiry(
  tx: Tx,
  accountId: string,
  { doorId, source }: { doorId: string; source: string | null },
): Promise<BegunByInquiry[]> {
  return (await inquiryStarts(tx, accountId)).filter(({ starts }) =>
    starts.some(
      ({ doors, sources }) =>
        (!doors.length || doors.includes(doorId)) &&
        (!sources.length || (source !== null && sources.some((one) => one.toLowerCase() === source.toLowerCase()))),
    ),
  );
}

/** Begins campaigns for somebody who asked. @returns the lines of the timeline */
export async function beginInquiry(
  tx: Tx,
  accountId: string,
  campaigns: readonly BegunByInquiry[],
  contactId: string,
  at: Date,
): Promise<Activity[]> {
  const lines: Activity[] = [];
  for (const { id, name } of campaigns)
    lines.push(...(await enrol(tx, accountId, id, [contactId], { why: 'arrived', campaign: name }, at)).lines);
  return lines;
}

/** Carries out what campaigns owe to those who ended them by an answer. @returns how many */
export async function payOwed(limit = 200): Promise<number> {
  return transact(async (tx) => {
    const rows = await tx.rows<{
      id: string;
      account_id: string;
      contact_id: string;
      campaign_id: string;
      name: string;
      version_id: string;
    }>(
      `select e.id, e.account_id, e.contact_id, e.campaign_id, p.name, e.version_id from enrollments e join campaigns p on p.id = e.campaign_id where e.owes order by e.id limit $1 for update of e skip locked`,
      [limit],
    );
    if (!rows.length) return 0;
    const at = await now(tx);
    const versions = await readVersions(
      tx,
      rows.map((row) => row.version_id),
    );
    for (const accountId of new Set(rows.map((row) => row.account_id)))
      await applyChanges(
        tx,
        accountId,
        rows
          .filter((row) => row.account_id === accountId)
          .flatMap((row) =>
            (versions.get(row.version_id)?.plan.ends.then ?? []).map((change) => ({
              contactId: row.contact_id,
              campaign: row.name,
              campaignId: row.campaign_id,
              day: 0,
              change,
            })),
          ),
        at,
      );
    await tx.run('update enrollments set owes = false where id = any($1::bigint[])', [rows.map(({ id }) => id)]);
    return rows.length;
  });
}
