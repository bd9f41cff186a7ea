'use client';
/** Once, or every day, week or month at a time: when an export is written. */
import { EVERY, WEEKDAYS, type Rhythm } from '@/core/exports';
import { useFormat } from '../primitives';
import { Field, Input, Row, Select, CountField } from '../kit';

/** Every half hour of the day. */
const TIMES = Array.from({ length: 48 }, (_, n) => `${String(Math.floor(n / 2)).padStart(2, '0')}:${n % 2 ? '30' : '00'}`);

interface Props {
  rhythm: Rhythm | null;
  name: string;
  onRhythm: (rhythm: Rhythm | null) => void;
  onName: (name: string) => void;
}

export function When({ rhythm, name, onRhythm, onName }: Props) {
  const format = useFormat();
  const at = rhythm?.at ?? '07:00';
  const every = (
    <Field label="When" beside>
      {(control) => (
        <Select
          {...control}
          value={rhythm?.every ?? 'once'}
          onChange={(event) => {
            const chosen = EVERY.find((one) => one === event.target.value);
            onRhythm(chosen ? { every: chosen, day: 1, at } : null);
          }}
        >
          <option value="once">now, once</option>
          {EVERY.map((one) => (
            <option key={one} value={one}>
              every {one}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
  if (!rhythm) return every;
  return (
    <>
      <Row>
        {every}
        {rhythm.every === 'week' && (
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
        {rhythm.every === 'month' && (
          <>
            on the
            <CountField
              label="Day of the month"
              min={1}
              max={31}
              width={56}
              value={rhythm.day}
              onChange={(day) => onRhythm({ ...rhythm, day })}
            />
          </>
        )}
        at
        <Select aria-label="Time of day" value={at} onChange={(event) => onRhythm({ ...rhythm, at: event.target.value })}>
          {TIMES.map((time) => (
            <option key={time} value={time}>
              {format.clockTime(time)}
            </option>
          ))}
        </Select>
      </Row>
      <Field label="Name">
        {(control) => (
          <Input
            {...control}
            autoFocus
            width="100%"
            value={name}
            maxLength={80}
            placeholder="Letters for the printer"
            onChange={(event) => onName(event.target.value)}
          />
        )}
      </Field>
    </>
  );
}
