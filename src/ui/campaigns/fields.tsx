/** Small fields that campaigns are told with: a whole number, a clock time, days around a date of the person. */
import { DATE_KINDS, DATE_NAMES, type DateKind } from '@/core/contacts';
import type { ComponentProps } from 'react';
import { CountField, Select, TimeField } from '../kit';

const MOST_DAYS = 3_650;
/** So many days. */
export const DaysField = ({ max = MOST_DAYS, ...field }: ComponentProps<typeof CountField>) => (
  <CountField max={max} {...field} />
);

export const AtField = ({ at, onChange }: { at: string; onChange: (at: string) => void }) => (
  <>
    at
    <TimeField label="At" value={at} onChange={(time) => time && onChange(time)} />
  </>
);

/** So many days before or after a date that returns every year. Before is negative. */
export interface AroundDate {
  date: DateKind;
  days: number;
  at: string;
}
export function AroundDateFields({
  around: dateTrigger,
  onChange,
}: {
  around: AroundDate;
  onChange: (dateTrigger: AroundDate) => void;
}) {
  const { date, days, at } = dateTrigger;
  const put = (count: number, before: boolean) => onChange({ date, at, days: before ? -Math.max(1, count) : count });
  return (
    <>
      <DaysField label="Days" max={180} value={Math.abs(days)} onChange={(count) => put(count, days < 0)} />
      <Select
        aria-label="Before or after"
        value={days < 0 ? 'before' : 'after'}
        onChange={(event) => put(Math.abs(days), event.target.value === 'before')}
      >
        <option value="before">days before</option>
        <option value="after">days after</option>
      </Select>
      <Select
        aria-label="Which date"
        value={date}
        onChange={(event) => onChange({ ...dateTrigger, date: event.target.value as DateKind })}
      >
        {DATE_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            their {DATE_NAMES[kind].toLowerCase()}
          </option>
        ))}
      </Select>
      <AtField at={at} onChange={(next) => onChange({ ...dateTrigger, at: next })} />
    </>
  );
}
