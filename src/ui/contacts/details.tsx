'use client';
/** Changing what is known of a contact: name, home, roles, wants, dates, own fields. One form, kept at once. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, DATE_KINDS, DATE_NAMES, type DateKind, type ContactRole } from '@/core/contacts';
import type { FieldDef } from '@/core/segments';
import { ask, NO_WORDS, useVocabulary } from '../primitives';
import type { ContactInFull } from './types';
import './contacts.css';
import { Button, Checkbox, DateField, ErrorMessage, FormEnd, Select, useToast } from '../kit';

const listed = (text: string): string[] =>
  text
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter(Boolean);
const joined = (value: unknown): string => (Array.isArray(value) ? value.join(', ') : '');
const numberOf = (text: string): number | undefined => (text.trim() === '' ? undefined : Number(text.replace(/[,\s$]/g, '')));

type Form = Record<string, string>;
const formOf = (contact: ContactInFull): Form => ({
  first_name: contact.first_name,
  last_name: contact.last_name,
  company: contact.company ?? '',
  street: contact.place.street ?? '',
  city: contact.place.city ?? '',
  region: contact.place.region ?? '',
  postal_code: contact.place.postal_code ?? '',
  price_min: String(contact.wants.price_min ?? ''),
  price_max: String(contact.wants.price_max ?? ''),
  bedrooms: String(contact.wants.bedrooms ?? ''),
  bathrooms: String(contact.wants.bathrooms ?? ''),
  areas: joined(contact.wants.areas),
  kinds: joined(contact.wants.kinds),
  features: joined(contact.wants.features),
  words: typeof contact.wants.words === 'string' ? contact.wants.words : '',
});

/** Wants without what is empty; what an inquiry said beyond the form stays. */
function wantsOf(form: Form, before: Record<string, unknown>): Record<string, unknown> {
  const wants: Record<string, unknown> = { ...before };
  for (const key of ['price_min', 'price_max', 'bedrooms', 'bathrooms'] as const) wants[key] = numberOf(form[key]!);
  for (const key of ['areas', 'kinds', 'features'] as const)
    wants[key] = listed(form[key]!).length ? listed(form[key]!) : undefined;
  wants.words = form.words!.trim() || undefined;
  return wants;
}

