/**
 * Handing on people who have been here for a while, many at once: to a roster or down the ladder, each at once to whoever is next and
 * may have leads, never back to whom they come from. Nobody is offered anything: windows are for leads that have just come.
 */
import { rostersTable } from './rosters.model';
import type { CleanInquiry } from '@/core/capture/schemas';
import { decide, knownOfLead, leadOf, startIn, nextRoutingStep, type Roster } from '@/core/routing';
import { readKnown } from '../segments';
import type { Tx } from '../shared';
import { ladderNow } from './ladders';
import { lockRosters } from './rosters.repository';
import { lastResort } from './walk.service';

interface Person {
  id: string;
  owner_id: string | null;
  roles: CleanInquiry['roles'];
  city: string | null;
  postal_code: string | null;
  source: string | null;
  door_id: string | null;
  parsed: Partial<CleanInquiry> | null;
}

/**
 * Chooses an agent for each of these contacts, whose locks the caller holds, and moves the rosters' turns on.
 * @param rosterId null for the ladder, which is asked of each one's latest inquiry
 * @returns agents by contact id
 */
export async function chooseAgents(
  tx: Tx,
  accountId: string,
  contactIds: string[],
  rosterId: string | null,
  at: Date,
): Promise<Map<string, string>> {
  const people = await tx.rows<Person>(
    `select c.id, c.owner_id, c.roles, c.city, c.postal_code, coalesce(i.source, c.source) as source, i.door_id, i.parsed - 'message' - 'ask' as parsed from contacts c
     left join lateral (select door_id, source, parsed from inquiries where contact_id = c.id order by id desc limit 1) i on true where c.id = any($1::bigint[]) order by c.id`,
    [contactIds],
  );
  const wanted = rosterId ? new Map(people.map(({ id }) => [id, rosterId])) : await byLadder(tx, accountId, people, at);
  const locked = await lockRosters(tx, [...wanted.values()], at);
  const rosters = new Map(
    [...locked].map(([id, roster]): [string, Roster] => [
      id,
      {
        ...roster,
        handOut: roster.handOut === 'weighted' ? 'weighted' : 'round_robin',
        then: { to: 'safety_net' },
      },
    ]),
  );
  const net = await lastResort(tx, accountId);
  const chosen = new Map<string, string>();
  const given = new Map<string, number>();
  for (const person of people) {
    const roster = rosters.get(wanted.get(person.id) ?? '');
    if (!roster) {
      chosen.set(person.id, net.userId);
      continue;
    }
    const members = roster.members.map((member) => ({ ...member, open: member.open + (given.get(member.userId) ?? 0) }));
    const start = { ...startIn(roster.id), had: person.owner_id ? [person.owner_id] : [] };
    const { step, turn } = nextRoutingStep({ ...roster, members, mostTurns: null }, start, at);
    if (turn) roster.turn = turn;
    if (step.do !== 'give' && step.do !== 'safety_net') continue;
    given.set(step.userId, (given.get(step.userId) ?? 0) + 1);
    chosen.set(person.id, step.userId);
  }
  for (const roster of rosters.values())
    await rostersTable.update({ last_user_id: roster.turn.lastUserId, credit: roster.turn.credit }, { id: roster.id }, tx);
  return chosen;
}

async function byLadder(tx: Tx, accountId: string, people: Person[], at: Date): Promise<Map<string, string>> {
  const { ladder } = await ladderNow(tx, accountId);
  const known = ladder.asksPerson
    ? await readKnown(
        accountId,
        people.map(({ id }) => id),
        at,
        tx,
      )
    : null;
  const wanted = new Map<string, string>();
  for (const person of people) {
    const inquiry: Partial<CleanInquiry> = person.parsed ?? {
      roles: person.roles,
      city: person.city,
      postalCode: person.postal_code,
    };
    const lead = leadOf(person.door_id ?? '', inquiry, person.source, true);
    const { rung } = decide(ladder, knownOfLead(lead, known?.get(person.id)), at);
    if (rung) wanted.set(person.id, rung.rosterId);
  }
  return wanted;
}
