/** A permission as it stood before the file was taken in. */
interface Stood {
  channel: string;
  address: string;
  state: string;
  how: string;
  evidence: string | null;
  at: Date;
  for_good: boolean;
}
const placeOf = ({ address, region, country }: ImportedPerson) => ({
  street: address?.street ?? null,
  city: address?.city ?? null,
  postal_code: address?.postalCode ?? null,
  region,
  country,
});

/** The people of a chunk as they are taken in: made or completed, with all that belongs to them, and each with what undo needs. */
import { CHANNEL_KEYS, nextTouch, type Stage } from '@/core/contacts';
import { dayOfYear, fieldRows } from '@/core/fields';
import { mergedColumns, type ImportedPerson, type ContactState } from '@/core/imports';
import { storableJson } from '@/core/capture/schemas';
import { cleanName, zoneOfPostalCode } from '@/core/capture';
import { tagName } from '@/core/tags';
import {
  addressesOf,
  changePermissions,
  insertActivitiesSql,
  refreshSearch,
  restate,
  shownAddress,
  type PermissionChange,
} from '../contacts';
import { inTurn, type Tx } from '../shared';
import type { ImportContext } from './context';
import type { ImportUnit } from './import-units';

interface After {
  columns: Partial<ContactState>;
  points: string[];
  tags: string[];
  dates: string[];
  fields: string[];
  permissions: { channel: string; address: string; state: string; before: object | null }[];
}

export class ImportChunkWriter {
  private readonly outcomes = new Map<
    ImportUnit,
    { outcome: 'made' | 'changed' | 'same'; before: object | null; after: After }
  >();

  private readonly tx: Tx;

  constructor(
    tx: Tx,
    private readonly context: ImportContext,
    private readonly at: Date,
  ) {
    this.tx = inTurn(tx);
  }

  counts(): { made: number; changed: number; same: number } {
    const found = { made: 0, changed: 0, same: 0 };
    for (const [unit, { outcome }] of this.outcomes) if (unit.part === 0) found[outcome] += 1;
    return found;
  }

  async take(units: ImportUnit[]): Promise<void> {
    if (!units.length) return;
    const skip = this.context.options.on_match === 'skip';
    const fresh = units.filter((unit) => unit.isNew);
    const known = units.filter((unit) => !unit.isNew);
    await this.make(fresh);
    const states = await this.progress(known);
    for (const unit of fresh) this.outcomes.set(unit, { outcome: 'made', before: null, after: nothing() });
    for (const unit of known) this.outcomes.set(unit, { outcome: 'same', before: null, after: nothing() });
    const worked = skip ? fresh : units;
    if (this.context.onlyTags) for (const { person } of worked) keepTags(person, this.context.onlyTags);
    if (!skip) await this.complete(known, states);
    /* Begun in this order, and run in it. */
    await Promise.all([
      this.addPoints(worked),
      this.addTags(worked),
      this.addDates(worked),
      this.addFields(worked),
      this.addPermissions(worked),
      this.addNotes(worked),
      this.addHouseholds(worked),
    ]);
    const touched = [...this.outcomes].filter(([, { outcome }]) => outcome !== 'same').map(([unit]) => unit.contactId!);
    await Promise.all([refreshSearch(this.tx, [...new Set(touched)]), this.keep()]);
  }

  /** New contacts with their facts and the line that says where they came from. */
  private async make(units: ImportUnit[]): Promise<void> {
    const { context, at } = this;
    const rows = units.map((unit) => this.newContact(unit));
    const told = { account: '$2', contact: 'id', user: '$4', at: '$3' };
    await this.tx.run(
      `with x as (select * from jsonb_to_recordset($1::jsonb) as x (id bigint, owner_id bigint, office_id bigint, first_name text, last_name text, company text, stage text, horizon text, roles jsonb, source text, time_zone text,
           street text, city text, postal_code text, region text, country text, wants jsonb, next_touch_at timestamptz, next_touch_kind text, line text)),
         made as (insert into contacts (id, account_id, owner_id, office_id, first_name, last_name, company, stage, stage_since, horizon, roles, source, time_zone, street, city, postal_code, region, country, wants, next_touch_at, next_touch_kind, owned_since, created_at, updated_at)
           overriding system value select id, $2, owner_id, office_id, first_name, last_name, company, stage, $3, horizon, array(select jsonb_array_elements_text(roles)), source, time_zone, street, city, postal_code, region, country, wants,
             next_touch_at, next_touch_kind, case when owner_id is not null then $3::timestamptz end, $3, $3 from x order by id),
         facts as (insert into contact_facts (contact_id) select id from x order by id),
         moved as (${insertActivitiesSql(`x where stage <> 'new'`, { ...told, kind: 'stage', data: `jsonb_build_object('fromStage', 'new', 'stage', stage)` })})
       ${insertActivitiesSql('x order by id', { ...told, kind: 'changed', data: `jsonb_build_object('text', line)` })}`,
      [storableJson(rows), context.row.account_id, at, context.row.user_id],
    );
  }

