/** Enrollments are spelled as they are here: the table, its columns elsewhere, its keys and indexes. */
import type { Migration } from './migration';

const up = `
alter table enrolments rename to enrollments;
do $$
declare of record;
begin
  for of in select c.table_name, c.column_name from information_schema.columns c where c.table_schema = 'public' and c.column_name like 'enrolment%' loop
    execute format('alter table %I rename column %I to %I', of.table_name, of.column_name, replace(of.column_name, 'enrolment', 'enrollment'));
  end loop;
  for of in select c.conname, c.conrelid::regclass::text as held from pg_constraint c where c.connamespace = 'public'::regnamespace and c.conname like '%enrolment%' loop
    execute format('alter table %s rename constraint %I to %I', of.held, of.conname, replace(of.conname, 'enrolment', 'enrollment'));
  end loop;
  for of in select c.relname, c.relkind from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('i','S') and c.relname like '%enrolment%' loop
    execute format('alter %s %I rename to %I', case of.relkind when 'S' then 'sequence' else 'index' end, of.relname, replace(of.relname, 'enrolment', 'enrollment'));
  end loop;
end $$;
update change_items set after = (after - 'enrolment') || jsonb_build_object('enrollment', after->'enrolment') where after ? 'enrolment';
`;

export const enrollments: Migration = { name: '0029_enrollments', up: (run) => run(up) };
