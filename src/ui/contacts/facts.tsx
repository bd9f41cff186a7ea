'use client';
/** What is known about a contact, each changed where it stands: name, addresses, wants, dates, own fields, tags, household. */
import { useState } from 'react';
import { capitalized, howLong } from '@/core/shared';
import { CONTACT_ROLES, ROLE_NAMES, type ContactRole } from '@/core/contacts';
import { readMoney } from '@/core/format';
import { useFormat, useZone } from '../primitives';
import { Button, Fact, FactLine, MenuButton, Section, Stack, Text, useToast } from '../kit';
import { AddressLines } from './address-lines';
import { DetailsDialog } from './details';
import { FactDates } from './fact-dates';
import { OwnFacts } from './fact-fields';
import { Household } from './household';
import { useSaveFact } from './in-place';
import { Lenders } from './lenders';
import { Merges } from './merges';
import { PlaceLine } from './place-line';
import { ContactTags } from './tags';
import type { ContactInFull } from './types';

export function Facts({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const [editing, setEditing] = useState(false);
  const edit = !readOnly && (
    <Button size="tiny" title="All of it in one form (d)" onClick={() => setEditing(true)}>
      Edit all
    </Button>
  );
  return (
    <Stack gap={4} above={2}>
      <Section title="Contact" end={edit}>
        <Person contact={contact} readOnly={readOnly} />
      </Section>
      <Section title="Wants">
        <Wants contact={contact} readOnly={readOnly} />
      </Section>
      <Section title="Tags">
        <ContactTags contact={contact} readOnly={readOnly} />
      </Section>
      <Section title="Important dates">
        <FactDates contact={contact} readOnly={readOnly} />
      </Section>
      <OwnFacts contact={contact} readOnly={readOnly} />
      <Lenders contact={contact} readOnly={readOnly} />
      <Household contact={contact} readOnly={readOnly} />
      <Section title="History">
        <History contact={contact} />
      </Section>
      {!readOnly && <Merges contact={contact} />}
      {editing && <DetailsDialog contact={contact} onClose={() => setEditing(false)} />}
    </Stack>
  );
}

function Person({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const save = useSaveFact(contact);
  const zone = useZone();
  const { place } = contact;
  const text = (label: string, value: string | null, patch: (typed: string) => object, secret = false) => (
    <Fact
      label={label}
      shown={value}
      typed={value ?? ''}
      readOnly={readOnly}
      secret={secret}
      onSave={(typed) => save(patch(typed))}
    />
  );
  return (
    <>
      {text('First name', contact.first_name, (first_name) => ({ first_name }))}
      {text('Last name', contact.last_name, (last_name) => ({ last_name }))}
      <AddressLines contact={contact} of="phones" readOnly={readOnly} />
      <AddressLines contact={contact} of="emails" readOnly={readOnly} />
      {text('Company', contact.company, (company) => ({ company }))}
      {text('Street', place.street, (street) => ({ place: { street } }), true)}
      {text('City', place.city, (city) => ({ place: { city } }))}
      {text('State', place.region, (region) => ({ place: { region } }))}
      {text('ZIP', place.postal_code, (postal_code) => ({ place: { postal_code } }))}
      <PlaceLine contact={contact} of="mailing" label="Mailing" readOnly={readOnly} />
      <PlaceLine contact={contact} of="property" label="Property" readOnly={readOnly} />
      {contact.time_zone !== zone && <FactLine label="Time zone">{contact.time_zone.replace(/_/g, ' ')}</FactLine>}
      <Roles contact={contact} readOnly={readOnly} />
    </>
  );
}
const linesOf = (typed: string): string[] =>
  typed
    .split(/[\n;,]/)
    .map((one) => one.trim())
    .filter(Boolean);

function Roles({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const save = useSaveFact(contact);
  const toast = useToast();
  const toggle = (role: ContactRole) => {
    const roles = contact.roles.includes(role) ? contact.roles.filter((one) => one !== role) : [...contact.roles, role];
    void save({ roles }).catch(toast.fail);
  };
  const shown = contact.roles.map((role) => capitalized(ROLE_NAMES[role])).join(', ');
  return (
    <FactLine label="Roles">
      {readOnly ? (
        shown || '–'
      ) : (
        <MenuButton
          look="text"
          choices={CONTACT_ROLES.map((role) => ({
            key: role,
            name: `${contact.roles.includes(role) ? '✓ ' : ''}${capitalized(ROLE_NAMES[role])}`,
            chosen: contact.roles.includes(role),
            onChoose: () => toggle(role),
          }))}
        >
          {shown || 'Add'}
        </MenuButton>
      )}
    </FactLine>
  );
}

const numberIn = (value: unknown): number | null => (typeof value === 'number' ? value : null);
const listIn = (value: unknown): string => (Array.isArray(value) ? value.join(', ') : '');
class Unreadable extends Error {}

function Wants({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const save = useSaveFact(contact);
  const format = useFormat();
  const { wants } = contact;
  const put = (key: string, value: unknown) =>
    save({ wants: { ...wants, [key]: value === '' || value === null ? undefined : value } });
  const price = (label: string, key: string) => {
    const value = numberIn(wants[key]);
    return (
      <Fact
        label={label}
        shown={value === null ? null : format.money(value)}
        typed={value === null ? '' : format.money(value)}
        readOnly={readOnly}
        onSave={async (typed) => {
          const dollars = typed ? readMoney(typed) : null;
          if (typed && dollars === null) throw new Unreadable(`Enter a price like ${format.money(400_000)} or 400k.`);
          await put(key, dollars);
        }}
      />
    );
  };
  const number = (label: string, key: string) => {
    const value = numberIn(wants[key]);
    return (
      <Fact
        label={label}
        shown={value === null ? null : `${format.number(value)}+`}
        typed={value === null ? '' : String(value)}
        readOnly={readOnly}
        onSave={async (typed) => {
          const count = typed ? Number(typed.replace('+', '')) : null;
          if (count !== null && !(count >= 0 && count < 100)) throw new Unreadable('Enter a number like 3.');
          await put(key, count);
        }}
      />
    );
  };
  const list = (label: string, key: string, placeholder: string) => (
    <Fact
      label={label}
      shown={listIn(wants[key])}
      typed={listIn(wants[key])}
      readOnly={readOnly}
      placeholder={placeholder}
      onSave={(typed) => {
        const all = linesOf(typed);
        return put(key, all.length ? all : null);
      }}
    />
  );
  const words = typeof wants.words === 'string' ? wants.words : '';
  return (
    <>
      {price('Min price', 'price_min')}
      {price('Max price', 'price_max')}
      {number('Bedrooms', 'bedrooms')}
      {number('Bathrooms', 'bathrooms')}
      {list('Areas', 'areas', 'Cities or ZIP codes')}
      {list('Property types', 'kinds', 'House, condo…')}
      {list('Features', 'features', 'Pool, office…')}
      {typeof wants.move_by === 'string' && <FactLine label="Moving by">{format.plainDay(wants.move_by)}</FactLine>}
      <Fact
        label="In their words"
        shown={words}
        typed={words}
        several
        readOnly={readOnly}
        onSave={(typed) => put('words', typed)}
      />
    </>
  );
}

function History({ contact }: { contact: ContactInFull }) {
  const zone = useZone();
  const format = useFormat();
  const { calls, home_search: search } = contact;
  return (
    <>
      <FactLine label="Calls">
        {calls.attempts === 0
          ? 'Never called'
          : `${format.number(calls.attempts)} ${calls.attempts === 1 ? 'attempt' : 'attempts'}, ${calls.reached === 0 ? 'never reached' : `reached ${calls.reached === 1 ? 'once' : `${calls.reached} times`}`}`}
        {calls.talk_seconds > 0 && <Text tone="soft">, {howLong(calls.talk_seconds * 1000)} talk time</Text>}
      </FactLine>
      <FactLine label="Lead source">
        {contact.source ?? 'unknown'} <Text tone="soft">since {format.longDay(new Date(contact.created_at), zone)}</Text>
      </FactLine>
      {(search.last_visit_at || search.saved_homes > 0) && (
        <FactLine label="Home search">
          {search.last_visit_at && `last visit ${format.shortDay(new Date(search.last_visit_at), zone)}`}
          {search.last_visit_at && search.saved_homes > 0 && ', '}
          {search.saved_homes > 0 && `${search.saved_homes} saved ${search.saved_homes === 1 ? 'home' : 'homes'}`}
        </FactLine>
      )}
    </>
  );
}