  private newContact({ person, contactId, part }: ImportUnit) {
    const { context, at } = this;
    const isPartner = part === 1;
    const stage = this.stageOf(person) as Stage;
    const horizon = isPartner ? null : person.horizon;
    const next = nextTouch(stage, horizon, null, at, context.rhythms);
    const owner = (person.owner && context.users.get(person.owner.toLowerCase())) || context.owner;
    return {
      id: contactId,
      owner_id: owner?.id ?? null,
      office_id: owner?.officeId ?? null,
      first_name: cleanName(person.first),
      last_name: cleanName(person.last),
      company: person.company,
      stage,
      horizon,
      roles: [...new Set(person.roles)].sort(),
      source: person.source ?? (context.options.source || null),
      time_zone: zoneOfPostalCode(person.address?.postalCode ?? null) ?? context.zone,
      ...placeOf(person),
      wants: isPartner ? {} : person.wants,
      next_touch_at: next?.at ?? null,
      next_touch_kind: next?.kind ?? null,
      line: `Imported from “${context.row.file_name}”, row ${person.row}${isPartner ? ', as partner' : ''}`,
    };
  }

  private stageOf(person: ImportedPerson): string {
    return (person.stage && this.context.stages.get(person.stage.toLowerCase())) || this.context.options.stage || 'new';
  }

  private async progress(units: ImportUnit[]): Promise<Map<string, ContactState & { horizon: string | null }>> {
    const rows = await this.tx.rows<ContactState & { id: string; horizon: string | null }>(
      'select id, first_name, last_name, company, street, city, postal_code, region, country, source, roles, wants, horizon from contacts where id = any($1::bigint[]) order by id for update',
      [[...new Set(units.map(({ contactId }) => contactId))]],
    );
    return new Map(rows.map(({ id, ...rest }) => [id, rest]));
  }

  /** Columns of people who are here already. */
  private async complete(units: ImportUnit[], states: Map<string, ContactState & { horizon: string | null }>): Promise<void> {
    const how = this.context.options.on_match === 'update' ? 'update' : 'fill';
    const changes: object[] = [];
    const horizons: string[] = [];
    for (const unit of units) {
      const here = states.get(unit.contactId!);
      if (!here) continue;
      const change: Record<string, unknown> = mergedColumns(
        here,
        { ...unit.person, first: cleanName(unit.person.first), last: cleanName(unit.person.last) },
        how,
      );
      if (unit.part === 0 && unit.person.horizon && (how === 'update' ? unit.person.horizon !== here.horizon : !here.horizon)) {
        change.horizon = unit.person.horizon;
        horizons.push(unit.contactId!);
      }
      if (!Object.keys(change).length) continue;
      const before = Object.fromEntries(
        Object.keys(change).map((key) => [key, (here as unknown as Record<string, unknown>)[key]]),
      );
      const known = this.outcomes.get(unit)!;
      this.outcomes.set(unit, {
        outcome: 'changed',
        before,
        after: { ...known.after, columns: change },
      });
      changes.push({ id: unit.contactId, change });
      Object.assign(here, change);
    }
    if (!changes.length) return;
    await this.tx.run(
      `update contacts c set first_name = v.first_name, last_name = v.last_name, company = v.company, street = v.street, city = v.city, postal_code = v.postal_code, region = v.region, country = v.country, source = v.source,
         roles = v.roles, wants = v.wants, horizon = v.horizon, updated_at = $2
       from (select id, jsonb_object_agg(key, value) as change from jsonb_to_recordset($1::jsonb) as r (id bigint, change jsonb), jsonb_each(r.change) group by id) x
       cross join lateral jsonb_populate_record((select b from contacts b where b.id = x.id), x.change) v where c.id = x.id`,
      [storableJson(changes), this.at],
    );
    if (horizons.length) await restate(this.tx, [...new Set(horizons)], this.at);
  }

