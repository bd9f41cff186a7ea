'use client';
/** One condition of the sentence: how it asks and what it asks for, changed while the list beside it follows. */
import { useState } from 'react';
import { asked, HOWS, UNITS, type Condition, type How, type Subject, type TimeUnit, type VocabularyView } from '@/core/segments';
import { MapView } from '../market';
import { HoursFields } from './hours-fields';
import { SubjectPicker, type About } from './subject-picker';
import { Button, Checkbox, DateField, Input, Row, Select, Stack, Text, CountField, MoneyField, NumberField } from '../kit';

interface Props {
  condition: Condition;
  subject: Subject | null;
  vocabulary: VocabularyView;
  about?: About;
  onChange: (condition: Condition) => void;
  onRemove: () => void;
  onNegate: () => void;
  onOr: (subject: Subject) => void;
  onClose: () => void;
}

const HOW_WORDS: Record<How, string> = {
  any: 'any of',
  all: 'all of',
  none: 'none of',
  known: 'is known',
  unknown: 'is not known',
  between: 'from… to',
  within: 'in the last',
  not_within: 'not for',
  longer_ago: 'more than',
  coming: 'in the next',
  on_days: 'on days',
  yes: 'yes',
  no: 'no',
  contains: 'contains',
  begins: 'begins with',
  is: 'is exactly',
  at: 'at these hours',
  inside: 'within the area',
  outside: 'outside the area',
};
const TIME_NONE: Partial<Record<How, string>> = { known: 'at any time', unknown: 'never' };

export function ConditionEditor(props: Props) {
  const { condition, subject, onChange, onRemove } = props;
  const [orElse, setOrElse] = useState(false);
  if (orElse) return <SubjectPicker fields={props.vocabulary.fields} about={props.about} onPick={props.onOr} />;
  if (!subject) {
    return (
      <Stack gap={2.5}>
        <Text as="p" tone="late">
          This refers to something that was deleted.
        </Text>
        <Button onClick={onRemove}>Remove</Button>
      </Stack>
    );
  }
  return (
    <Stack
      as="form"
      gap={2.5}
      onSubmit={(event) => {
        event.preventDefault();
        props.onClose();
      }}
    >
      <Text as="p" strong>
        {subject.label}
      </Text>
      <Select
        aria-label="How"
        value={condition.how}
        onChange={(event) => onChange(asked(condition, event.target.value as How, subject))}
      >
        {HOWS[subject.kind].map((how) => (
          <option key={how} value={how}>
            {(subject.kind === 'time' && TIME_NONE[how]) || HOW_WORDS[how]}
          </option>
        ))}
      </Select>
      <Answer {...props} subject={subject} />
      <Row>
        <Button type="submit" look="main">
          Done
        </Button>
        <Button onClick={() => setOrElse(true)}>or…</Button>
        <Button onClick={props.onNegate}>Not</Button>
        <Button look="warn" onClick={onRemove}>
          Remove
        </Button>
      </Row>
    </Stack>
  );
}

