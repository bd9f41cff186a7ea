/**
 * What is due is found by its time, what a person has by the person, and neither in the place of the other. Whether a queue is empty changes
 * from one minute to the next, and statistics of an empty moment made the planner read all that was due to find what one person has: a thousand
 * enrolments a second became a hundred. `due_at is not null` keeps an index for those questions that name a time.
 */
import type { Migration } from './migration';

const up = `
drop index enrolments_due;
create index enrolments_due on enrolments (due_at, id) where state in ('active','paused') and due_at is not null;
create index enrolments_contact on enrolments (contact_id, id desc);
drop index outbox_open;
create index outbox_open on outbox (due_at, id) where state in ('waiting','sending') and due_at is not null;
`;

export const queues: Migration = { name: '0022_queues', up: (run) => run(up) };
