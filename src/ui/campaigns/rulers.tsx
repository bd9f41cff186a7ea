'use client';
/** The day ruler of a campaign, and one more for each way where ways part. */
import { added, copied, daysOf, emptyStep, mapSteps, stepsIn, type BranchStep, type Step } from '@/core/campaigns';
import type { FieldError } from '@/core/shared';
import type { Channel } from '@/core/contacts';
import { AskWords } from './frame';
import { Ruler } from './ruler';
import type { Campaign } from './shapes';
import { Aside, Heading, Stack, Text } from '../kit';

const WAYS = [
  ['yes', 'If yes'],
  ['no', 'If no'],
] as const;

/** @param onChange none when it may only be looked at */
export function Rulers({
  campaign,
  steps,
  errors,
  chosen,
  onChoose,
  onChange,
}: {
  campaign: Campaign;
  steps: Step[];
  errors: FieldError[];
  chosen: number | null;
  onChoose: (id: number | null) => void;
  onChange?: (steps: Step[]) => void;
}) {
  const faulty = new Set(errors.flatMap(({ field }) => (field.startsWith('steps.') ? [Number(field.slice(6))] : [])));
  const days = daysOf(steps);
  const add = (way: { branch: number; way: 'yes' | 'no' } | null) =>
    onChange &&
    ((lane: Channel | 'other', day: number) => {
      const made = emptyStep(steps, lane === 'other' ? 'task' : lane, day, campaign.free_id);
      onChange(added(steps, made, way));
      onChoose(made.id);
    });
  const wayChange = (branch: BranchStep, way: 'yes' | 'no') =>
    onChange &&
    ((list: Step[]) =>
      onChange(mapSteps(steps, (one) => (one.id === branch.id && one.do === 'branch' ? { ...one, [way]: list } : one))));
  /* Ids are given once among all steps, so a way is copied on by the whole plan. */
  const onCopy = onChange && ((id: number) => onChange(copied(steps, id, campaign.free_id)));
  const shared = { onCopy, counts: campaign.steps, chosen, errors: faulty, onChoose };
  return (
    <>
      <Ruler {...shared} label="Campaign timeline" steps={steps} onChange={onChange} onAdd={add(null)} />
      {stepsIn(steps)
        .filter((one): one is BranchStep => one.do === 'branch')
        .map((branch) => (
          <Aside as="section" key={branch.id} aria-label={`Branch on day ${days.get(branch.id)}`}>
            <Heading>
              Day {days.get(branch.id)}: <AskWords ask={branch.ask} />
            </Heading>
            {WAYS.map(([way, name]) => (
              <Stack gap={1} key={way}>
                <Text tone="soft" small>
                  {name}
                </Text>
                <Ruler
                  {...shared}
                  label={`${name}, day ${days.get(branch.id)}`}
                  from={days.get(branch.id)}
                  steps={branch[way]}
                  onChange={wayChange(branch, way)}
                  onAdd={add({ branch: branch.id, way })}
                />
              </Stack>
            ))}
          </Aside>
        ))}
    </>
  );
}