  /** Marks a unit as changed, with what undo has to take away. */
  private changed(unit: ImportUnit, put: (after: After) => void): void {
    const known = this.outcomes.get(unit)!;
    put(known.after);
    if (known.outcome === 'same') known.outcome = 'changed';
  }

  private async addPoints(units: ImportUnit[]): Promise<void> {
    const points = units.flatMap((unit, n) => [
      ...unit.person.phones.map((value, at) => ({
        n,
        id: unit.contactId,
        kind: 'phone',
        value,
        at,
        extension: unit.person.extensions[value] ?? null,
      })),
      ...unit.person.emails.map((value, at) => ({ n, id: unit.contactId, kind: 'email', value, at, extension: null })),
    ]);
    const rows = await this.tx.rows<{ point_id: string; contact_id: string }>(
      `insert into contact_points (account_id, contact_id, kind, value, position, extension)
       select $1, x.id, x.kind, x.value, x.at + coalesce((select max(p.position) + 1 from contact_points p where p.contact_id = x.id and p.kind = x.kind), 0), x.extension
       from jsonb_to_recordset($2::jsonb) as x (n int, id bigint, kind text, value text, at int, extension text)
       where not exists (select 1 from contact_points h where h.contact_id = x.id and h.kind = x.kind and h.value = x.value)
       order by x.n, x.kind desc, x.at on conflict do nothing returning id as point_id, contact_id`,
      [this.context.row.account_id, JSON.stringify(points)],
    );
    for (const { point_id, contact_id } of rows) {
      const unit = units.find((one) => one.contactId === contact_id)!;
      this.changed(unit, (after) => after.points.push(point_id));
    }
  }

  private async addTags(units: ImportUnit[]): Promise<void> {
    const wanted = units
      .flatMap((unit) => [...unit.person.tags, ...this.ownTags()].map((tag) => ({ unit, name: tagName(tag) })))
      .filter(({ name }) => name);
    if (!wanted.length) return;
    const names = [...new Map(wanted.map(({ name }) => [name.toLowerCase(), name])).values()];
    const ids = new Map(
      (
        await this.tx.rows<{ id: string; name: string }>(
          `insert into tags (account_id, name, made_by, made_at) select $1, name, $3, $4 from unnest($2::text[]) name on conflict (account_id, lower(name)) where deleted_at is null do update set name = tags.name returning id, lower(name) as name`,
          [this.context.row.account_id, names, this.context.row.user_id, this.at],
        )
      ).map(({ id, name }) => [name, id]),
    );
    const rows = await this.tx.rows<{ contact_id: string; tag_id: string }>(
      `insert into contact_tags (contact_id, tag_id) select distinct id, tag from jsonb_to_recordset($1::jsonb) as x (id bigint, tag bigint) on conflict do nothing returning contact_id, tag_id`,
      [JSON.stringify(wanted.map(({ unit, name }) => ({ id: unit.contactId, tag: ids.get(name.toLowerCase()) })))],
    );
    for (const { contact_id, tag_id } of rows)
      this.changed(
        units.find((unit) => unit.contactId === contact_id)!,
        (after) => after.tags.push(tag_id),
      );
  }

  /** The tags that all of the file are given. */
  private ownTags(): string[] {
    const { onlyTags, options } = this.context;
    return onlyTags ? options.tags.filter((tag) => onlyTags.has(tagName(tag).toLowerCase())) : options.tags;
  }

  private async addDates(units: ImportUnit[]): Promise<void> {
    const dates = units.flatMap(({ person, contactId, part }) =>
      (
        [
          ['birthday', person.birthday],
          ['wedding', person.anniversary],
          ['closing', part === 0 ? person.closingDate : null],
        ] as const
      )
        .filter(([, on]) => on)
        .map(([kind, on]) => ({
          id: contactId,
          kind,
          year: on!.startsWith('-') ? null : Number(on!.slice(0, 4)),
          month_day: dayOfYear(on!),
        })),
    );
    if (!dates.length) return;
    const rows = await this.tx.rows<{ date_id: string; contact_id: string }>(
      `insert into contact_dates (contact_id, kind, year, month_day) select distinct on (x.id, x.kind) x.id, x.kind, x.year, x.month_day from jsonb_to_recordset($1::jsonb) as x (id bigint, kind text, year int, month_day int)
       where not exists (select 1 from contact_dates d where d.contact_id = x.id and d.kind = x.kind) returning id as date_id, contact_id`,
      [JSON.stringify(dates)],
    );
    for (const { date_id, contact_id } of rows)
      this.changed(
        units.find((unit) => unit.contactId === contact_id)!,
        (after) => after.dates.push(date_id),
      );
  }

