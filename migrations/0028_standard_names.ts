/** Tables, columns and settings by the standard terms of the trade, and a column that nothing reads any more. */
import type { Migration } from './migration';

const TABLES: [before: string, now: string][] = [
  ['mail_lessons', 'extraction_rules'],
  ['challenges', 'ab_tests'],
  ['campaign_looks', 'campaign_scans'],
  ['duplicate_looks', 'duplicate_scans'],
  ['grounds', 'base_maps'],
  ['notices', 'agent_alerts'],
  ['talks', 'assistant_conversations'],
];

const up = `
${TABLES.map(([before, now]) => `alter table ${before} rename to ${now};`).join('\n')}
alter table assistant_conversations rename column standing to progress;
alter table campaigns rename column looks_at to scanned_at;
alter table campaign_versions drop column asks_dates;
update accounts set settings = (settings - 'quietTo' - 'quietFrom')
  || case when settings ? 'quietTo' then jsonb_build_object('sendStart', settings->'quietTo') else '{}' end
  || case when settings ? 'quietFrom' then jsonb_build_object('sendEnd', settings->'quietFrom') else '{}' end
  where settings ?| array['quietTo', 'quietFrom'];
/* Indexes, keys and sequences follow their tables, so that a message of the database names what there is. */
do $$
declare pair text[]; name text;
begin
  foreach pair slice 1 in array array[${TABLES.map(([before, now]) => `['${before}','${now}']`).join(',')}] loop
    for name in select c.conname from pg_constraint c where c.connamespace = 'public'::regnamespace and c.conname like pair[1] || '\\_%' and c.conrelid = pair[2]::regclass loop
      execute format('alter table %I rename constraint %I to %I', pair[2], name, pair[2] || substr(name, length(pair[1]) + 1));
    end loop;
    for name in select c.relname from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('i','S') and c.relname like pair[1] || '\\_%' loop
      execute format('alter %s %I rename to %I', case when (select relkind from pg_class where relname = name and relnamespace = 'public'::regnamespace) = 'S' then 'sequence' else 'index' end, name, pair[2] || substr(name, length(pair[1]) + 1));
    end loop;
  end loop;
end $$;
`;

export const standardNames: Migration = { name: '0028_standard_names', up: (run) => run(up) };
