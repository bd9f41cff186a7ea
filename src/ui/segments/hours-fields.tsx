'use client';
/** Days of the week and the hours on them. */
import type { Hours } from '@/core/shared';
import { Button, Row, TimeField } from '../kit';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

export function HoursFields({ hours, onChange }: { hours: Hours; onChange: (hours: Hours) => void }) {
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
        {DAYS.map((name, at) => (
          <Button key={name} size="tiny" pressed={hours.days.includes(at + 1)} onClick={() => flip(at + 1)}>
            {name}
          </Button>
        ))}
      </Row>
      <Row>
        {clock('from')} {clock('to')}
      </Row>
    </>
  );
}
