/**
 * Words inside of stored JSON are those of the code: permissions before an import or a merge, what a change of many was. Which channels there are is
 * said by their registry, by which input is checked, and not a second time by two tables of the many that name one.
 */
import type { Migration } from './migration';

const up = `
update import_rows set after = (after - 'said') || jsonb_build_object('permissions', after->'said') where after ? 'said';
update merges set moved = (moved - 'said') || jsonb_build_object('permissions', moved->'said') where moved ? 'said';
update changes set kind = 'delete_' || left(kind, -5), spec = jsonb_set(spec, '{change,kind}', to_jsonb('delete_' || left(kind, -5))) where kind in ('tag_gone', 'stage_gone', 'horizon_gone', 'field_gone');
update changes set spec = (spec - 'deed') || jsonb_build_object('description', spec->'deed') where spec ? 'deed';
alter table templates drop constraint if exists templates_channel_check;
alter table broadcasts drop constraint if exists broadcasts_channel_check;
`;

export const storedNames: Migration = { name: '0032_stored_names', up: (run) => run(up) };
