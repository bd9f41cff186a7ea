'use client';
/** Days of the week and the hours on them. */
import type { Hours } from '@/core/shared';
import { useFormat } from '../primitives';
import { Button, Row, TimeField } from '../kit';

export function HoursFields({ hours, onChange }: { hours: Hours; onChange: (hours: Hours) => void }) {
  const { weekdays } = useFormat();
  const flip = (day: number) =>
    onChange({
      ...hours,
      days: hours.days.includes(day) ? hours.days.filter((one) => one !== day) : [...hours.days, day].sort(),
    });
  const clock = (key: 'from' | 'to') => (
    <label>
      {key} <TimeField label={key} value={hours[key]} onChange={(time) => time && onChange({ ...hours, [key]: time })} />
    </label>
  );
  return (
    <>
      <Row role="group" aria-label="Days">
        {weekdays.map(({ day, short, long }) => (
          <Button key={day} size="tiny" aria-label={long} pressed={hours.days.includes(day)} onClick={() => flip(day)}>
            {short}
          </Button>
        ))}
      </Row>
      <Row>
        {clock('from')} {clock('to')}
      </Row>
    </>
  );
}