function Answer({ condition, subject, vocabulary, onChange }: Props & { subject: Subject }) {
  if ('of' in condition) return <Values condition={condition} subject={subject} vocabulary={vocabulary} onChange={onChange} />;
  if (condition.how === 'between') {
    const Bound = subject.money ? MoneyField : NumberField;
    const bound = (key: 'from' | 'to', label: string) => (
      <label>
        {label}{' '}
        <Bound label={label} value={condition[key] ?? null} onChange={(value) => onChange({ ...condition, [key]: value })} />
      </label>
    );
    return (
      <Row>
        {bound('from', 'from')} {bound('to', 'to')}{' '}
        <Text tone="soft" small>
          {subject.unit}
        </Text>
      </Row>
    );
  }
  if (condition.how === 'on_days') {
    const day = (key: 'from' | 'to', label: string) => (
      <label>
        {label}{' '}
        <DateField label={label} value={condition[key] ?? null} onChange={(day) => onChange({ ...condition, [key]: day })} />
      </label>
    );
    return (
      <Row>
        {day('from', 'from')} {day('to', 'to')}
      </Row>
    );
  }
  if (condition.how === 'inside' || condition.how === 'outside')
    return (
      <>
        <Row as="label">
          called{' '}
          <Input
            aria-label="Area name"
            placeholder="the old harbor"
            maxLength={80}
            value={condition.name}
            onChange={(event) => onChange({ ...condition, name: event.target.value })}
          />
        </Row>
        <MapView
          height={300}
          ring={condition.ring as [number, number][]}
          onRing={(ring) => onChange({ ...condition, ring: ring ?? [] })}
        />
      </>
    );
  if (condition.how === 'at') return <HoursFields hours={condition} onChange={(hours) => onChange({ ...condition, ...hours })} />;
  if ('n' in condition) {
    return (
      <Row>
        <CountField
          label="How many"
          max={10_000}
          width={80}
          value={condition.n}
          onChange={(n) => onChange({ ...condition, n })}
        />
        <Select
          aria-label="What for"
          value={condition.unit}
          onChange={(event) => onChange({ ...condition, unit: event.target.value as TimeUnit })}
        >
          {UNITS.filter((unit) => subject.kind === 'time' || !['minutes', 'hours'].includes(unit)).map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </Select>
        {condition.how === 'not_within' && (
          <Text tone="soft" small>
            or more, or never
          </Text>
        )}
      </Row>
    );
  }
  if ('text' in condition)
    return (
      <Input
        autoFocus
        aria-label="Text"
        value={condition.text}
        onChange={(event) => onChange({ ...condition, text: event.target.value })}
      />
    );
  return null;
}

type Several = Extract<Condition, { of: string[] }>;
/** Ticking values by their names; where values are words, others can be typed. */
function Values({
  condition,
  subject,
  vocabulary,
  onChange,
}: {
  condition: Several;
  subject: Subject;
  vocabulary: VocabularyView;
  onChange: (condition: Condition) => void;
}) {
  const [text, setText] = useState('');
  const field = vocabulary.fields.find(({ id }) => subject.key === `field:${id}`);
  const known = field
    ? field.choices.map((choice) => ({ value: choice, name: choice }))
    : ((subject.of && vocabulary.names[subject.of]) ?? []);
  const offered = subject.of === 'person' ? [{ value: 'me', name: 'me' }, ...known] : known;
  const free = !subject.of || ['source', 'town', 'postal'].includes(subject.of);
  const extra = condition.of
    .filter((value) => !offered.some((one) => one.value === value))
    .map((value) => ({ value, name: free ? value : 'gone' }));
  const shown = [...extra, ...offered].filter(({ name }) => name.toLowerCase().includes(text.toLowerCase()));
  const toggle = (value: string) =>
    onChange({
      ...condition,
      of: condition.of.includes(value) ? condition.of.filter((one) => one !== value) : [...condition.of, value],
    });
  const typed = text.trim();
  return (
    <>
      {(offered.length > 7 || free) && (
        <Input
          autoFocus
          aria-label="Find or type a value"
          placeholder={free ? 'Search, or type another and press Enter' : 'Find'}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || !typed) return;
            event.preventDefault();
            const hit =
              shown.length === 1 ? shown[0]!.value : shown.find(({ name }) => name.toLowerCase() === typed.toLowerCase())?.value;
            if (hit ?? free) toggle(hit ?? typed);
            setText('');
          }}
        />
      )}
      <Stack gap={0.5} scroll={260}>
        {shown.map(({ value, name }) => (
          <Checkbox key={value} checked={condition.of.includes(value)} onChange={() => toggle(value)}>
            {name}
          </Checkbox>
        ))}
        {!shown.length && (
          <Text as="p" tone="soft" small>
            {free && typed ? `Enter adds “${typed}”.` : 'No matches.'}
          </Text>
        )}
      </Stack>
    </>
  );
}
