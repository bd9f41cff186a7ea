'use client';
/** When a broadcast goes, how fast, and who prints its letters. */
import { CHANNELS } from '@/core/contacts';
import type { Goes, Reach } from '@/core/messages';
import { DAY, localDate } from '@/core/shared';
import { useNow, useFormat, useZone } from '../primitives';
import type { Broadcast } from './shapes';
import { Button, DateField, Radio, Row, Select, Text, TimeField, CountField } from '../kit';

export function WhenItGoes({
  channel,
  goes,
  perMinute,
  holiday,
  onChange,
}: {
  channel: Broadcast['channel'];
  goes: Goes;
  perMinute: number;
  /** What the day is in the account's calendar, when nothing goes by itself on it. */
  holiday?: Reach['holiday'];
  onChange: (next: { goes?: Goes; per_minute?: number }) => void;
}) {
  const format = useFormat();
  const tomorrow = localDate(new Date(useNow().getTime() + DAY), useZone());
  const at = goes.on === 'now' ? { day: tomorrow, at: '10:00' } : { day: goes.day, at: goes.at };
  const printed = goes.printed ? { printed: goes.printed } : {};
  return (
    <>
      <Row above={1} role="radiogroup" aria-label="When to send">
        <Radio name="goes" checked={goes.on === 'now'} onChange={() => onChange({ goes: { on: 'now', ...printed } })}>
          now
        </Radio>
        <Radio
          name="goes"
          checked={goes.on === 'office'}
          onChange={() => onChange({ goes: { on: 'office', ...at, ...printed } })}
        >
          at a set time
        </Radio>
        <Radio name="goes" checked={goes.on === 'local'} onChange={() => onChange({ goes: { on: 'local', ...at, ...printed } })}>
          at a time, in each contact’s time zone
        </Radio>
        {goes.on !== 'now' && (
          <>
            <DateField label="Day" value={goes.day} onChange={(day) => day && onChange({ goes: { ...goes, day } })} />
            <TimeField label="Time" value={goes.at} onChange={(at) => at && onChange({ goes: { ...goes, at } })} />
          </>
        )}
      </Row>
      <Row small above={1}>
        <label>
          at most{' '}
          <CountField
            label="Most messages per minute"
            min={1}
            max={100_000}
            width={90}
            value={perMinute}
            onChange={(per_minute) => onChange({ per_minute })}
          />{' '}
          per minute
        </label>
        {CHANNELS[channel].isPrinted && (
          <label>
            printed{' '}
            <Select
              aria-label="Who prints the letters"
              value={goes.printed ?? 'house'}
              onChange={(event) => onChange({ goes: { ...goes, printed: event.target.value as 'house' | 'here' } })}
            >
              <option value="house">and mailed by the print service</option>
              <option value="here">here, as one file</option>
            </Select>
          </label>
        )}
        <Text tone="soft">Quiet hours and limits apply. It goes out on your date, even on a holiday.</Text>
      </Row>
      {holiday && goes.on !== 'now' && (
        <Text as="p" small role="status">
          {format.plainDay(goes.day)} is {holiday.name}. It still goes out that day unless you{' '}
          <Button size="tiny" onClick={() => onChange({ goes: { ...goes, day: holiday.next } })}>
            move it to {format.plainDay(holiday.next)}
          </Button>
        </Text>
      )}
    </>
  );
}
