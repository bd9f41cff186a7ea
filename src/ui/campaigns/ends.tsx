'use client';
/** What ends a campaign, what follows then, and what happens to a touch that cannot go; how the whole of it repeats. */
import type { ContactUpdate, Plan } from '@/core/campaigns';
import { ChangeFields } from './change-fields';
import { DaysField } from './fields';
import { Button, Checkbox, Heading, Row, Select, Text } from '../kit';

export function Ends({ plan, set }: { plan: Plan; set: (patch: Partial<Plan>) => void }) {
  const { ends } = plan;
  return (
    <section aria-label="When it ends">
      <Heading>When it ends</Heading>
      <Row above={1}>
        A reply or a conversation
        <Choice
          label="What a reply does"
          value={ends.answered}
          names={{ end: 'ends it', pause: 'pauses it', on: 'doesn’t change it' }}
          onChange={(answered) => set({ ends: { ...ends, answered } })}
        />
        {ends.answered === 'pause' && (
          <>
            for
            <DaysField
              label="Days to pause"
              min={1}
              max={365}
              value={ends.pauseDays}
              onChange={(pauseDays) => set({ ends: { ...ends, pauseDays } })}
            />
            days
          </>
        )}
      </Row>
      {ends.answered !== 'on' && <Then changes={ends.then} onChange={(then) => set({ ends: { ...ends, then } })} />}
      <Text as="p" tone="soft" small>
        It always ends when they opt out{plan.anyStage ? '' : ', and when they become a client'}.
      </Text>
      <Row above={1}>
        When no touch can reach them, it
        <Choice
          label="When no touch can reach them"
          value={ends.unreachable}
          names={{ end: 'ends', on: 'goes on' }}
          onChange={(unreachable) => set({ ends: { ...ends, unreachable } })}
        />
      </Row>
      <Row above={1}>
        A touch that can’t go at its time
        <Choice
          label="When a touch is held"
          value={plan.held}
          names={{ move: 'waits until it can', lapse: 'is skipped' }}
          onChange={(held) => set({ held })}
        />
      </Row>
      <Repeats repeat={plan.repeat} onChange={(repeat) => set({ repeat })} />
    </section>
  );
}

/** A choice in the middle of a sentence. */
function Choice<Value extends string>({
  label,
  value,
  names,
  onChange,
}: {
  label: string;
  value: Value;
  names: Record<Value, string>;
  onChange: (value: Value) => void;
}) {
  return (
    <Select aria-label={label} value={value} onChange={(event) => onChange(event.target.value as Value)}>
      {Object.entries<string>(names).map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </Select>
  );
}

/** What a reply changes of the person. */
function Then({ changes, onChange }: { changes: ContactUpdate[]; onChange: (changes: ContactUpdate[]) => void }) {
  return (
    <>
      {changes.map((change, at) => (
        <Row above={1} key={at}>
          and then
          <ChangeFields
            change={change}
            campaignId=""
            onChange={(next) => onChange(changes.map((one, n) => (n === at ? next : one)))}
          />
          <Button size="tiny" onClick={() => onChange(changes.filter((_, n) => n !== at))}>
            Remove
          </Button>
        </Row>
      ))}
      <Button size="tiny" onClick={() => onChange([...changes, { set: 'horizon', horizon: 'warm' }])}>
        + and then…
      </Button>
    </>
  );
}

function Repeats({ repeat, onChange }: { repeat: Plan['repeat']; onChange: (repeat: Plan['repeat']) => void }) {
  return (
    <>
      <Checkbox checked={repeat !== null} onChange={(event) => onChange(event.target.checked ? { days: 30, times: null } : null)}>
        It repeats
      </Checkbox>
      {repeat && (
        <Row above={1}>
          every
          <DaysField
            label="Days between repeats"
            min={1}
            value={repeat.days}
            onChange={(days) => onChange({ ...repeat, days })}
          />
          days,
          <Choice
            label="How often"
            value={repeat.times === null ? 'ever' : 'times'}
            names={{ ever: 'forever', times: 'this many times:' }}
            onChange={(how) => onChange({ ...repeat, times: how === 'ever' ? null : 12 })}
          />
          {repeat.times !== null && (
            <DaysField
              label="Times"
              min={1}
              max={1_000}
              value={repeat.times}
              onChange={(times) => onChange({ ...repeat, times })}
            />
          )}
        </Row>
      )}
    </>
  );
}
