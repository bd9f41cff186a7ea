'use client';
/** Changing the chosen step: when it is due, its words, whom it asks, what it changes. */
import type { FieldDef } from '@/core/segments';
import { capitalized } from '@/core/shared';
import Link from 'next/link';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import {
  TASK_ROLES,
  whenWords,
  type Ask,
  type ContactUpdate,
  type Step,
  type TaskRole,
  type ConversationStep,
  type TouchStep,
  type StepTiming,
} from '@/core/campaigns';
import { CHANNELS } from '@/core/contacts';
import { ASK_WORDS, DEFAULT_QUESTIONS, TALK_ASKS, type ConversationQuestion } from '@/core/conversations';
import { WordsEditor, useTemplates } from '../templates';
import { ask as fetchOne, NO_WORDS, useVocabulary } from '../primitives';
import { Sentence, useTags } from '../segments';
import { AroundDateFields, AtField, NumberField } from './fields';
import { CHANGE_WORDS } from './ruler';
import { useCampaigns } from './shapes';
import {
  Button,
  Field,
  GrabHandle,
  Heading,
  Input,
  Panel,
  Plainset,
  Row,
  Select,
  Sortable,
  Stack,
  Text,
  moved,
  useSortableItem,
} from '../kit';

interface Props<S> {
  step: S;
  readOnly: boolean;
  onChange: (step: Step) => void;
}
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
}: Props<Step> & { campaignId: string; errors: string[]; onRemove: () => void }) {
  const title = step.do === 'touch' ? CHANNELS[step.channel].name : KINDS[step.do].toLowerCase();
  return (
    <Panel as="section" aria-label="Selected step">
      <Stack gap={2.5}>
        <Row spread>
          <Heading>
            {capitalized(title)}, {whenWords(step.when)}
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
              <TextField
                size="small"
                label="What to do"
                value={step.note}
                onChange={(event) => onChange({ ...step, note: event.target.value })}
                slotProps={{ htmlInput: { maxLength: 500 } }}
              />
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

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
type WhenKind = 'start minutes' | 'start days' | 'last minutes' | 'last days' | 'date';
const kindOf = (when: StepTiming): WhenKind =>
  'date' in when ? 'date' : `${when.after} ${'minutes' in when ? 'minutes' : 'days'}`;
const whenOfKind = (kind: WhenKind): StepTiming => {
  if (kind === 'date') return { date: 'birthday', days: 0, at: '09:00' };
  const [after, unit] = kind.split(' ') as ['start' | 'last', 'minutes' | 'days'];
  return unit === 'minutes' ? { after, minutes: after === 'start' ? 0 : 60 } : { after, days: 1, at: '09:00' };
};

export function WhenFields({ when, onChange }: { when: StepTiming; onChange: (when: StepTiming) => void }) {
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
        <NumberField
          label="Minutes"
          max={5_256_000}
          value={when.minutes}
          onChange={(minutes) => onChange({ ...when, minutes })}
        />
      )}
      {'date' in when && <AroundDateFields around={when} onChange={onChange} />}
      {'after' in when && 'days' in when && (
        <>
          <NumberField label="Days" value={when.days} onChange={(days) => onChange({ ...when, days })} />
          <AtField at={when.at} onChange={(at) => onChange({ ...when, at })} />
        </>
      )}
      {'after' in when && 'days' in when && (
        <Row as="span" above={1} role="group" aria-label="Only on these days of the week">
          {DAYS.map((name, at) => {
            const on = when.on?.includes(at + 1) ?? false;
            return (
              <Button
                key={name}
                size="tiny"
                pressed={on}
                onClick={() => {
                  const days = on ? when.on!.filter((day) => day !== at + 1) : [...(when.on ?? []), at + 1].sort();
                  onChange({ after: when.after, days: when.days, at: when.at, ...(days.length ? { on: days } : {}) });
                }}
              >
                {name}
              </Button>
            );
          })}
        </Row>
      )}
    </Row>
  );
}

