/** Phone numbers against the do-not-call registry: each is asked about when it is new, and again before what is known is a month old (47 CFR 64.1200(c)(2)(i)(D)). */
import { now, transact } from '../shared';

const FRESH_DAYS = 28;

/** Asks about numbers of which nothing fresh is known. @returns how many were asked about */
export const checkRegistry = (most: number, ask: (numbers: readonly string[]) => Promise<ReadonlySet<string>>): Promise<number> =>
  transact(async (tx) => {
    const at = await now(tx);
    const rows = await tx.rows<{ id: string; value: string }>(
      `select id, value from contact_points where kind = 'phone' and active and (registry_at is null or registry_at < $1::timestamptz - make_interval(days => ${FRESH_DAYS})) order by registry_at nulls first, id limit $2 for update skip locked`,
      [at, most],
    );
    if (!rows.length) return 0;
    const registered = await ask(rows.map(({ value }) => value));
    await tx.run(
      `update contact_points p set registered = x.registered, registry_at = $2 from jsonb_to_recordset($1::jsonb) as x (id bigint, registered boolean) where p.id = x.id`,
      [JSON.stringify(rows.map(({ id, value }) => ({ id, registered: registered.has(value) }))), at],
    );
    return rows.length;
  });
