'use client';
/** Changing a campaign on its day ruler: nothing counts until it is kept as a version; the people in it stay with theirs or move. */
import { useMemo, useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  added,
  copied,
  daysOf,
  emptyStep,
  planErrors,
  mapSteps,
  replaced,
  stepsIn,
  type BranchStep,
  type Plan,
  type Step,
} from '@/core/campaigns';
import { type Channel } from '@/core/contacts';
import { ask, useUndoHistory, useFormat } from '../primitives';
import { State } from './campaigns';
import { ForecastBox } from './forecast';
import { AskWords, Frame } from './frame';
import { SaveVersionDialog } from './save-version-dialog';
import { Ruler } from './ruler';
import { StepFields } from './step-fields';
import { Preview } from '../templates';
import { STATE_WORDS, type Campaign } from './shapes';
import {
  Aside,
  Button,
  EmptyState,
  ErrorMessage,
  Heading,
  Input,
  LinkButton,
  Row,
  Split,
  SplitSide,
  Stack,
  Text,
  useToast,
} from '../kit';

export function CampaignEditor({ first }: { first: Campaign }) {
  const format = useFormat();
  const { data: campaign } = useQuery({
    queryKey: ['campaigns', first.id],
    queryFn: () => ask('GET /campaigns/{id}', { params: { id: first.id } }),
    initialData: first,
  });
  const { draft, change, put, back, forward, mayBack, mayForward, onKeyDown } = useUndoHistory<Plan>(first.plan);
  const [chosen, setChosen] = useState<number | null>(first.plan.steps[0]?.id ?? null);
  const [keeping, setKeeping] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const may = campaign.may_change;
  const errors = useMemo(() => planErrors(draft), [draft]);
  const faulty = new Set(errors.flatMap(({ field }) => (field.startsWith('steps.') ? [Number(field.slice(6))] : [])));
  const changed = JSON.stringify(draft) !== JSON.stringify(campaign.plan);
  const all = stepsIn(draft.steps);
  const step = all.find(({ id }) => id === chosen) ?? null;
  const steps = (next: Step[]) => change({ ...draft, steps: next });
  const save = useMutation({
    mutationFn: (people: 'stay' | 'move') =>
      ask('PUT /campaigns/{id}/plan', { params: { id: campaign.id }, body: { plan: draft, seen: campaign.version.id, people } }),
    onSuccess: (saved, people) => {
      queries.setQueryData(['campaigns', campaign.id], saved);
      put(saved.plan);
      setKeeping(false);
      toast.tell(
        saved.active === 0
          ? 'Saved.'
          : people === 'move'
            ? `Saved as version ${saved.version.number}. All ${format.number(saved.active)} continue with it.`
            : `Saved as version ${saved.version.number}. People already enrolled keep their version; new people get this one.`,
      );
    },
  });
  const tryAll = useMutation({
    mutationFn: () =>
      ask('POST /messages/try', {
        body: {
          trials: all.flatMap((one) => (one.do === 'touch' ? [{ channel: one.channel, words: one.words }] : [])),
        },
      }),
    onSuccess: ({ sent }) =>
      toast.tell(`${sent === 1 ? 'One message is' : `All ${sent} messages are`} on the way to your own phone and mailbox.`),
    onError: toast.fail,
  });
  const wayChange = (branch: BranchStep, way: 'yes' | 'no') => (list: Step[]) =>
    steps(mapSteps(draft.steps, (one) => (one.id === branch.id && one.do === 'branch' ? { ...one, [way]: list } : one)));
  const add = (way: { branch: number; way: 'yes' | 'no' } | null) => (lane: Channel | 'other', day: number) => {
    const made = emptyStep(draft.steps, lane === 'other' ? 'task' : lane, day, campaign.free_id);
    steps(added(draft.steps, made, way));
    setChosen(made.id);
  };
  /** Ids are given once among all steps, so a way is copied on by the whole plan. */
  const copy = may ? (id: number) => steps(copied(draft.steps, id, campaign.free_id)) : undefined;
  const shared = { onCopy: copy, counts: campaign.steps, chosen, errors: faulty, onChoose: setChosen };
  const days = daysOf(draft.steps);
  return (
    <div onKeyDown={onKeyDown}>
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>
            <Name campaign={campaign} />
          </Heading>
          <Text as="p" tone="soft">
            {format.number(campaign.active)} in it · version {campaign.version.number} ·{' '}
            {STATE_WORDS[campaign.state].toLowerCase()}
            {campaign.on_earlier > 0 && ` · ${format.number(campaign.on_earlier)} go on on an earlier version`}
          </Text>
        </div>
        <Row above={1}>
          <State campaign={campaign} />
          <Button
            title="Send every message to your own phone and inbox"
            disabled={tryAll.isPending || !all.some((one) => one.do === 'touch')}
            onClick={() => tryAll.mutate()}
          >
            Send me a test
          </Button>
          <LinkButton href="/campaigns">All campaigns</LinkButton>
          {may && (
            <>
              <Button disabled={!mayBack} onClick={back} title="Undo (Ctrl+Z)">
                Undo
              </Button>
              <Button disabled={!mayForward} onClick={forward} title="Redo (Ctrl+Shift+Z)">
                Redo
              </Button>
              <Button
                look="main"
                disabled={!changed || save.isPending || (campaign.state !== 'draft' && errors.length > 0)}
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
      <ErrorMessage error={save.error} named />
      {errors
        .filter(({ field }) => !field.startsWith('steps.'))
        .map(({ field, message }) => (
          <Text as="p" tone="late" key={field} role="status">
            {message}
          </Text>
        ))}
      <Split side="minmax(300px, 400px)">
        <Stack>
          <Ruler
            {...shared}
            label="Campaign timeline"
            steps={draft.steps}
            onChange={may ? steps : undefined}
            onAdd={may ? add(null) : undefined}
          />
          {all
            .filter((one): one is BranchStep => one.do === 'branch')
            .map((branch) => (
              <Aside as="section" key={branch.id} aria-label={`Branch on day ${days.get(branch.id)}`}>
                <Heading>
                  Day {days.get(branch.id)}: <AskWords ask={branch.ask} />
                </Heading>
                {(['yes', 'no'] as const).map((way) => (
                  <Stack gap={1} key={way}>
                    <Text tone="soft" small>
                      {way === 'yes' ? 'If yes' : 'If no'}
                    </Text>
                    <Ruler
                      {...shared}
                      label={`${way === 'yes' ? 'If yes' : 'If no'}, day ${days.get(branch.id)}`}
                      from={days.get(branch.id)}
                      steps={branch[way]}
                      onChange={may ? wayChange(branch, way) : undefined}
                      onAdd={may ? add({ branch: branch.id, way }) : undefined}
                    />
                  </Stack>
                ))}
              </Aside>
            ))}
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
                onChange={(next) => steps(replaced(draft.steps, next))}
                onRemove={() => {
                  steps(mapSteps(draft.steps, (one) => (one.id === step.id ? null : one)));
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
