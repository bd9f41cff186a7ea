/**
 * Visitors of public pages: what they do there is kept from the first page on, and stands in their timeline once they are known, with
 * its own times. A visitor is a random token in a cookie and nothing else until they say who they are; of somebody who never comes back, a
 * robot for one, nothing is kept: their first step stands in the cookie, signed, and is written when they bring it again.
 */
import type { Activity } from '@/core/contacts';
import { MINUTE } from '@/core/shared';
import { recordActivities } from '../contacts';
import { hashed, now, randomToken, reader, readSigned, signed, transact, type Tx } from '../shared';

export interface Visitor {
  /** Null until they have come back. */
  id: string | null;
  contactId: string | null;
  /** How many different homes they looked at. */
  viewed: number;
  /** Numbers of the homes that they saved. */
  saved: string[];
}
export type StepKind = 'visit' | 'viewed_home' | 'saved_home';

/** The same again within this time is the same visit. */
const SITTING_MS = 30 * MINUTE;

/** The visitor of a token, who is kept from now on if they came back with their first step; null for a token that is not ours. */
export async function findVisitor(accountId: string, token: string | null): Promise<Visitor | null> {
  if (!token) return null;
  const known = await readVisitor(accountId, token);
  if (known) return known;
  const first = firstStepOf(accountId, token);
  if (!first) return null;
  await keepFirst(accountId, token, first);
  return readVisitor(accountId, token);
}

async function readVisitor(accountId: string, token: string): Promise<Visitor | null> {
  const row = await reader().first<{ id: string; contact_id: string | null; viewed: number; saved: string[] }>(
    `select v.id, v.contact_id, (select count(distinct listing_number)::int from visitor_steps s where s.visitor_id = v.id and s.kind = 'viewed_home') as viewed,
       array(select listing_number from visitor_steps s where s.visitor_id = v.id and s.kind = 'saved_home' order by s.at) as saved
     from visitors v where v.account_id = $1 and v.token_hash = $2`,
    [accountId, hashed(token)],
  );
  return row && { id: row.id, contactId: row.contact_id, viewed: row.viewed, saved: row.saved };
}

const VISITOR = 'visitor';
type FirstStep = {
  account: string;
  door: string;
  kind: StepKind;
  number: string | null;
  text: string;
  at: string;
  random: string;
};

/** Somebody who comes for the first time and only looks. @returns the token for their cookie, in which the step stands */
export async function firstVisit(step: Omit<VisitorStep, 'visitorId'>): Promise<{ token: string; visitor: Visitor }> {
  const first: FirstStep = {
    account: step.accountId,
    door: step.doorId,
    kind: step.kind,
    number: step.listing?.number ?? null,
    text: step.text.slice(0, 150),
    at: (await now()).toISOString(),
    random: randomToken(12),
  };
  const token = signed(VISITOR, Buffer.from(JSON.stringify(first)).toString('base64url'));
  return { token, visitor: { id: null, contactId: null, viewed: 0, saved: [] } };
}

function firstStepOf(accountId: string, token: string): FirstStep | null {
  const value = readSigned(VISITOR, token);
  if (!value) return null;
  const first = JSON.parse(Buffer.from(value, 'base64url').toString()) as FirstStep;
  return first.account === accountId ? first : null;
}

const keepFirst = (accountId: string, token: string, first: FirstStep): Promise<void> =>
  reader().run(
    `with v as (insert into visitors (account_id, token_hash, first_at, last_at) values ($1, $2, $3, $3) on conflict do nothing returning id)
     insert into visitor_steps (account_id, visitor_id, door_id, kind, listing_number, text, at) select $1, v.id, d.id, $5, $6, $7, $3 from v join doors d on d.id = $4 and d.account_id = $1`,
    [accountId, hashed(token), first.at, first.door, first.kind, first.number, first.text],
  );

/** Somebody new who does more than look. @returns the token for their cookie */
export async function newVisitor(accountId: string): Promise<{ token: string; visitor: Visitor & { id: string } }> {
  const token = randomToken(24);
  const row = await transact(async (tx) =>
    tx.first<{ id: string }>(
      'insert into visitors (account_id, token_hash, first_at, last_at) values ($1, $2, $3, $3) returning id',
      [accountId, hashed(token), await now(tx)],
    ),
  );
  return { token, visitor: { id: row!.id, contactId: null, viewed: 0, saved: [] } };
}