  private async addFields(units: ImportUnit[]): Promise<void> {
    const values: object[] = [];
    for (const { person, contactId } of units)
      for (const [heading, value] of Object.entries(person.custom)) {
        const field = this.context.fields.get(heading);
        if (!field) continue;
        try {
          for (const one of fieldRows(field, value)) values.push({ ...one, id: contactId, field: field.id });
        } catch {
          person.notes = [person.notes, `${heading}: ${value}`].filter(Boolean).join('\n');
        }
      }
    if (!values.length) return;
    const rows = await this.tx.rows<{ contact_id: string; field_id: string }>(
      `insert into field_values (field_id, contact_id, ordinal, words, number, day, month_day, linked_id)
       select distinct on (x.id, x.field, x.ordinal) x.field, x.id, x.ordinal, x.words, x.number, x.day, x.month_day, x.linked_id
       from jsonb_to_recordset($1::jsonb) as x (id bigint, field bigint, ordinal smallint, words text, number numeric, day date, month_day int, linked_id bigint)
       where not exists (select 1 from field_values v where v.contact_id = x.id and v.field_id = x.field) returning contact_id, field_id`,
      [storableJson(values)],
    );
    for (const { contact_id, field_id } of rows)
      this.changed(
        units.find((unit) => unit.contactId === contact_id)!,
        (after) => after.fields.push(field_id),
      );
  }

  /** Only what the file says, per channel, with the file as evidence; whoever said stop themselves is left in peace. */
  private async addPermissions(units: ImportUnit[]): Promise<void> {
    const { row } = this.context;
    const wanted = units.flatMap((unit) => this.permissionsOf(unit));
    if (!wanted.length) return;
    const before = await this.tx.rows<Stood>(
      'select channel, address, state, how, evidence, at, for_good from permissions where account_id = $1 and address = any($2::text[])',
      [row.account_id, wanted.map(({ change }) => change.address)],
    );
    const stood = ({ channel, address }: PermissionChange): Stood | null =>
      before.find((one) => one.channel === channel && one.address === address) ?? null;
    const news = new Map(
      wanted
        .filter(({ change }) => stood(change)?.state !== change.state && !(stood(change)?.for_good && change.state === 'granted'))
        .map((one) => [`${one.change.channel} ${one.change.address}`, one]),
    );
    const took = (
      await changePermissions(
        this.tx,
        row.account_id,
        [...news.values()].map(({ change }) => change),
      )
    ).map(({ channel, address }) => news.get(`${channel} ${address}`)!);
    for (const { unit, change } of took) {
      const { channel, address, state } = change;
      this.changed(unit, (after) => after.permissions.push({ channel, address, state, before: stood(change) }));
    }
    await this.say(
      took.map(({ unit, change: { channel, address, state, how } }) => ({
        id: unit.contactId!,
        kind: 'permission',
        channel,
        data: { text: `${state === 'granted' ? 'Yes' : 'No'}: ${how}`, ...shownAddress(channel, address) },
      })),
    );
  }

  private permissionsOf(unit: ImportUnit): { unit: ImportUnit; change: PermissionChange }[] {
    const { row } = this.context;
    const { person, contactId } = unit;
    const how = `the file “${row.file_name}” says so, row ${person.row}`;
    return CHANNEL_KEYS.flatMap((channel) => {
      const state = person.permissions[channel];
      if (!state) return [];
      const addresses = addressesOf(channel, { id: contactId!, emails: person.emails, phones: person.phones });
      return addresses.map((address) => ({
        unit,
        change: { channel, address, state, how, evidence: `import ${row.id}`, userId: row.user_id, at: this.at },
      }));
    });
  }

  private async addNotes(units: ImportUnit[]): Promise<void> {
    const notes = units.flatMap(({ person, contactId }) => {
      const loose = Object.entries(person.custom)
        .filter(([heading]) => !this.context.fields.has(heading))
        .map(([heading, value]) => `${heading}: ${value}`);
      const text = [
        person.notes,
        ...(person.fax ? [`Fax: ${person.fax}`] : []),
        ...(person.propertyAddress ? [`Property: ${person.propertyAddress}`] : []),
        ...loose,
      ]
        .filter(Boolean)
        .join('\n');
      return text ? [{ id: contactId!, text }] : [];
    });
    if (!notes.length) return;
    const fresh = await this.tx.rows<{ id: string; text: string }>(
      `select x.id, x.text from jsonb_to_recordset($1::jsonb) as x (id bigint, text text) where not exists (select 1 from activities a where a.contact_id = x.id and a.kind = 'note' and a.data->>'text' = x.text)`,
      [storableJson(notes)],
    );
    for (const { id } of fresh)
      this.changed(
        units.find((unit) => unit.contactId === String(id))!,
        () => {},
      );
    await this.say(fresh.map(({ id, text }) => ({ id: String(id), kind: 'note', channel: null, data: { text } })));
  }

