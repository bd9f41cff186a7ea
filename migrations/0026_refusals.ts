/** Who told us to stop: since when, so that nothing takes them in again, whatever it is begun by. Those who said so until now are known by the ledger. */
import type { Migration } from './migration';

export const refusals: Migration = {
  name: '0026_refusals',
  up: (run) =>
    run(`alter table contacts add column refused_at timestamptz;
update contacts c set refused_at = r.at from (
  select p.contact_id, min(x.at) as at from permissions x join contact_points p on p.account_id = x.account_id and p.value = x.address and p.active
  where x.state = 'withdrawn' and x.for_good group by p.contact_id) r where r.contact_id = c.id`),
};
