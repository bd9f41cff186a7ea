/** What follows from somebody having a contact: offers of it end, and whoever waits for its first try is its agent. */
import { nameSql, type Tx } from '../shared';

/**
 * These contacts belong to their agents now, by somebody's hand: whatever was still offered is withdrawn, and the waiting for a first
 * try is the agent's. The caller holds the contacts' locks.
 */
export const endOffers = (tx: Tx, contactIds: string[], at: Date): Promise<void> =>
  tx.run(
    `with owned as (select id, owner_id from contacts where id = any($1::bigint[]) and owner_id is not null),
       settled as (update routings r set state = 'settled', ends_at = null, owned_at = coalesce(r.owned_at, $2),
           trace = jsonb_set(r.trace, '{steps}', r.trace->'steps' || jsonb_build_array(jsonb_build_object('at', $2::timestamptz, 'what', 'handed_by', 'agent', ${nameSql('u')}, 'by', 'hand')))
         from owned o join users u on u.id = o.owner_id where r.contact_id = o.id and r.state in ('offered','commons','given') returning r.inquiry_id, r.contact_id, o.owner_id),
       named as (update inquiries i set owner_id = o.owner_id from owned o where i.contact_id = o.id and i.owner_id is null),
       withdrawn as (update offers f set state = 'withdrawn', ends_at = null from owned o where f.contact_id = o.id and f.state = 'open'),
       waits as (insert into offers (account_id, inquiry_id, contact_id, user_id, offered_at, state, taken_at)
         select i.account_id, i.id, i.contact_id, s.owner_id, i.arrived_at, 'given', $2 from settled s join inquiries i on i.id = s.inquiry_id
         where i.first_try_at is null and not exists (select 1 from offers f where f.inquiry_id = i.id and f.state in ('given','accepted')))
     update offers f set user_id = o.owner_id from owned o where f.contact_id = o.id and f.answered_at is null and f.state in ('given','accepted')`,
    [contactIds, at],
  );