/** The words of a touch: its own, or those of a template or A/B test. */
function TouchWords({ step, readOnly, onChange }: Props<TouchStep>) {
  const { data: templates = [] } = useTemplates();
  const abTests = useQuery({
    queryKey: ['ab-tests'],
    queryFn: async () => (await fetchOne('GET /ab-tests')).items,
    staleTime: 30_000,
  });
  const own = templates.filter(({ channel }) => channel === step.channel);
  const between = (abTests.data ?? []).filter(({ channel }) => channel === step.channel);
  const from = step.from ?? null;
  const value = !from ? '' : 'template' in from ? `template ${from.template}` : `challenge ${from.challenge}`;
  const chosen = from && 'template' in from ? own.find(({ id }) => id === from.template) : null;
  const choose = (next: string) => {
    const [kind, id] = next.split(' ');
    if (kind === 'template')
      onChange({ ...step, from: { template: id! }, words: own.find((one) => one.id === id)?.words ?? step.words });
    else if (kind === 'challenge') onChange({ ...step, from: { challenge: id! } });
    else onChange({ ...step, from: null, words: chosen?.words ?? step.words });
  };
  return (
    <>
      {(own.length > 0 || between.length > 0 || from) && (
        <Row as="label" small above={1}>
          Words{' '}
          <Select aria-label="Message source" value={value} onChange={(event) => choose(event.target.value)}>
            <option value="">this step</option>
            {own.map(({ id, name }) => (
              <option key={id} value={`template ${id}`}>
                template “{name}”
              </option>
            ))}
            {between.map(({ id, name }) => (
              <option key={id} value={`challenge ${id}`}>
                A/B test “{name}”
              </option>
            ))}
          </Select>
        </Row>
      )}
      {from ? (
        <Text as="p" tone="soft" small>
          {'template' in from ? (
            <>
              Uses the template no change when the message goes out.{' '}
              <Link href={`/campaigns/templates/${from.template}`}>Edit template</Link>
            </>
          ) : (
            'Uses the template that the test picks, then the winner.'
          )}
        </Text>
      ) : (
        <WordsEditor
          channel={step.channel}
          words={step.words}
          readOnly={readOnly}
          onChange={(words) => onChange({ ...step, words })}
        />
      )}
    </>
  );
}

/** The questions of a conversation, in their order. */
function TalkFields({ step, readOnly, onChange }: Props<ConversationStep>) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const fields = vocabulary.fields.filter(({ kind }) => kind === 'text' || kind === 'flag');
  const put = (questions: ConversationQuestion[]) => onChange({ ...step, questions });
  const change = (at: number, next: ConversationQuestion) => put(step.questions.map((one, n) => (n === at ? next : one)));
  const free = TALK_ASKS.filter((asks) => !step.questions.some((one) => one.asks === asks));
  return (
    <>
      <Text as="p" tone="soft" small>
        It always says it’s an assistant. Anything it can’t understand, and anyone who asks for a person, goes straight to their
        agent.
      </Text>
      <Sortable
        id="questions"
        keys={step.questions.map(({ asks }) => asks)}
        nameOf={(asks) => ASK_WORDS[asks as ConversationQuestion['asks']]}
        onMove={(from, to) => put(moved(step.questions, from, to))}
      >
        {step.questions.map((question, at) => (
          <Question
            key={question.asks}
            question={question}
            at={at}
            fields={fields}
            readOnly={readOnly}
            onChange={(next) => change(at, next)}
            onRemove={() => put(step.questions.filter((_, n) => n !== at))}
          />
        ))}
      </Sortable>
      {!readOnly && free.length > 0 && (
        <Row above={1} role="group" aria-label="Add a question">
          {free.map((asks) => (
            <Button
              key={asks}
              size="tiny"
              onClick={() => put([...step.questions, { asks, words: DEFAULT_QUESTIONS[asks], fieldId: null }])}
            >
              ask {ASK_WORDS[asks]}
            </Button>
          ))}
        </Row>
      )}
    </>
  );
}

/** The kinds of change with what they take at first. */
function changeOf(
  set: ContactUpdate['set'],
  first: { tag?: string; user?: string; campaign?: string; stage?: string; field?: string },
): ContactUpdate {
  switch (set) {
    case 'tag':
    case 'untag':
      return { set, tagId: first.tag ?? '0' };
    case 'stage':
      return { set, stage: first.stage ?? 'talking' };
    case 'horizon':
      return { set, horizon: 'nurture' };
    case 'owner':
      return { set, userId: first.user ?? '0' };
    case 'task':
      return { set, note: 'Look at their file.' };
    case 'field':
      return { set, fieldId: first.field ?? '0', value: '' };
    case 'begin':
    case 'leave':
      return { set, campaignId: first.campaign ?? '0' };
  }
}

