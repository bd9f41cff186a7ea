/** How permissions stood before an import or a merge is kept under `permissions`, as the table is called. */
import type { Migration } from './migration';

const up = `
update import_rows set after = (after - 'said') || jsonb_build_object('permissions', after->'said') where after ? 'said';
update merges set moved = (moved - 'said') || jsonb_build_object('permissions', moved->'said') where moved ? 'said';
`;

export const permissionsBefore: Migration = { name: '0032_permissions_before', up: (run) => run(up) };
