'use client';
/** Changing the chosen step: when it is due, its words, whom it asks, what it changes. */
import { capitalized } from '@/core/shared';
import { TASK_ROLES, whenWords, type Ask, type Step, type TaskRole } from '@/core/campaigns';
import { CHANNELS } from '@/core/contacts';
import { DEFAULT_QUESTIONS, TALK_ASKS } from '@/core/conversations';
import { useFormat } from '../primitives';
import { Sentence } from '../segments';
import { ChangeFields } from './change-fields';
import { TalkFields } from './talk-fields';
import { TouchWords } from './touch-words';
import { WhenFields } from './when-fields';
import { Button, Field, Heading, Input, Panel, Plainset, Row, Select, Stack, Text } from '../kit';

type OtherKind = 'task' | 'change' | 'branch' | 'talk';
const KINDS: Record<OtherKind, string> = {
  talk: 'Qualifying conversation by text',
  task: 'Task',
  change: 'Change contact',
  branch: 'If / then',
};
const TASK_ROLE_NAMES: Record<TaskRole, string> = {
  owner: 'their agent',
  caller: 'a caller',
  lender: 'a lender',
  admin: 'the office manager',
};

export function StepFields({
  step,
  campaignId,
  errors,
  readOnly,
  onChange,
  onRemove,
}: {
  step: Step;
  campaignId: string;
  errors: string[];
  readOnly: boolean;
  onChange: (step: Step) => void;
  onRemove: () => void;
}) {
  const format = useFormat();
  const title = step.do === 'touch' ? CHANNELS[step.channel].name : KINDS[step.do].toLowerCase();
  return (
    <Panel as="section" aria-label="Selected step">
      <Stack gap={2.5}>
        <Row spread>
          <Heading>
            {capitalized(title)}, {whenWords(step.when, format.clockTime)}
          </Heading>
          {!readOnly && (
            <Button size="tiny" onClick={onRemove}>
              Remove
            </Button>
          )}
        </Row>
        {errors.map((message) => (
          <Text as="p" tone="late" small key={message} role="status">
            {message}
          </Text>
        ))}
        <Plainset disabled={readOnly}>
          {step.do !== 'touch' && (
            <Row as="label" above={1}>
              <Select
                aria-label="What this step does"
                value={step.do}
                onChange={(event) => onChange(otherKind(step, event.target.value as OtherKind))}
              >
                {(['task', 'change', 'branch', 'talk'] as const).map((kind) => (
                  <option key={kind} value={kind}>
                    {KINDS[kind]}
                  </option>
                ))}
              </Select>
            </Row>
          )}
          <WhenFields when={step.when} onChange={(when) => onChange({ ...step, when })} />
          {step.do === 'touch' && <TouchWords step={step} readOnly={readOnly} onChange={onChange} />}
          {step.do === 'task' && (
            <>
              <Row as="label" above={1}>
                for{' '}
                <Select value={step.role} onChange={(event) => onChange({ ...step, role: event.target.value as TaskRole })}>
                  {TASK_ROLES.map((role) => (
                    <option key={role} value={role}>
                      {TASK_ROLE_NAMES[role]}
                    </option>
                  ))}
                </Select>
              </Row>
              <Field label="What to do">
                {(control) => (
                  <Input
                    {...control}
                    width="100%"
                    value={step.note}
                    maxLength={500}
                    onChange={(event) => onChange({ ...step, note: event.target.value })}
                  />
                )}
              </Field>
            </>
          )}
          {step.do === 'change' && (
            <ChangeFields change={step.change} campaignId={campaignId} onChange={(change) => onChange({ ...step, change })} />
          )}
          {step.do === 'talk' && <TalkFields step={step} readOnly={readOnly} onChange={onChange} />}
          {step.do === 'branch' && <AskFields ask={step.ask} onChange={(ask) => onChange({ ...step, ask })} />}
        </Plainset>
      </Stack>
    </Panel>
  );
}

function otherKind({ id, when }: Step, kind: OtherKind): Step {
  if (kind === 'talk')
    return {
      id,
      when,
      do: 'talk',
      questions: TALK_ASKS.map((asks) => ({ asks, words: DEFAULT_QUESTIONS[asks], fieldId: null })),
    };
  if (kind === 'task') return { id, when, do: 'task', role: 'owner', note: '' };
  if (kind === 'change') return { id, when, do: 'change', change: { set: 'horizon', horizon: 'nurture' } };
  return { id, when, do: 'branch', ask: { about: 'has_phone' }, yes: [], no: [] };
}

function AskFields({ ask, onChange }: { ask: Ask; onChange: (ask: Ask) => void }) {
  return (
    <>
      <Select
        aria-label="Condition"
        value={ask.about}
        onChange={(event) => {
          const about = event.target.value as Ask['about'];
          onChange(about === 'segment' ? { about, tree: { all: [] } } : { about });
        }}
      >
        <option value="answered">Have they answered since it started?</option>
        <option value="opened">Have they opened an email since it started?</option>
        <option value="has_phone">Do we have a phone number?</option>
        <option value="has_email">Do we have an email address?</option>
        <option value="segment">Any condition…</option>
      </Select>
      {ask.about === 'segment' && (
        <Sentence tree={ask.tree} label="Whether this applies" onChange={(tree) => onChange({ about: 'segment', tree })} />
      )}
    </>
  );
}
