/**
 * Taking a chunk of people in, in one transaction with the note of how far the import is: found or made, completed by what was
 * chosen, with addresses, tags, permissions, dates, fields, households and a line in the timeline; each row with what undo needs.
 */
import type { ImportedPerson } from '@/core/imports';
import { storableJson } from '@/core/capture/schemas';
import { ownAddresses, visible } from '../contacts';
import { lockAddresses, now, transact, type Tx } from '../shared';
import type { ImportContext } from './context';
import { readImport } from './imports.repository';
import { ImportChunkWriter } from './import-chunk-writer';
import { assign, unitsOf, type ImportUnit } from './import-units';

/** A row that is not taken, and why. */
const whyLeft = (person: ImportedPerson, { options }: ImportContext): string | null => {
  const reachable = person.emails.length + person.phones.length > 0 || Boolean(person.address?.street);
  const named = Boolean(person.first || person.last || person.company);
  const doubts = person.doubts.map(({ why }) => why).join('; ');
  if (!reachable || (!named && !person.emails.length && !person.phones.length)) return doubts || 'no phone, email, or address';
  return options.doubtful === 'leave' && person.doubts.length ? doubts : null;
};

/** Takes people in. @param upTo the last row of the chunk. @returns false when the import was cancelled or is not under way */
export async function importChunk(context: ImportContext, chunk: ImportedPerson[], upTo: number): Promise<boolean> {
  return transact(async (tx) => {
    const row = await readImport(context.row.id, tx, true);
    if (!row || row.state !== 'running' || row.cancel) return false;
    const at = await now(tx);
    /* A worker that was taken for dead may still be at it: what is in already is not taken twice. */
    const people = chunk.filter((person) => person.row > row.read);
    if (!people.length) return true;
    await withoutOwn(tx, row.account_id, people);
    const sound = unitsOf(people.filter((person) => whyLeft(person, context) === null));
    await lockAddresses(
      tx,
      row.account_id,
      sound.flatMap(({ person }) => [...person.emails, ...person.phones]),
    );
    await assign(tx, row.account_id, sound, context.options.on_match === 'new');
    const strangers = await rowsOfOthers(tx, context, sound);
    const units = sound.filter(({ person }) => !strangers.has(person.row));
    const whys = new Map(people.map((person) => [person.row, strangers.has(person.row) ? OTHERS : whyLeft(person, context)]));
    const left = people.filter((person) => whys.get(person.row) !== null);
    const writer = new ImportChunkWriter(tx, context, at);
    await writer.take(units);
    await leave(tx, context, left, whys);
    const counts = writer.counts();
    await tx.run(
      'update imports set read = $2, made = made + $3, changed = changed + $4, same = same + $5, left_out = left_out + $6, doubtful = doubtful + $7 where id = $1',
      [
        row.id,
        upTo,
        counts.made,
        counts.changed,
        counts.same,
        left.length,
        people.filter((person) => person.doubts.length).length - left.filter((person) => person.doubts.length).length,
      ],
    );
    return true;
  });
}

/** Takes away addresses that are our own: the desk that stands in every row of a list is nobody's in it. */
async function withoutOwn(tx: Tx, accountId: string, people: ImportedPerson[]): Promise<void> {
  const said = people.flatMap(({ emails, phones, partner }) => [
    ...emails,
    ...phones,
    ...(partner?.emails ?? []),
    ...(partner?.phones ?? []),
  ]);
  const own = await ownAddresses(tx, accountId, [...new Set(said)]);
  if (!own.size) return;
  for (const person of people)
    for (const one of [person, ...(person.partner ? [person.partner] : [])]) {
      one.emails = one.emails.filter((email) => !own.has(email));
      one.phones = one.phones.filter((phone) => !own.has(phone));
    }
}

const OTHERS = 'another agent’s contact has this address';

/** Rows that are, themselves or by their partner, a contact whom the importer may not see: they are left out and nothing is told of them. */
async function rowsOfOthers(tx: Tx, { scope }: ImportContext, units: ImportUnit[]): Promise<Set<number>> {
  if (scope.sees === 'all') return new Set();
  const known = units.filter((unit) => !unit.isNew).map(({ contactId }) => contactId);
  const bind: unknown[] = [known];
  const seen = new Set(
    (
      await tx.rows<{ id: string }>(
        `select c.id from contacts c where c.id = any($1::bigint[]) and ${visible(scope, bind)}`,
        bind,
      )
    ).map(({ id }) => id),
  );
  const fresh = new Set(units.filter((unit) => unit.isNew).map(({ contactId }) => contactId));
  return new Set(units.filter(({ contactId }) => !seen.has(contactId!) && !fresh.has(contactId)).map(({ person }) => person.row));
}

const leave = (tx: Tx, context: ImportContext, left: ImportedPerson[], whys: Map<number, string | null>): Promise<void> =>
  tx.run(
    `insert into import_rows (import_id, row, outcome, why, raw) select $1, row, 'left', why, raw from jsonb_to_recordset($2::jsonb) as x (row int, why text, raw jsonb)`,
    [
      context.row.id,
      storableJson(left.map((person) => ({ row: person.row, why: whys.get(person.row), raw: person.raw ?? cellsOf(person) }))),
    ],
  );

/** A card as cells, for the file of what was not taken. */
const cellsOf = (person: ImportedPerson): string[] => [
  person.first,
  person.last,
  person.emails.join('; '),
  person.phones.join('; '),
  person.notes ?? '',
];
