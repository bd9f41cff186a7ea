'use client';
/** When a step is due: so long after the start or the step before, or around a date of the person. */
import type { StepTiming } from '@/core/campaigns';
import { useFormat } from '../primitives';
import { AroundDateFields, AtField, DaysField } from './fields';
import { Button, Row, Select } from '../kit';

type WhenKind = 'start minutes' | 'start days' | 'last minutes' | 'last days' | 'date';
const kindOf = (when: StepTiming): WhenKind =>
  'date' in when ? 'date' : `${when.after} ${'minutes' in when ? 'minutes' : 'days'}`;
const whenOfKind = (kind: WhenKind): StepTiming => {
  if (kind === 'date') return { date: 'birthday', days: 0, at: '09:00' };
  const [after, unit] = kind.split(' ') as ['start' | 'last', 'minutes' | 'days'];
  return unit === 'minutes' ? { after, minutes: after === 'start' ? 0 : 60 } : { after, days: 1, at: '09:00' };
};

export function WhenFields({ when, onChange }: { when: StepTiming; onChange: (when: StepTiming) => void }) {
  const { weekdays } = useFormat();
  return (
    <Row>
      <Select aria-label="When" value={kindOf(when)} onChange={(event) => onChange(whenOfKind(event.target.value as WhenKind))}>
        <option value="start minutes">minutes after the start</option>
        <option value="start days">days after the start</option>
        <option value="last minutes">minutes after the previous step</option>
        <option value="last days">days after the previous step</option>
        <option value="date">around a personal date</option>
      </Select>
      {'minutes' in when && (
        <DaysField label="Minutes" max={5_256_000} value={when.minutes} onChange={(minutes) => onChange({ ...when, minutes })} />
      )}
      {'date' in when && <AroundDateFields around={when} onChange={onChange} />}
      {'after' in when && 'days' in when && (
        <>
          <DaysField label="Days" value={when.days} onChange={(days) => onChange({ ...when, days })} />
          <AtField at={when.at} onChange={(at) => onChange({ ...when, at })} />
        </>
      )}
      {'after' in when && 'days' in when && (
        <Row as="span" above={1} role="group" aria-label="Only on these days of the week">
          {weekdays.map(({ day: number, short, long }) => {
            const on = when.on?.includes(number) ?? false;
            return (
              <Button
                key={number}
                size="tiny"
                aria-label={long}
                pressed={on}
                onClick={() => {
                  const days = on ? when.on!.filter((day) => day !== number) : [...(when.on ?? []), number].sort();
                  onChange({ after: when.after, days: when.days, at: when.at, ...(days.length ? { on: days } : {}) });
                }}
              >
                {short}
              </Button>
            );
          })}
        </Row>
      )}
    </Row>
  );
}
