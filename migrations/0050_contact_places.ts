/** Where a contact's letters go, when that is not where they live, and the property they have to do with. */
import type { Migration } from './migration';

const up = `
alter table contacts add column mailing jsonb, add column property jsonb;
`;

export const contactPlaces: Migration = { name: '0050_contact_places', up: (run) => run(up) };
