/** Taking an import back, chunk by chunk: who was made goes, unless somebody worked with them since; who was completed is as before, except what was changed since. */
import { importsTable } from './imports.model';
import { forgetSearch, putBackPermissions, refreshSearch, restate, type PermissionBefore } from '../contacts';
import { now, transact, type Tx } from '../shared';
import { readImport, type ImportRow } from './imports.repository';

const CHUNK = 500;
const ROWS = `jsonb_to_recordset($1::jsonb) as x (contact_id bigint, before jsonb, after jsonb)`;
interface Done {
  contact_id: string;
  outcome: 'made' | 'changed' | 'same';
  before: object | null;
  after: object | null;
}

/** One chunk. @returns false when nothing is left */
export async function undoImportChunk(id: string): Promise<boolean> {
  return transact(async (tx) => {
    const row = await readImport(id, tx, true);
    if (!row || row.state !== 'undoing') return false;
    const at = await now(tx);
    const rows = await tx.rows<Done>(
      `delete from import_rows where import_id = $1 and outcome <> 'left' and row >= (select min(row) from (select row from import_rows where import_id = $1 and outcome <> 'left' order by row desc limit ${CHUNK}) latest) returning contact_id, outcome, before, after`,
      [id],
    );
    if (!rows.length) {
      await importsTable.update({ state: 'undone', ended_at: at }, { id }, tx);
      return false;
    }
    const changed = rows.filter(({ outcome }) => outcome === 'changed');
    const made = rows.filter(({ outcome }) => outcome === 'made').map(({ contact_id }) => contact_id);
    await restore(tx, row, changed, at);
    const gone = await takeBack(tx, made, at, row.ended_at ?? at);
    await tx.run('update imports set undone = undone + $2, undo_left_alone = undo_left_alone + $3 where id = $1', [
      id,
      gone + changed.length,
      made.length - gone,
    ]);
    return true;
  });
}

/** Contacts made by the import, of whom nothing but the import tells anything. */
async function takeBack(tx: Tx, ids: string[], at: Date, ended: Date): Promise<number> {
  const rows = await tx.rows<{ id: string }>(
    `update contacts c set deleted_at = $2, updated_at = $2 where c.id = any($1::bigint[]) and c.deleted_at is null and c.updated_at <= $3
       and not exists (select 1 from activities a where a.contact_id = c.id and a.at > $3) and not exists (select 1 from inquiries i where i.contact_id = c.id) returning c.id`,
    [ids, at, ended],
  );
  const gone = rows.map(({ id }) => id);
  await tx.run('update contact_points set active = false where contact_id = any($1::bigint[])', [gone]);
  await forgetSearch(tx, gone);
  return rows.length;
}

async function restore(tx: Tx, row: ImportRow, changed: Done[], at: Date): Promise<void> {
  if (!changed.length) return;
  const json = JSON.stringify(changed);
  await tx.run(
    `update contacts c set first_name = v.first_name, last_name = v.last_name, company = v.company, street = v.street, city = v.city, postal_code = v.postal_code, region = v.region, country = v.country, source = v.source,
       roles = v.roles, wants = v.wants, horizon = v.horizon
     from (select x.contact_id, (select coalesce(jsonb_object_agg(b.key, b.value), '{}') from jsonb_each(x.before) b where to_jsonb(h) -> b.key = x.after->'columns'->b.key) as back
           from ${ROWS} join contacts h on h.id = x.contact_id where x.before is not null) x
     cross join lateral jsonb_populate_record((select b from contacts b where b.id = x.contact_id), x.back) v where c.id = x.contact_id`,
    [json],
  );
  await tx.run(
    `delete from contact_points p using ${ROWS} where p.contact_id = x.contact_id and p.id in (select v::bigint from jsonb_array_elements_text(x.after->'points') v)`,
    [json],
  );
  await tx.run(
    `delete from contact_tags t using ${ROWS} where t.contact_id = x.contact_id and t.tag_id in (select v::bigint from jsonb_array_elements_text(x.after->'tags') v)`,
    [json],
  );
  await tx.run(
    `delete from contact_dates d using ${ROWS} where d.contact_id = x.contact_id and d.id in (select v::bigint from jsonb_array_elements_text(x.after->'dates') v)`,
    [json],
  );
  await tx.run(
    `delete from field_values f using ${ROWS} where f.contact_id = x.contact_id and f.field_id in (select v::bigint from jsonb_array_elements_text(x.after->'fields') v)`,
    [json],
  );
  const permissions = changed.flatMap(({ after }) => (after as { permissions?: PermissionBefore[] } | null)?.permissions ?? []);
  await putBackPermissions(
    tx,
    row.account_id,
    permissions.map((one) => ({ ...one, evidence: `import ${row.id}` })),
    { why: 'the import was undone', userId: row.user_id, at },
  );
  const ids = [...new Set(changed.map(({ contact_id }) => contact_id))];
  await restate(tx, ids, row.ended_at ?? at);
  await refreshSearch(tx, ids);
}
