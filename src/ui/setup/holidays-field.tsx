'use client';
/** The days on which nothing goes out by itself: named holidays, a day of every year, or one day; added by name or by date. */
import { useState } from 'react';
import { NAMED_HOLIDAYS } from '@/core/campaigns';
import { useFormat } from '../primitives';
import { Chip, DateField, Row, Select, Stack, Text } from '../kit';

interface Props {
  id: string;
  /** `12-25` for every year, `2027-11-26` once, or a movable one by its name. */
  days: readonly string[];
  onChange: (days: string[]) => void;
}

export function HolidaysField({ id, days, onChange }: Props) {
  const format = useFormat();
  const [typed, setTyped] = useState(0);
  const nameOf = (day: string): string => {
    const named = NAMED_HOLIDAYS.find(({ key }) => key === day)?.name;
    if (/^\d\d-\d\d$/.test(day))
      return named ? `${named} (${format.plainDay(`--${day}`)})` : `${format.plainDay(`--${day}`)}, every year`;
    return named ?? format.plainDay(day);
  };
  const add = (day: string) => !days.includes(day) && onChange([...days, day]);
  return (
    <Stack gap={1.5}>
      <Row gap={1.5} role="list" aria-label="Holidays">
        {days.map((day) => (
          <span role="listitem" key={day}>
            <Chip removes={`Remove ${nameOf(day)}`} onRemove={() => onChange(days.filter((one) => one !== day))}>
              {nameOf(day)}
            </Chip>
          </span>
        ))}
        {days.length === 0 && <Text tone="soft">None.</Text>}
      </Row>
      <Row>
        <Select id={id} value="" onChange={({ target }) => target.value && add(target.value)}>
          <option value="">Add a holiday…</option>
          {NAMED_HOLIDAYS.filter(({ key }) => !days.includes(key)).map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Select>
        <Text tone="soft">or a date</Text>
        <DateField
          key={typed}
          label="Another day without automatic messages"
          yearless
          value={null}
          onChange={(day) => {
            if (day) add(day.replace(/^--/, ''));
            setTyped(typed + 1);
          }}
        />
      </Row>
    </Stack>
  );
}