export function ChangeFields({
  change,
  campaignId,
  onChange,
}: {
  change: ContactUpdate;
  campaignId: string;
  onChange: (change: ContactUpdate) => void;
}) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const { data: tags = [] } = useTags();
  const { data: campaigns = [] } = useCampaigns();
  const users = useQuery({
    queryKey: ['users'],
    queryFn: async () => (await fetchOne('GET /users')).items,
    staleTime: 60_000,
  });
  const others = campaigns.filter(({ id }) => id !== campaignId);
  const agents = (users.data ?? []).filter(({ role }) => role !== 'lender');
  const choice = (
    label: string,
    value: string,
    options: readonly { value: string; name: string }[],
    put: (value: string) => void,
  ) => (
    <Select aria-label={label} value={value} onChange={(event) => put(event.target.value)}>
      {!options.some((one) => one.value === value) && <option value={value}>choose…</option>}
      {options.map((one) => (
        <option key={one.value} value={one.value}>
          {one.name}
        </option>
      ))}
    </Select>
  );
  return (
    <Row above={1}>
      <Select
        aria-label="What to change"
        value={change.set}
        onChange={(event) =>
          onChange(
            changeOf(event.target.value as ContactUpdate['set'], {
              tag: tags[0]?.id,
              user: agents[0]?.id,
              campaign: others[0]?.id,
              stage: vocabulary.names.stage?.[0]?.value,
              field: vocabulary.fields[0]?.id,
            }),
          )
        }
      >
        {Object.entries(CHANGE_WORDS).map(([set, name]) => (
          <option key={set} value={set}>
            {name}
          </option>
        ))}
      </Select>
      {(change.set === 'tag' || change.set === 'untag') &&
        choice(
          'Tag',
          change.tagId,
          tags.map(({ id, name }) => ({ value: id, name })),
          (tagId) => onChange({ ...change, tagId }),
        )}
      {change.set === 'stage' &&
        choice('Stage', change.stage, vocabulary.names.stage ?? [], (stage) => onChange({ ...change, stage }))}
      {change.set === 'horizon' &&
        choice('Horizon', change.horizon ?? '', [...(vocabulary.names.horizon ?? []), { value: '', name: 'none' }], (horizon) =>
          onChange({ ...change, horizon: horizon || null }),
        )}
      {change.set === 'owner' &&
        choice(
          'Agent',
          change.userId,
          agents.map(({ id, name }) => ({ value: id, name })),
          (userId) => onChange({ ...change, userId }),
        )}
      {change.set === 'task' && (
        <Input
          width={220}
          aria-label="What to do"
          value={change.note}
          maxLength={500}
          onChange={(event) => onChange({ ...change, note: event.target.value })}
        />
      )}
      {change.set === 'field' && (
        <>
          {choice(
            'Field',
            change.fieldId,
            vocabulary.fields.map(({ id, name }) => ({ value: id, name })),
            (fieldId) => onChange({ ...change, fieldId }),
          )}
          <Input
            aria-label="Value of the field"
            placeholder="empty"
            value={change.value}
            maxLength={500}
            onChange={(event) => onChange({ ...change, value: event.target.value })}
          />
        </>
      )}
      {(change.set === 'begin' || change.set === 'leave') &&
        choice(
          'Campaign',
          change.campaignId,
          others.map(({ id, name }) => ({ value: id, name })),
          (one) => onChange({ ...change, campaignId: one }),
        )}
    </Row>
  );
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

/** One question of a conversation: its words, where the answer is saved too, its place. */
function Question({
  question,
  at,
  fields,
  readOnly,
  onChange,
  onRemove,
}: {
  question: ConversationQuestion;
  at: number;
  fields: readonly FieldDef[];
  readOnly: boolean;
  onChange: (question: ConversationQuestion) => void;
  onRemove: () => void;
}) {
  const { item, handle } = useSortableItem(question.asks);
  return (
    <div {...item}>
      <Field label={`${at + 1}. Asks ${ASK_WORDS[question.asks]}`}>
        {(control) => (
          <Input
            {...control}
            width="100%"
            value={question.words}
            maxLength={300}
            onChange={(event) => onChange({ ...question, words: event.target.value })}
          />
        )}
      </Field>
      <Row ruled small>
        {!readOnly && <GrabHandle name={ASK_WORDS[question.asks]} handle={handle} />}
        {fields.length > 0 && (
          <label>
            also save to{' '}
            <Select
              aria-label={`The field for ${ASK_WORDS[question.asks]}`}
              value={question.fieldId ?? ''}
              onChange={(event) => onChange({ ...question, fieldId: event.target.value || null })}
            >
              <option value="">no field</option>
              {fields.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          </label>
        )}
        {!readOnly && (
          <Button size="tiny" aria-label={`Don’t ask ${ASK_WORDS[question.asks]}`} onClick={onRemove}>
            Remove
          </Button>
        )}
      </Row>
    </div>
  );
}