  /** Lines of the timeline on which no fact depends. */
  private say(lines: { id: string; kind: string; channel: string | null; data: object }[]): Promise<void> {
    return this.tx.run(
      insertActivitiesSql('jsonb_to_recordset($4::jsonb) as x (id bigint, kind text, channel text, data jsonb)', {
        account: '$1',
        contact: 'id',
        user: '$2',
        at: '$3',
        kind: { sql: 'kind' },
        channel: 'channel',
        data: 'data',
      }),
      [this.context.row.account_id, this.context.row.user_id, this.at, storableJson(lines)],
    );
  }

  /** Partners share a household: the one of them who has one keeps it, otherwise a new one. */
  private async addHouseholds(units: ImportUnit[]): Promise<void> {
    const pairs = units
      .filter((unit) => unit.part === 1 && unit.other && unit.contactId !== unit.other.contactId)
      .map((unit) => ({ a: unit.other!.contactId, b: unit.contactId }));
    if (!pairs.length) return;
    const rows = await this.tx.rows<{ id: string; household_id: string | null }>(
      'select id, household_id from contacts where id = any($1::bigint[])',
      [pairs.flatMap(({ a, b }) => [a, b])],
    );
    const household = new Map(rows.flatMap(({ id, household_id }) => (household_id ? [[id, household_id] as const] : [])));
    const lonely = pairs.filter(({ a, b }) => !household.has(a!) && !household.has(b!));
    const made = await this.tx.rows<{ id: string }>(
      'insert into households (account_id, made_at) select $1, $2 from generate_series(1, $3::int) returning id',
      [this.context.row.account_id, this.at, lonely.length],
    );
    const joined: { id: string; household: string }[] = [];
    for (const { a, b } of pairs) {
      const shared = household.get(a!) ?? household.get(b!) ?? made.pop()!.id;
      for (const id of [a!, b!])
        if (!household.has(id)) {
          household.set(id, shared);
          joined.push({ id, household: shared });
        }
    }
    if (made.length) await this.tx.run('delete from households where id = any($1::bigint[])', [made.map(({ id }) => id)]);
    await this.tx.run(
      'update contacts c set household_id = x.household from jsonb_to_recordset($1::jsonb) as x (id bigint, household bigint) where c.id = x.id and c.household_id is null',
      [JSON.stringify(joined)],
    );
  }

  private async keep(): Promise<void> {
    const seen = new Set<string>();
    const rows = [...this.outcomes].flatMap(([unit, { outcome, before, after }]) => {
      const key = `${unit.person.row} ${unit.part}`;
      if (seen.has(key)) return [];
      seen.add(key);
      return [
        {
          row: unit.person.row,
          part: unit.part,
          outcome,
          id: unit.contactId,
          before,
          after: outcome === 'same' ? null : after,
          why: unit.person.doubts.map(({ why }) => why).join('; ') || null,
        },
      ];
    });
    await this.tx.run(
      `insert into import_rows (import_id, row, part, outcome, contact_id, why, before, after)
       select $1, row, part, outcome, id, why, before, after from jsonb_to_recordset($2::jsonb) as x (row int, part smallint, outcome text, id bigint, why text, before jsonb, after jsonb)`,
      [this.context.row.id, storableJson(rows)],
    );
  }
}

const nothing = (): After => ({ columns: {}, points: [], tags: [], dates: [], fields: [], permissions: [] });

/** Leaves somebody the tags that there are; the others are kept as words. */
function keepTags(person: ImportedPerson, there: ReadonlySet<string>): void {
  const left = person.tags.filter((tag) => !there.has(tagName(tag).toLowerCase()));
  if (!left.length) return;
  person.tags = person.tags.filter((tag) => !left.includes(tag));
  person.notes = [person.notes, `Tags in the file: ${left.join(', ')}`].filter(Boolean).join('\n');
}
