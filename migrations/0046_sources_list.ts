/** Lead sources in one list: names that are none, and the last lead of each found at once. */
import type { Migration } from './migration';

const up = `
alter table sources drop constraint sources_state_check;
alter table sources add constraint sources_state_check check (state in ('known','proposed','merged','none'));
update sources set state = 'none' where state = 'proposed' and (key like 'forwarded by %' or key in ('reply', 'automatic answer', 'mail server', 'notifications', 'no-reply', 'noreply'));
create index inquiries_of_source on inquiries (account_id, lower(source), arrived_at desc);
`;

export const sourcesList: Migration = { name: '0046_sources_list', up: (run) => run(up) };
