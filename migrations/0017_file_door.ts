/** Files have a door of their own beside the others, so that what came by them is seen where everything arrives. */
import type { Migration } from './migration';

const up = `
alter table doors drop constraint doors_kind_check;
alter table doors add constraint doors_kind_check check (kind in ('api','page','hand','mail','file'));
insert into doors (account_id, kind, name) select id, 'file', 'Files' from accounts;
`;

export const fileDoor: Migration = { name: '0017_file_door', up: (run) => run(up) };