export function DetailsDialog({ contact, onClose }: { contact: ContactInFull; onClose: () => void }) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const [form, setForm] = useState(() => formOf(contact));
  const [roles, setRoles] = useState<ContactRole[]>(contact.roles);
  const [dates, setDates] = useState(contact.dates);
  const [fields, setFields] = useState(contact.fields);
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: () =>
      ask('PATCH /contacts/{id}', {
        params: { id: contact.id },
        body: {
          first_name: form.first_name,
          last_name: form.last_name,
          company: form.company,
          roles,
          place: { street: form.street, city: form.city, region: form.region, postal_code: form.postal_code },
          wants: wantsOf(form, contact.wants),
          dates: dates.filter(({ on }) => on),
          ...(Object.keys(fields).length ? { fields } : {}),
        },
      }),
    onSuccess: () => {
      void queries.invalidateQueries();
      toast.tell('Saved.');
      onClose();
    },
  });
  const field = (key: string, label: string, more: object = {}) => (
    <TextField
      label={label}
      value={form[key]}
      onChange={(event) => setForm({ ...form, [key]: event.target.value })}
      size="small"
      {...more}
    />
  );
  return (
    <Dialog open onClose={onClose} aria-labelledby="details-title" fullWidth maxWidth="md">
      <form
        className="dialog details"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <h1 id="details-title">Details</h1>
        <div className="pairs">
          {field('first_name', 'First name', { autoFocus: true })}
          {field('last_name', 'Last name')}
          {field('company', 'Company')}
          {field('street', 'Street')}
          {field('city', 'City')}
          {field('region', 'State')}
          {field('postal_code', 'ZIP')}
        </div>
        <div className="line" role="group" aria-label="Roles">
          {CONTACT_ROLES.map((role) => (
            <label key={role} className="choice">
              <Checkbox
                checked={roles.includes(role)}
                onChange={() => setRoles(roles.includes(role) ? roles.filter((one) => one !== role) : [...roles, role])}
              />{' '}
              {role}
            </label>
          ))}
        </div>
        <h2>Wants</h2>
        <div className="pairs">
          {field('price_min', 'Min price', { inputMode: 'numeric' })}
          {field('price_max', 'Max price', { inputMode: 'numeric' })}
          {field('bedrooms', 'Min bedrooms')}
          {field('bathrooms', 'Min bathrooms')}
          {field('areas', 'Areas: cities, ZIP codes')}
          {field('kinds', 'Property types')}
          {field('features', 'Features: pool, office…')}
        </div>
        {field('words', 'In their words', { multiline: true })}
        <Dates dates={dates} onChange={setDates} />
        {vocabulary.fields.length > 0 && <h2>Fields</h2>}
        <div className="pairs">
          {vocabulary.fields.map((one) => (
            <OwnField
              key={one.id}
              field={one}
              value={fields[one.id] ?? null}
              onChange={(value) => setFields({ ...fields, [one.id]: value })}
            />
          ))}
        </div>
        <ErrorMessage error={save.error} named />
        <FormEnd does="Keep" busy={save.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}

type Dated = ContactInFull['dates'];
function Dates({ dates, onChange }: { dates: Dated; onChange: (dates: Dated) => void }) {
  const set = (at: number, change: Partial<Dated[number]>) =>
    onChange(dates.map((date, n) => (n === at ? { ...date, ...change } : date)));
  return (
    <>
      <h2>Important dates</h2>
      {dates.map((date, at) => (
        <div key={at} className="line">
          <Select
            aria-label="Which date"
            value={date.kind}
            onChange={(event) => set(at, { kind: event.target.value as DateKind })}
          >
            {DATE_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {DATE_NAMES[kind]}
              </option>
            ))}
          </Select>
          <DateField
            label={`${DATE_NAMES[date.kind]}: date`}
            yearless
            value={date.on || null}
            onChange={(on) => set(at, { on: on ?? '' })}
          />
          {date.kind === 'other' && (
            <TextField
              size="small"
              label="What for"
              value={date.label}
              onChange={(event) => set(at, { label: event.target.value })}
            />
          )}
          <Button size="small" onClick={() => onChange(dates.filter((_, n) => n !== at))}>
            Remove
          </Button>
        </div>
      ))}
      <div>
        <Button
          size="small"
          onClick={() =>
            onChange([
              ...dates,
              { kind: dates.some(({ kind }) => kind === 'birthday') ? 'other' : 'birthday', label: '', on: '' },
            ])
          }
        >
          Add a date
        </Button>
      </div>
    </>
  );
}

type Value = ContactInFull['fields'][string];
function OwnField({ field, value, onChange }: { field: FieldDef; value: Value; onChange: (value: Value) => void }) {
  if (field.kind === 'flag')
    return (
      <label className="choice">
        <Checkbox checked={value === true} onChange={(event) => onChange(event.target.checked)} /> {field.name}
      </label>
    );
  if (field.kind === 'choice')
    return (
      <label>
        {field.name}{' '}
        <Select value={typeof value === 'string' ? value : ''} onChange={(event) => onChange(event.target.value || null)}>
          <option value="" />
          {field.choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </Select>
      </label>
    );
  if (field.kind === 'choices')
    return (
      <fieldset className="values">
        <legend className="small">{field.name}</legend>
        {field.choices.map((choice) => {
          const chosen = Array.isArray(value) ? value : [];
          return (
            <label key={choice} className="choice">
              <Checkbox
                checked={chosen.includes(choice)}
                onChange={() => onChange(chosen.includes(choice) ? chosen.filter((one) => one !== choice) : [...chosen, choice])}
              />{' '}
              {choice}
            </label>
          );
        })}
      </fieldset>
    );
  return (
    <TextField
      size="small"
      type={field.kind === 'date' ? 'date' : 'text'}
      slotProps={{ inputLabel: { shrink: true } }}
      label={field.name}
      value={value === null ? '' : String(value)}
      onChange={(event) => onChange(event.target.value || null)}
    />
  );
}
