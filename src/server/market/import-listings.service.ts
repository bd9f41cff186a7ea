/** Taking in a file of listings: a CSV with the field names of the RESO Data Dictionary, read as it comes, all of it or nothing. */
import { scopeFor, type Principal } from '@/core/accounts';
import { CsvReader, decoderName, findDelimiter, sniff, type CsvRecord } from '@/core/imports';
import { NEEDED_COLUMNS, ON_THE_MARKET, listingNumber, readListing, type Listing, type ListingsImported } from '@/core/market';
import { AppError } from '@/core/shared';
import { storable } from '@/core/capture/schemas';
import { nameSql, now, writeAudit, transact, type Tx } from '../shared';
import { rowOfListing } from './listings.repository';

const MOST_BYTES = 60_000_000;
const CHUNK = 500;
const MOST_REFUSED_SHOWN = 200;
const MOST_WITHDRAWN_SHOWN = 200;
/** On the market, or about to be sold: what a file that holds all withdraws when it is not in it. */
const OPEN = [...ON_THE_MARKET, 'under_contract', 'pending'];
const COLUMNS = {
  number: 'text',
  status: 'text',
  price: 'numeric',
  address: 'text',
  city: 'text',
  postal_code: 'text',
  area: 'text',
  beds: 'numeric',
  baths: 'numeric',
  living_area: 'numeric',
  type: 'text',
  kind: 'text',
  latitude: 'float8',
  longitude: 'float8',
  pool: 'boolean',
  open_from: 'timestamptz',
  open_to: 'timestamptz',
  remarks: 'text',
  agent_name: 'text',
  on_market: 'date',
};
const NAMES = Object.keys(COLUMNS);
const TYPED = Object.entries(COLUMNS)
  .map(([name, type]) => `${name} ${type}`)
  .join(', ');

/**
 * Takes in listings; those known by their number are brought up to date.
 * @param whole the file holds all there are: what is on the market here and not in it is withdrawn
 * @param preview says what would become of it, and changes nothing
 * @throws AppError input_unreadable when it is no such file, body_too_large
 */
export async function importListings(
  principal: Principal,
  file: ReadableStream<Uint8Array> | null,
  { whole, preview = false }: { whole: boolean; preview?: boolean },
): Promise<ListingsImported> {
  try {
    return await transact(async (tx) => {
      const result = await take(tx, principal, file, whole);
      if (preview) throw new Previewed(result);
      return result;
    });
  } catch (error) {
    if (error instanceof Previewed) return error.result;
    throw error;
  }
}

/** Nothing of it is kept: it was only looked at. */
class Previewed extends Error {
  constructor(readonly result: ListingsImported) {
    super('previewed');
  }
}

async function take(
  tx: Tx,
  principal: Principal,
  file: ReadableStream<Uint8Array> | null,
  whole: boolean,
): Promise<ListingsImported> {
  const { accountId } = scopeFor(principal);
  const at = await now(tx);
  const result: ListingsImported = {
    rows: 0,
    added: 0,
    changed: 0,
    same: 0,
    gone: 0,
    withdrawn: [],
    imported_at: at,
    refused: [],
  };
  let chunk = new Map<string, Listing>();
  const numbers = new Set<string>();
  let headings: string[] | null = null;
  const settle = async () => {
    await write(tx, accountId, [...chunk.values()], result, at);
    chunk = new Map();
  };
  for await (const { line, cells } of recordsOf(file)) {
    if (!headings) {
      headings = cells.map((cell) => cell.trim().toLowerCase());
      const missing = NEEDED_COLUMNS.filter((name) => !headings!.includes(name.toLowerCase()));
      if (missing.length)
        throw new AppError(
          'input_unreadable',
          `This isn’t a listings file: it has no column ${missing.join(', no column ')}. Columns are named as in the RESO Data Dictionary.`,
        );
      continue;
    }
    if (cells.every((cell) => !cell.trim())) continue;
    result.rows += 1;
    const row = new Map(headings.map((name, n) => [name, storable(cells[n] ?? '')]));
    /* What is in the file is not withdrawn, though its row cannot be read. */
    const number = listingNumber(row);
    if (number) numbers.add(number);
    const read = readListing(row);
    if (typeof read === 'string') {
      if (result.refused.length < MOST_REFUSED_SHOWN) result.refused.push({ line, why: read });
      continue;
    }
    chunk.set(read.number, read);
    if (chunk.size >= CHUNK) await settle();
  }
  if (!headings) throw new AppError('input_unreadable', 'The file is empty.');
  await settle();
  if (whole) Object.assign(result, await withdrawOthers(tx, accountId, [...numbers], at));
  const { rows, added, changed, same, gone, refused } = result;
  await writeAudit(tx, principal, accountId, 'listings.take', { rows, added, changed, same, gone, refused: refused.length }, at);
  return result;
}

