'use client';
/** Days of the week and the hours on them. */
import type { Hours } from '@/core/shared';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

export function HoursFields({ hours, onChange }: { hours: Hours; onChange: (hours: Hours) => void }) {
  const flip = (day: number) =>
    onChange({
      ...hours,
      days: hours.days.includes(day) ? hours.days.filter((one) => one !== day) : [...hours.days, day].sort(),
    });
  const clock = (key: 'from' | 'to') => (
    <label>
      {key}{' '}
      <input
        type="time"
        aria-label={key}
        value={hours[key]}
        onChange={(event) => event.target.value && onChange({ ...hours, [key]: event.target.value })}
      />
    </label>
  );
  return (
    <>
      <div className="line" role="group" aria-label="Days">
        {DAYS.map((name, at) => (
          <button
            key={name}
            type="button"
            className={`chip tiny${hours.days.includes(at + 1) ? ' on' : ''}`}
            aria-pressed={hours.days.includes(at + 1)}
            onClick={() => flip(at + 1)}
          >
            {name}
          </button>
        ))}
      </div>
      <div className="line">
        {clock('from')} {clock('to')}
      </div>
    </>
  );
}
