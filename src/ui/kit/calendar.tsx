'use client';
/** The calendar that a field of days opens, in the person's locale, its weeks beginning as theirs do. */
import { useMemo } from 'react';
import { DateTime, Info, Settings, type WeekSettings } from 'luxon';
import { AdapterLuxon } from '@mui/x-date-pickers/AdapterLuxon';
import { DateCalendar } from '@mui/x-date-pickers/DateCalendar';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { useFormat } from '../primitives';

/** The adapter asks Luxon where weeks begin, and Luxon what stands here. */
function beginWeeksOn(firstDay: number, locale: string): void {
  Settings.defaultWeekSettings = { firstDay, minimalDays: 1, weekend: Info.getWeekendWeekdays({ locale }) } as WeekSettings;
}

export function Calendar({ value, today, onChoose }: { value: string | null; today: string; onChoose: (day: string) => void }) {
  const { locale, weekStart } = useFormat();
  useMemo(() => beginWeeksOn(weekStart, locale), [weekStart, locale]);
  const day = (text: string) => DateTime.fromISO(text, { zone: 'utc' });
  return (
    <LocalizationProvider dateAdapter={AdapterLuxon} adapterLocale={locale}>
      <DateCalendar
        value={value === null ? null : day(value)}
        referenceDate={day(value ?? today)}
        autoFocus
        onChange={(chosen, state) => chosen && state === 'finish' && onChoose(chosen.toFormat('yyyy-MM-dd'))}
      />
    </LocalizationProvider>
  );
}
