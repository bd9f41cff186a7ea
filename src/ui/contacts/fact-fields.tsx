'use client';
/** The account's own fields of a contact, each changed as its kind is. */
import { readMoney } from '@/core/format';
import type { FieldDef } from '@/core/segments';
import { NO_WORDS, useFormat, useVocabulary } from '../primitives';
import { Checkbox, DateField, Fact, FactLine, MenuButton, Section, Select, useToast } from '../kit';
import { useSaveFact } from './in-place';
import type { ContactInFull } from './types';

type Value = ContactInFull['fields'][string] | null;

export function OwnFacts({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  if (!vocabulary.fields.length) return null;
  return (
    <Section title="Fields">
      {vocabulary.fields.map((field) => (
        <OwnFact key={field.id} contact={contact} field={field} readOnly={readOnly} />
      ))}
    </Section>
  );
}

function OwnFact({ contact, field, readOnly }: { contact: ContactInFull; field: FieldDef; readOnly: boolean }) {
  const format = useFormat();
  const save = useSaveFact(contact);
  const toast = useToast();
  const value: Value = contact.fields[field.id] ?? null;
  const put = (next: Value) => save({ fields: { [field.id]: next } });
  const putNow = (next: Value) => void put(next).catch(toast.fail);
  const shown = shownValue(field, value, format);
  if (readOnly) return <FactLine label={field.name}>{shown || '–'}</FactLine>;
  switch (field.kind) {
    case 'flag':
      return (
        <FactLine label={field.name}>
          <Checkbox aria-label={field.name} checked={value === true} onChange={(event) => putNow(event.target.checked)} />
        </FactLine>
      );
    case 'choice':
      return (
        <FactLine label={field.name}>
          <Select
            aria-label={field.name}
            value={typeof value === 'string' ? value : ''}
            onChange={(event) => putNow(event.target.value || null)}
          >
            <option value="" />
            {field.choices.map((choice) => (
              <option key={choice}>{choice}</option>
            ))}
          </Select>
        </FactLine>
      );
    case 'choices': {
      const chosen = Array.isArray(value) ? value : [];
      return (
        <FactLine label={field.name}>
          <MenuButton
            look="text"
            choices={field.choices.map((choice) => ({
              key: choice,
              name: `${chosen.includes(choice) ? '✓ ' : ''}${choice}`,
              onChoose: () => putNow(chosen.includes(choice) ? chosen.filter((one) => one !== choice) : [...chosen, choice]),
            }))}
          >
            {shown || 'Add'}
          </MenuButton>
        </FactLine>
      );
    }
    case 'date':
    case 'yearly':
      return (
        <FactLine label={field.name}>
          <DateField
            label={field.name}
            yearless={field.kind === 'yearly'}
            value={yearlyDay(value)}
            onChange={(on) => putNow(field.kind === 'yearly' ? (on?.replace(/^--/, '') ?? null) : on)}
          />
        </FactLine>
      );
    default:
      return (
        <Fact
          label={field.name}
          shown={shown}
          typed={value === null ? '' : String(value)}
          onSave={(typed) => {
            if (!typed) return put(null);
            if (field.kind !== 'money' && field.kind !== 'number') return put(typed);
            const number = readMoney(typed);
            if (number === null)
              throw new Error(field.kind === 'money' ? 'Enter an amount like $400.' : 'Enter a number like 3.');
            return put(number);
          }}
        />
      );
  }
}

/** A day without a year is `MM-DD` in a field and `--MM-DD` elsewhere. */
const yearlyDay = (value: Value): string | null =>
  typeof value !== 'string' ? null : /^\d\d-\d\d$/.test(value) ? `--${value}` : value;

function shownValue(field: FieldDef, value: Value, format: ReturnType<typeof useFormat>): string {
  if (value === null) return '';
  if (typeof value === 'boolean') return value ? 'Yes' : 'No';
  if (typeof value === 'number') return field.kind === 'money' ? format.money(value) : format.number(value);
  if (Array.isArray(value)) return value.join(', ');
  return field.kind === 'date' || field.kind === 'yearly' ? format.plainDay(yearlyDay(value)!) : value;
}
