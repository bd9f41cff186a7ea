'use client';
/** What stands around the steps: for whom a campaign is, what begins it, how it repeats, what ends it. */
import type { Ask, ContactUpdate, Plan, Start } from '@/core/campaigns';
import { CONTACT_ROLES, ROLE_NAMES } from '@/core/contacts';
import { segmentSentence } from '@/core/segments';
import { nameIn, NO_WORDS, useVocabulary } from '../primitives';
import { Sentence } from '../segments';
import { AroundDateFields, AtField, DaysField } from './fields';
import { ChangeFields } from './change-fields';
import { Button, Checkbox, Heading, Input, Plainset, Row, Select, Text } from '../kit';

/** What is asked where ways part, in words. */
export function AskWords({ ask }: { ask: Ask }) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  switch (ask.about) {
    case 'answered':
      return <>have they answered?</>;
    case 'opened':
      return <>have they opened an email?</>;
    case 'has_phone':
      return <>do we have a phone number?</>;
    case 'has_email':
      return <>do we have an email address?</>;
    case 'segment':
      return <>{segmentSentence(ask.tree, nameIn(vocabulary), vocabulary.fields) || 'everybody'}?</>;
  }
}

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

export function Frame({ plan, readOnly, onChange }: { plan: Plan; readOnly: boolean; onChange: (plan: Plan) => void }) {
  const set = (patch: Partial<Plan>) => onChange({ ...plan, ...patch });
  return (
    <Plainset disabled={readOnly}>
      <section aria-label="Audience">
        <Heading>Audience</Heading>
        <Row above={1} role="group" aria-label="Roles">
          {CONTACT_ROLES.map((role) => {
            const on = plan.roles.includes(role);
            return (
              <Button
                key={role}
                size="tiny"
                pressed={on}
                onClick={() => set({ roles: on ? plan.roles.filter((one) => one !== role) : [...plan.roles, role] })}
              >
                {ROLE_NAMES[role]}
              </Button>
            );
          })}
          {plan.roles.length === 0 && (
            <Text tone="soft" small>
              all roles
            </Text>
          )}
        </Row>
        <Sentence
          tree={plan.who ?? { all: [] }}
          label="Audience"
          onChange={(tree) => set({ who: 'all' in tree && !tree.all.length ? null : tree })}
        />
        <Checkbox checked={plan.anyStage} onChange={(event) => set({ anyStage: event.target.checked })}>
          Include current and past clients
        </Checkbox>
      </section>
      <section aria-label="When it starts">
        <Heading>When it starts</Heading>
        <Text as="p" tone="soft" small>
          You can always add people yourself, from a rung, or from a lead source. It can also start:
        </Text>
        {plan.starts.map((start, at) => (
          <Row ruled key={at}>
            <StartFields
              start={start}
              onChange={(next) => set({ starts: plan.starts.map((one, n) => (n === at ? next : one)) })}
            />
            <Button
              size="tiny"
              aria-label={`Remove: ${START_NAMES[start.on]}`}
              onClick={() => set({ starts: plan.starts.filter((_, n) => n !== at) })}
            >
              Remove
            </Button>
          </Row>
        ))}
        <Row above={1}>
          {(Object.keys(START_NAMES) as Start['on'][]).map((on) => (
            <Button key={on} size="tiny" onClick={() => set({ starts: [...plan.starts, firstStart(on)] })}>
              + {START_NAMES[on].toLowerCase()}
            </Button>
          ))}
        </Row>
      </section>
      <section aria-label="When it ends">
        <Heading>When it ends</Heading>
        <Row above={1}>
          A reply or a conversation
          <Select
            aria-label="What a reply does"
            value={plan.ends.answered}
            onChange={(event) => set({ ends: { ...plan.ends, answered: event.target.value as Plan['ends']['answered'] } })}
          >
            <option value="end">ends it</option>
            <option value="pause">pauses it</option>
            <option value="on">doesn’t change it</option>
          </Select>
          {plan.ends.answered === 'pause' && (
            <>
              for
              <DaysField
                label="Days to pause"
                min={1}
                max={365}
                value={plan.ends.pauseDays}
                onChange={(pauseDays) => set({ ends: { ...plan.ends, pauseDays } })}
              />
              days
            </>
          )}
        </Row>
        {plan.ends.answered !== 'on' && (
          <>
            {plan.ends.then.map((change, at) => (
              <Row above={1} key={at}>
                and then
                <ChangeFields
                  change={change}
                  campaignId=""
                  onChange={(next) =>
                    set({ ends: { ...plan.ends, then: plan.ends.then.map((one, n) => (n === at ? next : one)) } })
                  }
                />
                <Button
                  size="tiny"
                  onClick={() => set({ ends: { ...plan.ends, then: plan.ends.then.filter((_, n) => n !== at) } })}
                >
                  Remove
                </Button>
              </Row>
            ))}
            <Button
              size="tiny"
              onClick={() =>
                set({
                  ends: { ...plan.ends, then: [...plan.ends.then, { set: 'horizon', horizon: 'warm' } satisfies ContactUpdate] },
                })
              }
            >
              + and then…
            </Button>
          </>
        )}
        <Text as="p" tone="soft" small>
          It always ends when they opt out
          {plan.anyStage ? '' : ', and when their stage says that already a client'}.
        </Text>
        <Row above={1}>
          When no touch can reach them, it
          <Select
            aria-label="When no touch can reach them"
            value={plan.ends.unreachable}
            onChange={(event) => set({ ends: { ...plan.ends, unreachable: event.target.value as Plan['ends']['unreachable'] } })}
          >
            <option value="end">ends</option>
            <option value="on">goes on</option>
          </Select>
        </Row>
        <Row above={1}>
          A touch that can’t go at its time
          <Select
            aria-label="When a touch is held"
            value={plan.held}
            onChange={(event) => set({ held: event.target.value as Plan['held'] })}
          >
            <option value="move">waits until it can</option>
            <option value="lapse">is skipped</option>
          </Select>
        </Row>
        <Checkbox
          checked={plan.repeat !== null}
          onChange={(event) => set({ repeat: event.target.checked ? { days: 30, times: null } : null })}
        >
          It repeats
        </Checkbox>
        {plan.repeat && (
          <Row above={1}>
            every
            <DaysField
              label="Days between repeats"
              min={1}
              value={plan.repeat.days}
              onChange={(days) => set({ repeat: { ...plan.repeat!, days } })}
            />
            days,
            <Select
              aria-label="How often"
              value={plan.repeat.times === null ? 'ever' : 'times'}
              onChange={(event) => set({ repeat: { ...plan.repeat!, times: event.target.value === 'ever' ? null : 12 } })}
            >
              <option value="ever">forever</option>
              <option value="times">this many times:</option>
            </Select>
            {plan.repeat.times !== null && (
              <DaysField
                label="Times"
                min={1}
                max={1_000}
                value={plan.repeat.times}
                onChange={(times) => set({ repeat: { ...plan.repeat!, times } })}
              />
            )}
          </Row>
        )}
      </section>
    </Plainset>
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
          <Input
            aria-label="Month and day, such as 12-10"
            placeholder="12-10"
            pattern="(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])"
            width={80}
            value={start.day}
            onChange={(event) => onChange({ ...start, day: event.target.value })}
          />
          <AtField at={start.at} onChange={(at) => onChange({ ...start, at })} />
        </>
      );
  }
}
