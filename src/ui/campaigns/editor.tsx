'use client';
/** Changing a campaign on its day ruler: nothing counts until it is kept as a version; the people in it stay with theirs or move. */
import { useMemo, useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { mapSteps, planErrors, replaced, stepsIn, type Plan, type Step } from '@/core/campaigns';
import type { FieldError } from '@/core/shared';
import { ask, useFormat, useUndoHistory } from '../primitives';
import { Preview } from '../templates';
import { State } from './campaigns';
import { ForecastBox } from './forecast';
import { Frame } from './frame';
import { Rulers } from './rulers';
import { SaveVersionDialog } from './save-version-dialog';
import { StepFields } from './step-fields';
import { STATE_WORDS, type Campaign } from './shapes';
import {
  Button,
  EmptyState,
  ErrorMessage,
  Heading,
  HistoryButtons,
  Input,
  LinkButton,
  Row,
  Split,
  SplitSide,
  Stack,
  Text,
  UnsavedNotice,
  useToast,
} from '../kit';

export function CampaignEditor({ first }: { first: Campaign }) {
  const { data: campaign } = useQuery({
    queryKey: ['campaigns', first.id],
    queryFn: () => ask('GET /campaigns/{id}', { params: { id: first.id } }),
    initialData: first,
  });
  const history = useUndoHistory<Plan>(`campaign_${first.id}`, first.plan);
  const { draft, change } = history;
  const [chosen, setChosen] = useState<number | null>(first.plan.steps[0]?.id ?? null);
  const [keeping, setKeeping] = useState(false);
  const may = campaign.may_change;
  const errors = useMemo(() => planErrors(draft), [draft]);
  const step = stepsIn(draft.steps).find(({ id }) => id === chosen) ?? null;
  const setSteps = (steps: Step[]) => change({ ...draft, steps });
  const save = useSave(campaign, draft, (saved) => {
    history.saved(saved);
    setKeeping(false);
  });
  return (
    <div onKeyDown={history.onKeyDown}>
      <Row spread align="end" gap={4}>
        <Title campaign={campaign} />
        <Row above={1}>
          <State campaign={campaign} />
          <SendTest steps={stepsIn(draft.steps)} />
          <LinkButton href="/campaigns">All campaigns</LinkButton>
          {may && (
            <>
              <HistoryButtons history={history} />
              <Button
                look="main"
                disabled={
                  JSON.stringify(draft) === JSON.stringify(campaign.plan) ||
                  save.isPending ||
                  (campaign.state !== 'draft' && errors.length > 0)
                }
                onClick={() => (campaign.active ? setKeeping(true) : save.mutate('stay'))}
              >
                Save
              </Button>
            </>
          )}
        </Row>
      </Row>
      {!may && (
        <Text as="p" tone="soft">
          Only office managers can change this campaign. Copy it to make your own.
        </Text>
      )}
      <UnsavedNotice history={history} />
      <ErrorMessage error={save.error} named />
      <PlanErrors errors={errors} />
      <Split side="minmax(300px, 400px)">
        <Stack>
          <Rulers
            campaign={campaign}
            steps={draft.steps}
            errors={errors}
            chosen={chosen}
            onChoose={setChosen}
            onChange={may ? setSteps : undefined}
          />
          <ForecastBox campaign={campaign} plan={draft} />
          <Frame plan={draft} readOnly={!may} onChange={change} />
        </Stack>
        <SplitSide>
          {step ? (
            <>
              <StepFields
                key={step.id}
                step={step}
                campaignId={campaign.id}
                errors={errors.filter(({ field }) => field === `steps.${step.id}`).map(({ message }) => message)}
                readOnly={!may}
                onChange={(next) => setSteps(replaced(draft.steps, next))}
                onRemove={() => {
                  setSteps(mapSteps(draft.steps, (one) => (one.id === step.id ? null : one)));
                  setChosen(null);
                }}
              />
              {step.do === 'touch' && <Preview channel={step.channel} words={step.words} />}
            </>
          ) : (
            <EmptyState>Choose a step, or add one with the + on a day.</EmptyState>
          )}
        </SplitSide>
      </Split>
      {keeping && (
        <SaveVersionDialog
          campaign={campaign}
          plan={draft}
          busy={save.isPending}
          onSave={(people) => save.mutate(people)}
          onClose={() => setKeeping(false)}
        />
      )}
    </div>
  );
}

/** Keeps the draft as a version; the people in it stay with theirs or move to it. */
function useSave(campaign: Campaign, plan: Plan, onSaved: (plan: Plan) => void) {
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  return useMutation({
    mutationFn: (people: 'stay' | 'move') =>
      ask('PUT /campaigns/{id}/plan', { params: { id: campaign.id }, body: { plan, seen: campaign.version.id, people } }),
    onSuccess: (saved, people) => {
      queries.setQueryData(['campaigns', campaign.id], saved);
      onSaved(saved.plan);
      toast.tell(
        saved.active === 0
          ? 'Saved.'
          : people === 'move'
            ? `Saved as version ${saved.version.number}. All ${format.number(saved.active)} continue with it.`
            : `Saved as version ${saved.version.number}. People already enrolled keep their version; new people get this one.`,
      );
    },
  });
}

function Title({ campaign }: { campaign: Campaign }) {
  const format = useFormat();
  return (
    <div>
      <Heading level={1}>
        <Name campaign={campaign} />
      </Heading>
      <Text as="p" tone="soft">
        {format.number(campaign.active)} enrolled · version {campaign.version.number} ·{' '}
        {STATE_WORDS[campaign.state].toLowerCase()}
        {campaign.on_earlier > 0 && ` · ${format.number(campaign.on_earlier)} on an earlier version`}
      </Text>
    </div>
  );
}

/** Every message of it to oneself. */
function SendTest({ steps }: { steps: Step[] }) {
  const toast = useToast();
  const send = useMutation({
    mutationFn: () =>
      ask('POST /messages/try', {
        body: { trials: steps.flatMap((one) => (one.do === 'touch' ? [{ channel: one.channel, words: one.words }] : [])) },
      }),
    onSuccess: ({ sent }) =>
      toast.tell(`${sent === 1 ? 'One message is' : `All ${sent} messages are`} on the way to your own phone and mailbox.`),
    onError: toast.fail,
  });
  return (
    <Button
      title="Send every message to your own phone and inbox"
      disabled={send.isPending || !steps.some((one) => one.do === 'touch')}
      onClick={() => send.mutate()}
    >
      Send me a test
    </Button>
  );
}

/** What is wrong with the whole of it; what is wrong with a step stands at the step. */
const PlanErrors = ({ errors }: { errors: FieldError[] }) =>
  errors
    .filter(({ field }) => !field.startsWith('steps.'))
    .map(({ field, message }) => (
      <Text as="p" tone="late" key={field} role="status">
        {message}
      </Text>
    ));

/** The name, changed where it stands. */
function Name({ campaign }: { campaign: Campaign }) {
  const [name, setName] = useState<string | null>(null);
  const queries = useQueryClient();
  const toast = useToast();
  const set = useMutation({
    mutationFn: (next: string) => ask('PATCH /campaigns/{id}', { params: { id: campaign.id }, body: { name: next } }),
    onSuccess: () => {
      setName(null);
      void queries.invalidateQueries({ queryKey: ['campaigns'] });
    },
    onError: toast.fail,
  });
  if (!campaign.may_change) return campaign.name;
  const leave = () => {
    if (name === null) return;
    if (name.trim() && name.trim() !== campaign.name) set.mutate(name.trim());
    else setName(null);
  };
  return (
    <Input
      look="title"
      aria-label="Name of the campaign"
      value={name ?? campaign.name}
      maxLength={80}
      onChange={(event) => setName(event.target.value)}
      onBlur={leave}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setName(null);
      }}
    />
  );
}