export interface VisitorStep {
  accountId: string;
  /** Null for somebody who has not come back: their step stands in their cookie. */
  visitorId: string | null;
  doorId: string;
  kind: StepKind;
  listing?: { number: string; address: string } | null;
  /** What the timeline says. */
  text: string;
}

/** Keeps a step, unless it is the same visit or the same home again; of somebody who is known it stands in their timeline at once. */
export async function noteStep(step: VisitorStep): Promise<void> {
  if (step.visitorId === null) return;
  await transact(async (tx) => {
    const at = await now(tx);
    const visitor = await tx.first<{ contact_id: string | null }>(
      'update visitors set last_at = $2 where id = $1 returning contact_id',
      [step.visitorId, at],
    );
    if (!visitor) return;
    const row = await tx.first<{ id: string }>(
      `insert into visitor_steps (account_id, visitor_id, door_id, kind, listing_number, text, at)
       select $1, $2, $3, $4, $5, $6, $7 where not exists (select 1 from visitor_steps where visitor_id = $2 and kind = $4 and door_id = $3 and listing_number is not distinct from $5 and at > $8)
       on conflict do nothing returning id`,
      [
        step.accountId,
        step.visitorId,
        step.doorId,
        step.kind,
        step.listing?.number ?? null,
        step.text.slice(0, 500),
        at,
        new Date(at.getTime() - SITTING_MS),
      ],
    );
    if (row && visitor.contact_id) await tell(tx, step.accountId, visitor.contact_id, [row.id]);
  });
}

/** The visitor has said who they are: what they did until now becomes theirs, once. */
export async function knowVisitor(accountId: string, visitorId: string, contactId: string): Promise<void> {
  await transact(async (tx) => {
    const known = await tx.first(
      'update visitors set contact_id = $3 where id = $1 and account_id = $2 and (contact_id is null or contact_id = $3) returning id',
      [visitorId, accountId, contactId],
    );
    if (!known) return;
    const steps = await tx.rows<{ id: string }>(
      'select id from visitor_steps where visitor_id = $1 and not told order by at, id for update',
      [visitorId],
    );
    await tell(
      tx,
      accountId,
      contactId,
      steps.map(({ id }) => id),
    );
  });
}

/** What somebody did who is known already, with a key under which it is kept once. */
export async function noteOnce(
  accountId: string,
  contactId: string,
  step: { doorId: string; kind: StepKind; number: string | null; text: string; at: Date; key: string },
): Promise<void> {
  await transact(async (tx) => {
    const rightNow = await now(tx);
    const row = await tx.first<{ id: string }>(
      `insert into visitor_steps (account_id, door_id, kind, listing_number, text, at, once_key) values ($1, $2, $3, $4, $5, $6, $7) on conflict (once_key) do nothing returning id`,
      [
        accountId,
        step.doorId,
        step.kind,
        step.number,
        step.text.slice(0, 500),
        step.at < rightNow ? step.at : rightNow,
        step.key,
      ],
    );
    if (row) await tell(tx, accountId, contactId, [row.id]);
  });
}

async function tell(tx: Tx, accountId: string, contactId: string, ids: string[]): Promise<void> {
  if (!ids.length) return;
  const steps = await tx.rows<{ kind: StepKind; text: string; at: Date }>(
    'update visitor_steps set told = true where id = any($1::bigint[]) and not told returning kind, text, at',
    [ids],
  );
  const activities = steps
    .sort((a, b) => a.at.getTime() - b.at.getTime())
    .map(({ kind, text, at }): Activity => ({
      contactId,
      userId: null,
      at,
      kind,
      channel: null,
      direction: 'in',
      data: { text },
      because: null,
    }));
  await recordActivities(tx, accountId, activities);
}

/** Visitors who never said who they are are forgotten after so long. */
const KEPT_DAYS = 90;
export const sweepVisitors = async (): Promise<void> => {
  const since = new Date((await now()).getTime() - KEPT_DAYS * 24 * 60 * MINUTE);
  await reader().run('delete from visitors where contact_id is null and last_at < $1', [since]);
};
