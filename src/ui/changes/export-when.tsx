'use client';
/** Once, or every day, week or month at a time: when an export is written. */
import { EVERY, WEEKDAYS, type Rhythm } from '@/core/exports';
import { Input, Select } from '../kit';

/** Every half hour of the day. */
const TIMES = Array.from({ length: 48 }, (_, n) => `${String(Math.floor(n / 2)).padStart(2, '0')}:${n % 2 ? '30' : '00'}`);

interface Props {
  rhythm: Rhythm | null;
  name: string;
  onRhythm: (rhythm: Rhythm | null) => void;
  onName: (name: string) => void;
}

export function When({ rhythm, name, onRhythm, onName }: Props) {
  const at = rhythm?.at ?? '07:00';
  return (
    <>
      <label>
        When:{' '}
        <Select
          value={rhythm?.every ?? 'once'}
          onChange={(event) => {
            const every = EVERY.find((one) => one === event.target.value);
            onRhythm(every ? { every, day: 1, at } : null);
          }}
        >
          <option value="once">now, once</option>
          {EVERY.map((every) => (
            <option key={every} value={every}>
              every {every}
            </option>
          ))}
        </Select>{' '}
        {rhythm?.every === 'week' && (
          <Select
            aria-label="Day of the week"
            value={rhythm.day}
            onChange={(event) => onRhythm({ ...rhythm, day: Number(event.target.value) })}
          >
            {WEEKDAYS.map((day, n) => (
              <option key={day} value={n + 1}>
                on {day}
              </option>
            ))}
          </Select>
        )}
        {rhythm?.every === 'month' && (
          <>
            on the{' '}
            <Input
              type="number"
              min={1}
              max={31}
              aria-label="Day of the month"
              width={56}
              value={rhythm.day}
              onChange={(event) => onRhythm({ ...rhythm, day: Math.min(31, Math.max(1, Number(event.target.value))) })}
            />
          </>
        )}{' '}
        {rhythm && (
          <>
            at{' '}
            <Select aria-label="Time of day" value={at} onChange={(event) => onRhythm({ ...rhythm, at: event.target.value })}>
              {TIMES.map((time) => (
                <option key={time}>{time}</option>
              ))}
            </Select>
          </>
        )}
      </label>
      {rhythm && (
        <label>
          Name:{' '}
          <Input
            autoFocus
            width={280}
            value={name}
            maxLength={80}
            placeholder="Letters for the printer"
            onChange={(event) => onName(event.target.value)}
          />
        </label>
      )}
    </>
  );
}
