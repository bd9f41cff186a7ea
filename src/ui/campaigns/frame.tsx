'use client';
/** What stands around the steps: for whom a campaign is, what begins it, what ends it. */
import type { Ask, Plan } from '@/core/campaigns';
import { CONTACT_ROLES, ROLE_NAMES } from '@/core/contacts';
import { segmentSentence } from '@/core/segments';
import { nameIn, NO_WORDS, useFormat, useVocabulary } from '../primitives';
import { Sentence } from '../segments';
import { Ends } from './ends';
import { Starts } from './starts';
import { Button, Checkbox, Heading, Plainset, Row, Text } from '../kit';

/** What is asked where ways part, in words. */
export function AskWords({ ask }: { ask: Ask }) {
  const format = useFormat();
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
      return <>{segmentSentence(ask.tree, nameIn(vocabulary), vocabulary.fields, format) || 'everybody'}?</>;
  }
}

export function Frame({ plan, readOnly, onChange }: { plan: Plan; readOnly: boolean; onChange: (plan: Plan) => void }) {
  const set = (patch: Partial<Plan>) => onChange({ ...plan, ...patch });
  return (
    <Plainset disabled={readOnly}>
      <Audience plan={plan} set={set} />
      <Starts starts={plan.starts} onChange={(starts) => set({ starts })} />
      <Ends plan={plan} set={set} />
    </Plainset>
  );
}

function Audience({ plan, set }: { plan: Plan; set: (patch: Partial<Plan>) => void }) {
  return (
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
  );
}
