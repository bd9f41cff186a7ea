'use client';
/** Language and region, the clock, the first day of the week: of a person, and of the account. */
import { LOCALE_NAMES, LOCALES, type FormatChoice, type Locale } from '@/core/format';
import { Select, Stack } from '../kit';

const DAYS = [
  [7, 'Sunday'],
  [1, 'Monday'],
  [6, 'Saturday'],
] as const;
const USUAL = '';

export function FormatFields({ choice, onChange }: { choice: FormatChoice; onChange: (choice: FormatChoice) => void }) {
  return (
    <>
      <Stack as="label" gap={1}>
        Language and region
        <Select
          width="100%"
          value={choice.locale}
          onChange={({ target }) => onChange({ ...choice, locale: target.value as Locale })}
        >
          {LOCALES.map((locale) => (
            <option key={locale} value={locale}>
              {LOCALE_NAMES[locale]}
            </option>
          ))}
        </Select>
      </Stack>
      <Stack as="label" gap={1}>
        Time format
        <Select
          width="100%"
          value={choice.clock ?? USUAL}
          onChange={({ target }) => onChange({ ...choice, clock: target.value ? (Number(target.value) as 12 | 24) : null })}
        >
          <option value={USUAL}>Standard for the region</option>
          <option value={12}>12-hour</option>
          <option value={24}>24-hour</option>
        </Select>
      </Stack>
      <Stack as="label" gap={1}>
        First day of the week
        <Select
          width="100%"
          value={choice.weekStart ?? USUAL}
          onChange={({ target }) => onChange({ ...choice, weekStart: target.value ? Number(target.value) : null })}
        >
          <option value={USUAL}>Standard for the region</option>
          {DAYS.map(([day, name]) => (
            <option key={day} value={day}>
              {name}
            </option>
          ))}
        </Select>
      </Stack>
    </>
  );
}
