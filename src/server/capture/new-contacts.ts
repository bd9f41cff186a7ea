/**
 * New people. They are written with the last statement of their round, with all that is decided by then, because writing a contact anew costs as
 * much as making it; those of whom something else is to be written before are made at once.
 */
import type { CleanInquiry } from '@/core/capture/schemas';
import { FACT_COLUMNS, foldActivities, learnWords, putFolded, type Fresh } from '../contacts';
import { Statement, type Tx } from '../shared';

/** Somebody new: how they stand, and what their inquiry tells of them. */
export interface NewContact {
  fresh: Fresh;
  timeZone: string;
  inquiry: CleanInquiry;
}

/** Those of a round who are not there yet. */
export class NewContacts {
  private readonly waiting: Map<string, NewContact>;

  constructor(
    private readonly tx: Tx,
    private readonly accountId: string,
    newcomers: readonly NewContact[],
  ) {
    this.waiting = new Map(newcomers.map((one) => [one.fresh.id, one]));
  }

  /** Makes those now whom something else needs to be there. */
  async make(ids: Iterable<string>): Promise<void> {
    const needed = [...new Set(ids)].flatMap((id) => this.waiting.get(id) ?? []);
    if (!needed.length) return;
    const statement = new Statement();
    putFolded(
      statement,
      this.accountId,
      await foldActivities(
        this.tx,
        [],
        needed.map(({ fresh }) => fresh),
      ),
    );
    putPeople(statement, this.accountId, needed);
    await statement.rows(this.tx, 'select 1');
    for (const { fresh } of needed) this.waiting.delete(fresh.id);
  }

  /** Adds to a statement that has a fold of theirs that the others are made. */
  put(statement: Statement): void {
    if (this.waiting.size) putPeople(statement, this.accountId, [...this.waiting.values()]);
  }
}

/** What an inquiry tells of its person, by the names of the columns. */
export const contactColumnsOf = (inquiry: CleanInquiry) => ({
  first_name: inquiry.firstName,
  last_name: inquiry.lastName,
  roles: inquiry.roles,
  street: inquiry.street,
  city: inquiry.city,
  postal_code: inquiry.postalCode,
  wants: inquiry.wants,
  phones: inquiry.phones,
  emails: inquiry.emails,
  extensions: inquiry.extensions,
});

const rowOf = ({ fresh, timeZone, inquiry }: NewContact) => ({
  ...contactColumnsOf(inquiry),
  id: fresh.id,
  source: inquiry.source,
  time_zone: timeZone,
  horizon: fresh.horizon,
  created_at: fresh.createdAt,
  search: [
    inquiry.firstName,
    inquiry.lastName,
    inquiry.city,
    inquiry.postalCode,
    ...inquiry.phones.map((phone) => phone.replace(/\D/g, '')),
    ...inquiry.emails,
  ]
    .filter(Boolean)
    .join(' '),
});

/** Adds to a statement that people are made, standing as its part `change` says (`putFolded`): with their facts, addresses and search text. */
function putPeople(statement: Statement, accountId: string, newcomers: readonly NewContact[]): void {
  const account = `${statement.value(accountId)}::bigint`;
  statement.part(
    'newcomer',
    `materialized (select * from jsonb_to_recordset(${statement.json(newcomers.map(rowOf))}) as x (id bigint, first_name text, last_name text, roles text[], source text, time_zone text, street text,
       city text, postal_code text, wants jsonb, phones text[], emails text[], search text, horizon text, extensions jsonb, created_at timestamptz))`,
  );
  statement.part(
    'made',
    `(insert into contacts (id, account_id, first_name, last_name, stage, stage_since, roles, source, time_zone, street, city, postal_code, wants, created_at, updated_at, horizon,
         hand_raised_at, last_touch_at, next_touch_at, next_touch_kind, owner_id, office_id, owned_since) overriding system value
       select g.id, ${account}, g.first_name, g.last_name, x.stage, coalesce(x.stage_since, g.created_at), g.roles, g.source, g.time_zone, g.street, g.city, g.postal_code, g.wants, g.created_at, x.at,
         g.horizon, x.hand_raised_at, x.last_touch_at, x.next_touch_at, x.next_touch_kind, x.owner_id, u.office_id, case when u.id is not null then x.at end
       from newcomer g join change x on x.id = g.id left join users u on u.id = x.owner_id)`,
  );
  statement.part(
    'first_facts',
    `(insert into contact_facts (contact_id, ${FACT_COLUMNS.join(', ')}) select x.id, ${FACT_COLUMNS.map((name) => `v.${name}`).join(', ')}
       from newcomer g join change x on x.id = g.id, jsonb_populate_record(null::contact_facts, x.facts) v)`,
  );
  statement.part(
    'points',
    `(insert into contact_points (account_id, contact_id, kind, value, position, extension)
       select ${account}, g.id, x.kind, x.value, x.n, g.extensions->>x.value from newcomer g, lateral (
         select 'phone' as kind, value, ordinality::int - 1 as n from unnest(g.phones) with ordinality as p (value, ordinality)
         union all select 'email', value, ordinality::int - 1 from unnest(g.emails) with ordinality as e (value, ordinality)) x)`,
  );
  statement.part(
    'search',
    `(insert into contact_search (contact_id, account_id, search_text) select id, ${account}, ' ' || lower(unaccent(search)) from newcomer)`,
  );
  statement.part(
    'learned',
    `(${learnWords(`select ${account} as account_id, concat_ws(' ', first_name, last_name, city) as text from newcomer`)})`,
  );
}
