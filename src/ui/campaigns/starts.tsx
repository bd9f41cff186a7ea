'use client';
/** What begins a campaign by itself, beside people who are added by hand: a match, an inquiry, a date of the person, a day of the year. */
import type { Start } from '@/core/campaigns';
import { NO_WORDS, useVocabulary } from '../primitives';
import { Sentence } from '../segments';
import { AroundDateFields, AtField } from './fields';
import { Button, DateField, Heading, Row, Text } from '../kit';

const START_NAMES: Record<Start['on'], string> = {
  enter: 'When someone matches',
  inquiry: 'When a new lead comes in from',
  date: 'Around a personal date',
  day: 'Every year on a date',
};
const firstStart = (on: Start['on']): Start => {
  switch (on) {
    case 'enter':
      return { on, tree: { all: [] } };
    case 'inquiry':
      return { on, doors: [], sources: [] };
    case 'date':
      return { on, date: 'birthday', days: -7, at: '09:00' };
    case 'day':
      return { on, day: '12-10', at: '09:00' };
  }
};

export function Starts({ starts, onChange }: { starts: Start[]; onChange: (starts: Start[]) => void }) {
  return (
    <section aria-label="When it starts">
      <Heading>When it starts</Heading>
      <Text as="p" tone="soft" small>
        You can always add people yourself, from a rung, or from a lead source. It can also start:
      </Text>
      {starts.map((start, at) => (
        <Row ruled key={at}>
          <StartFields start={start} onChange={(next) => onChange(starts.map((one, n) => (n === at ? next : one)))} />
          <Button
            size="tiny"
            aria-label={`Remove: ${START_NAMES[start.on]}`}
            onClick={() => onChange(starts.filter((_, n) => n !== at))}
          >
            Remove
          </Button>
        </Row>
      ))}
      <Row above={1}>
        {(Object.keys(START_NAMES) as Start['on'][]).map((on) => (
          <Button key={on} size="tiny" onClick={() => onChange([...starts, firstStart(on)])}>
            + {START_NAMES[on].toLowerCase()}
          </Button>
        ))}
      </Row>
    </section>
  );
}

const toggled = (list: readonly string[], one: string): string[] =>
  list.includes(one) ? list.filter((other) => other !== one) : [...list, one];

function StartFields({ start, onChange }: { start: Start; onChange: (start: Start) => void }) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  switch (start.on) {
    case 'enter':
      return (
        <>
          <span>{START_NAMES.enter}</span>
          <Sentence tree={start.tree} label="Who starts it when they match" onChange={(tree) => onChange({ ...start, tree })} />
        </>
      );
    case 'inquiry':
      return (
        <Row as="span" above={1} role="group" aria-label="Which doors and sources">
          <span>{START_NAMES.inquiry}</span>
          {!start.doors.length && !start.sources.length && (
            <Text tone="soft" small>
              any door
            </Text>
          )}
          {(vocabulary.names.door ?? []).map(({ value, name }) => (
            <Button
              key={value}
              size="tiny"
              pressed={start.doors.includes(value)}
              onClick={() => onChange({ ...start, doors: toggled(start.doors, value) })}
            >
              {name}
            </Button>
          ))}
          {(vocabulary.names.source ?? []).map(({ value, name }) => (
            <Button
              key={`source ${value}`}
              size="tiny"
              pressed={start.sources.includes(value)}
              onClick={() => onChange({ ...start, sources: toggled(start.sources, value) })}
            >
              {name}
            </Button>
          ))}
        </Row>
      );
    case 'date':
      return <AroundDateFields around={start} onChange={(dateTrigger) => onChange({ on: 'date', ...dateTrigger })} />;
    case 'day':
      return (
        <>
          <span>{START_NAMES.day}:</span>
          <DateField
            label="Day of the year"
            yearless
            value={`--${start.day}`}
            onChange={(day) => day && onChange({ ...start, day: day.replace(/^--/, '').slice(-5) })}
          />
          <AtField at={start.at} onChange={(at) => onChange({ ...start, at })} />
        </>
      );
  }
}