/** Withdraws what is on the market and none of these. */
async function withdrawOthers(
  tx: Tx,
  accountId: string,
  numbers: string[],
  at: Date,
): Promise<Pick<ListingsImported, 'gone' | 'withdrawn'>> {
  const gone = await tx.rows<{ number: string; address: string }>(
    `update listings set status_before = status, status = 'withdrawn', changed_at = $2 where account_id = $1 and status = any($3::text[]) and not exists (select 1 from unnest($4::text[]) n where n = number) returning number, address`,
    [accountId, at, OPEN, numbers],
  );
  gone.sort((a, b) => (a.address < b.address ? -1 : 1));
  return { gone: gone.length, withdrawn: gone.slice(0, MOST_WITHDRAWN_SHOWN) };
}

/**
 * Puts back on the market what a file withdrew, as it was; what was changed since stays as it is.
 * @param importedAt of that file's answer
 * @returns how many
 */
export async function restoreListings(principal: Principal, importedAt: Date): Promise<{ restored: number }> {
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    const at = await now(tx);
    const rows = await tx.rows(
      `update listings set status = status_before, status_before = null, changed_at = $3 where account_id = $1 and status = 'withdrawn' and status_before is not null and changed_at = $2 returning id`,
      [accountId, importedAt, at],
    );
    if (rows.length) await writeAudit(tx, principal, accountId, 'listings.restore', { restored: rows.length }, at);
    return { restored: rows.length };
  });
}

async function write(tx: Tx, accountId: string, listings: Listing[], result: ListingsImported, at: Date): Promise<void> {
  if (!listings.length) return;
  const rows = await tx.rows<{ added: boolean; changed: boolean }>(
    `with given as (
       select x.*, (select u.id from users u where u.account_id = $2 and u.active and lower(${nameSql('u')}) = lower(x.agent_name) order by u.id limit 1) as agent_id
       from jsonb_to_recordset($1::jsonb) as x (${TYPED})
     ), before as (
       select l.number, row(${NAMES.map((name) => `l.${name}`).join(', ')})::text as was from listings l join given g on g.number = l.number where l.account_id = $2
     ), put as (
       insert into listings as l (account_id, ${NAMES.join(', ')}, agent_id, taken_at, changed_at)
       select $2, ${NAMES.map((name) => `g.${name}`).join(', ')}, g.agent_id, $3, $3 from given g
       on conflict (account_id, number) do update set ${NAMES.filter((name) => name !== 'number')
         .map((name) => `${name} = excluded.${name}`)
         .join(', ')}, agent_id = excluded.agent_id, taken_at = excluded.taken_at,
         changed_at = case when row(${NAMES.map((name) => `l.${name}`).join(', ')}) is distinct from row(${NAMES.map((name) => `excluded.${name}`).join(', ')}) then excluded.changed_at else l.changed_at end
       returning number, row(${NAMES.map((name) => `l.${name}`).join(', ')})::text as is_now
     ) select b.number is null as added, b.was is distinct from p.is_now as changed from put p left join before b on b.number = p.number`,
    [JSON.stringify(listings.map(rowOfListing)), accountId, at],
  );
  for (const row of rows) result[row.added ? 'added' : row.changed ? 'changed' : 'same'] += 1;
}

async function* recordsOf(file: ReadableStream<Uint8Array> | null): AsyncGenerator<CsvRecord> {
  const parts: Uint8Array[] = [];
  let size = 0;
  let reader: CsvReader | null = null;
  let decoder: TextDecoder | null = null;
  const begin = (whole: boolean): string => {
    const head = Buffer.concat(parts);
    const sniffed = sniff(head, whole);
    if (sniffed.kind !== 'csv')
      throw new AppError('input_unreadable', sniffed.kind === 'empty' ? 'The file is empty.' : 'This isn’t a CSV file.');
    decoder = new TextDecoder(decoderName(sniffed.encoding ?? 'utf-8'));
    const text = decoder.decode(head, { stream: !whole });
    reader = new CsvReader(findDelimiter(text.slice(0, 64_000)));
    return text;
  };
  const stream = file?.getReader();
  for (let part = await stream?.read(); part && !part.done; part = await stream!.read()) {
    size += part.value.length;
    if (size > MOST_BYTES)
      throw new AppError('body_too_large', `The file is larger than ${MOST_BYTES / 1_000_000} MB. Nothing of it was kept.`);
    if (reader) yield* (reader as CsvReader).feed(decoder!.decode(part.value, { stream: true }));
    else {
      parts.push(part.value);
      if (size >= 64_000) {
        const text = begin(false);
        yield* reader!.feed(text);
      }
    }
  }
  if (!reader) {
    const text = begin(true);
    yield* reader!.feed(text);
  } else yield* (reader as CsvReader).feed(decoder!.decode());
  yield* reader!.end();
}
