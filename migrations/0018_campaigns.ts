/**
 * Campaigns as versions of a plan: people go on by the version they began with. Who has been among those for whom a campaign begins
 * by itself; what went to a person by itself lately, for the caps; a person for whom all campaigns stand still.
 */
import type { Migration } from './migration';

const up = `
create table campaign_versions (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  campaign_id bigint not null references campaigns on delete cascade,
  number int not null,
  plan jsonb not null,
  made_by bigint references users,
  made_at timestamptz not null,
  /* What its words and times ask for, so that it is read for those plans only. */
  asks_dates boolean generated always as (plan->>'steps' like '%"date"%') stored,
  asks_household boolean generated always as (plan->>'steps' like '%first\\_names%') stored,
  asks_fields boolean generated always as (plan->>'steps' like '%field.%') stored,
  unique (campaign_id, number)
);

insert into campaign_versions (account_id, campaign_id, number, plan, made_at)
select c.account_id, c.id, 1, jsonb_build_object(
    'roles', '[]'::jsonb, 'who', null, 'anyStage', false, 'starts', '[]'::jsonb, 'repeat', null, 'held', 'move',
    'ends', jsonb_build_object('answered', 'end', 'pauseDays', 7, 'unreachable', 'end', 'then', '[]'::jsonb),
    'steps', (select coalesce(jsonb_agg(jsonb_build_object('id', n - 1, 'do', 'touch', 'channel', t->'channel', 'words', t->'words', 'when',
        case when t->'when' ? 'afterMinutes' then jsonb_build_object('after', 'start', 'minutes', t->'when'->'afterMinutes')
          else jsonb_build_object('after', 'start', 'days', t->'when'->'day', 'at', t->'when'->'at') end) order by n), '[]')
      from jsonb_array_elements(c.touches) with ordinality as x (t, n))), c.created_at
from campaigns c;

alter table campaigns drop constraint campaigns_state_check;
alter table campaigns add constraint campaigns_state_check check (state in ('draft','on','held','off'));
alter table campaigns add column shared boolean not null default true;
alter table campaigns add column made_by bigint references users;
alter table campaigns add column deleted_at timestamptz;
/* When it was last asked who comes to be among those for whom it begins by itself. */
alter table campaigns add column looks_at timestamptz;
alter table campaigns drop column touches;

alter table enrolments drop constraint enrolments_state_check;
alter table enrolments add constraint enrolments_state_check check (state in ('active','paused','stopped','finished'));
alter table enrolments add column version_id bigint references campaign_versions;
alter table enrolments add column round int not null default 0;
alter table enrolments add column last_at timestamptz;
/* Changes that are still to be carried out for whoever ended it by an answer. */
alter table enrolments add column owes boolean not null default false;
update enrolments e set version_id = v.id from campaign_versions v where v.campaign_id = e.campaign_id;
update enrolments set last_at = planned_at where planned_at is not null and step > 0;
alter table enrolments alter column version_id set not null;
drop index enrolments_once;
create unique index enrolments_once on enrolments (contact_id, campaign_id) where state in ('active','paused');
drop index enrolments_due;
create index enrolments_owing on enrolments (id) where owes;
create index enrolments_due on enrolments (due_at, id) where state in ('active','paused');

/* Who is among those for whom a campaign begins: whoever comes to be is enrolled, once, until they have left and come again. */
create table campaign_looks (
  campaign_id bigint not null references campaigns on delete cascade,
  contact_id bigint not null references contacts on delete cascade,
  start int not null,
  primary key (campaign_id, start, contact_id)
);

create table campaign_rehearsals (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  campaign_id bigint not null references campaigns on delete cascade,
  made_by bigint references users,
  made_at timestamptz not null,
  plan jsonb not null,
  days int not null,
  state text not null default 'waiting' check (state in ('waiting','running','done','failed')),
  people int not null default 0,
  done int not null default 0,
  result jsonb,
  fault text
);

alter table contact_facts add column went jsonb not null default '[]';
alter table contacts add column campaigns_held boolean not null default false;
alter table tasks add column role text;
`;

export const campaigns: Migration = { name: '0018_campaigns', up: (run) => run(up) };
