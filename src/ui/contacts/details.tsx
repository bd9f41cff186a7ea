'use client';
/** Everything that is known of a contact in one form, for whoever has much to change at once. What is half-written survives a reload. */
import { useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, ROLE_NAMES, type ContactRole } from '@/core/contacts';
import { ask } from '../primitives';
import {
  CheckboxFormField,
  Columns,
  FormDialog,
  Heading,
  Row,
  TextareaFormField,
  TextFormField,
  TypedFormField,
  useSaveForm,
  useToast,
} from '../kit';
import { capitalized } from '@/core/shared';
import { contactChanged } from './in-place';
import type { ContactInFull } from './types';

const listed = (text: string): string[] =>
  text
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter(Boolean);
const joined = (value: unknown): string => (Array.isArray(value) ? value.join(', ') : '');
const numeric = (value: unknown): number | null => (typeof value === 'number' ? value : null);

const valuesOf = ({ place, wants, roles, ...contact }: ContactInFull) => ({
  first_name: contact.first_name,
  last_name: contact.last_name,
  company: contact.company ?? '',
  street: place.street ?? '',
  city: place.city ?? '',
  region: place.region ?? '',
  postal_code: place.postal_code ?? '',
  price_min: numeric(wants.price_min),
  price_max: numeric(wants.price_max),
  bedrooms: numeric(wants.bedrooms),
  bathrooms: numeric(wants.bathrooms),
  areas: joined(wants.areas),
  kinds: joined(wants.kinds),
  features: joined(wants.features),
  words: typeof wants.words === 'string' ? wants.words : '',
  roles: Object.fromEntries(CONTACT_ROLES.map((role) => [role, roles.includes(role)])) as Record<ContactRole, boolean>,
});
type Values = ReturnType<typeof valuesOf>;

/** Wants without what is empty; what an inquiry said beyond the form stays. */
function wantsOf(values: Values, before: Record<string, unknown>): Record<string, unknown> {
  const list = (text: string) => (listed(text).length ? listed(text) : undefined);
  return {
    ...before,
    price_min: values.price_min ?? undefined,
    price_max: values.price_max ?? undefined,
    bedrooms: values.bedrooms ?? undefined,
    bathrooms: values.bathrooms ?? undefined,
    areas: list(values.areas),
    kinds: list(values.kinds),
    features: list(values.features),
    words: values.words.trim() || undefined,
  };
}

export function DetailsDialog({ contact, onClose }: { contact: ContactInFull; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const details = useSaveForm({
    values: valuesOf(contact),
    draft: `details_${contact.id}`,
    save: (values) =>
      ask('PATCH /contacts/{id}', {
        params: { id: contact.id },
        body: {
          first_name: values.first_name,
          last_name: values.last_name,
          company: values.company,
          roles: CONTACT_ROLES.filter((role) => values.roles[role]),
          place: { street: values.street, city: values.city, region: values.region, postal_code: values.postal_code },
          wants: wantsOf(values, contact.wants),
        },
      }),
    onSaved: (changed) => {
      contactChanged(queries, changed);
      toast.tell('Saved.');
      onClose();
    },
  });
  return (
    <FormDialog title="Edit contact" width="md" form={details} onClose={onClose}>
      <Columns least={190}>
        <TextFormField name="first_name" label="First name" autoFocus />
        <TextFormField name="last_name" label="Last name" />
        <TextFormField name="company" label="Company" />
        <TextFormField name="street" label="Street" />
        <TextFormField name="city" label="City" />
        <TextFormField name="region" label="State" />
        <TextFormField name="postal_code" label="ZIP" />
      </Columns>
      <Row role="group" aria-label="Roles" gap={3}>
        {CONTACT_ROLES.map((role) => (
          <CheckboxFormField key={role} name={`roles.${role}`} label={capitalized(ROLE_NAMES[role])} />
        ))}
      </Row>
      <Heading>Wants</Heading>
      <Columns least={190}>
        <TypedFormField is="money" name="price_min" label="Min price" />
        <TypedFormField is="money" name="price_max" label="Max price" />
        <TypedFormField is="number" name="bedrooms" label="Min bedrooms" />
        <TypedFormField is="number" name="bathrooms" label="Min bathrooms" />
        <TextFormField name="areas" label="Areas" placeholder="Cities, ZIP codes" />
        <TextFormField name="kinds" label="Property types" placeholder="House, condo…" />
        <TextFormField name="features" label="Features" placeholder="Pool, office…" />
      </Columns>
      <TextareaFormField name="words" label="In their words" rows={2} />
    </FormDialog>
  );
}
