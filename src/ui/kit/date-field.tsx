'use client';
/** Days and times of day, typed in any usual spelling or picked from a calendar; shown as the person reads them. */
import { useState } from 'react';
import dynamic from 'next/dynamic';
import Popover from '@mui/material/Popover';
import { CalendarDays } from 'lucide-react';
import { readDay, readTime } from '@/core/format';
import { localDate } from '@/core/shared';
import { useFormat, useNow, useZone } from '../primitives';
import { Button } from './button';
import { TypedField, type TypedFieldProps } from './typed-field';

/** The calendar comes when it is opened: few pages need it at once. */
const Calendar = dynamic(() => import('./calendar').then((module) => module.Calendar), { ssr: false });

/** Years of two digits lie so far ahead at most; a day that returns every year was. */
const AHEAD = 20;

/** @param yearless days without a year may be typed too, as `--MM-DD` */
export function DateField({ yearless = false, width = 130, ...field }: TypedFieldProps<string> & { yearless?: boolean }) {
  const format = useFormat();
  const today = localDate(useNow(), useZone());
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const thisYear = Number(today.slice(0, 4));
  const read = (typed: string): string | null => {
    const day = readDay(typed, format.locale === 'en-GB' ? 'day-first' : 'month-first', thisYear + (yearless ? 0 : AHEAD));
    if (day === null || yearless || !day.startsWith('-')) return day;
    /* Without a year the next one that comes is meant. */
    const next = `${thisYear}${day.slice(1)}`;
    return next < today ? `${thisYear + 1}${day.slice(1)}` : next;
  };
  return (
    <TypedField
      {...field}
      width={width}
      read={read}
      show={format.plainDay}
      help={`Enter a date like ${format.numericDay('1970-03-01')}`}
    >
      <Button
        look="text"
        aria-label={`${field.label}: calendar`}
        disabled={field.disabled}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        <CalendarDays size={18} aria-hidden />
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      >
        {anchor && (
          <Calendar
            value={field.value?.startsWith('-') ? null : field.value}
            today={today}
            onChoose={(day) => {
              setAnchor(null);
              field.onChange(day);
            }}
          />
        )}
      </Popover>
    </TypedField>
  );
}

/** A time of day as `HH:MM`, typed as 9:30 PM, 9p or 21:30. */
export function TimeField({ width = 96, ...field }: TypedFieldProps<string>) {
  const format = useFormat();
  const like = `${format.clockTime('09:30')} or ${format.clockTime('21:00')}`;
  return <TypedField {...field} width={width} read={readTime} show={format.clockTime} help={`Enter a time like ${like}`} />;
}
