/** What went wrong with something is its error: columns, and the reasons in which it is told. */
import type { Migration } from './migration';

const up = `
do $$
declare of record;
begin
  for of in select c.table_name, c.column_name from information_schema.columns c where c.table_schema = 'public' and c.column_name in ('fault', 'mail_fault') loop
    execute format('alter table %I rename column %I to %I', of.table_name, of.column_name, replace(of.column_name, 'fault', 'error'));
  end loop;
end $$;
update activities set because = (because - 'fault') || jsonb_build_object('error', because->'fault') where because ? 'fault';
`;

export const errors: Migration = { name: '0031_errors', up: (run) => run(up) };
