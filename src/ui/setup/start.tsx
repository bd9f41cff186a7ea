'use client';
/** Setup → Start: the first steps, each with what the data says of it, and what does not work yet. */
import { useState } from 'react';
import { Check } from 'lucide-react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { StartStep, StartStepKey } from '@/core/accounts';
import { ask } from '../primitives';
import { TestLeadDialog } from '../capture';
import { Button, LinkButton, ListLine, Row, Skeleton, Text, useToast } from '../kit';
import { Block } from './block';

export function Start() {
  const queries = useQueryClient();
  const toast = useToast();
  const [testing, setTesting] = useState(false);
  const { data } = useQuery({ queryKey: ['start'], queryFn: () => ask('GET /start'), refetchOnMount: 'always' });
  const skip = useMutation({
    mutationFn: (skipped: StartStepKey[]) => ask('PATCH /settings', { body: { skipped_steps: skipped } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['start'] }),
    onError: toast.fail,
  });
  if (!data) return <Skeleton lines={6} height={40} label="Loading the first steps" />;
  const { steps, gaps } = data;
  const skipped = steps.filter(({ state }) => state === 'skipped').map(({ key }) => key);
  const left = steps.filter(({ state }) => state === 'open').length;
  return (
    <>
      <Block title="First steps" note={left ? `${left} of ${steps.length} to go. Skip what you don’t need.` : 'You’re all set.'}>
        {steps.map((step) => (
          <StepLine
            key={step.key}
            step={step}
            onTest={() => setTesting(true)}
            onSkip={(is) => skip.mutate(is ? [...skipped, step.key] : skipped.filter((key) => key !== step.key))}
          />
        ))}
      </Block>
      {gaps.length > 0 && (
        <Block title="Not working yet" note="None of it keeps you from starting.">
          {gaps.map(({ name, detail, place }) => (
            <ListLine
              key={name}
              end={
                place && (
                  <LinkButton size="tiny" href={place}>
                    Fix
                  </LinkButton>
                )
              }
            >
              <Text strong>{name}</Text>
              <Text tone="soft" small block>
                {detail}
              </Text>
            </ListLine>
          ))}
        </Block>
      )}
      {testing && (
        <TestLeadDialog
          onClose={() => {
            setTesting(false);
            void queries.invalidateQueries({ queryKey: ['start'] });
          }}
        />
      )}
    </>
  );
}

const STATES = { done: 'done', open: 'to do', skipped: 'skipped' } as const;

function StepLine({
  step: { name, detail, state, does, place },
  onSkip,
  onTest,
}: {
  step: StartStep;
  onSkip: (is: boolean) => void;
  onTest: () => void;
}) {
  return (
    <ListLine
      end={
        <Row gap={2} wrap={false}>
          {state === 'done' ? (
            <Text tone="good" nowrap>
              <Check size={16} aria-hidden /> Done
            </Text>
          ) : (
            <>
              <Button
                size="tiny"
                look="text"
                aria-label={`${name}: ${state === 'open' ? 'skip' : 'don’t skip'}`}
                onClick={() => onSkip(state === 'open')}
              >
                {state === 'open' ? 'Skip' : 'Unskip'}
              </Button>
              {place === null ? (
                <Button size="small" onClick={onTest}>
                  {does}
                </Button>
              ) : (
                <LinkButton size="small" href={place}>
                  {does}
                </LinkButton>
              )}
            </>
          )}
        </Row>
      }
    >
      <Text strong tone={state === 'skipped' ? 'soft' : undefined}>
        {name}
      </Text>{' '}
      <Text unseen>{STATES[state]}</Text>
      <Text tone="soft" small block>
        {detail}
      </Text>
    </ListLine>
  );
}
