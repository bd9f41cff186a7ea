'use client';
/** The way of one inquiry: rungs that were looked at and why they did not fit, who was passed over, each offer and its answer. */
import { useQuery } from '@tanstack/react-query';
import { ask, useZone, useFormat } from '../primitives';
import { Heading, Stack, Text } from '../kit';

export function Trace({ inquiryId }: { inquiryId: string }) {
  const zone = useZone();
  const format = useFormat();
  const { data } = useQuery({
    queryKey: ['inquiries', 'trace', inquiryId],
    queryFn: () => ask('GET /inquiries/{id}/trace', { params: { id: inquiryId } }),
  });
  if (!data || data.rungs.length + data.steps.length === 0) return null;
  return (
    <Stack as="section" aria-label="How it was assigned" gap={1} above={3}>
      <Heading>Routing</Heading>
      {data.rungs.map((rung) => (
        <Text as="p" small key={rung.position} strong={rung.fits} tone={rung.fits ? undefined : 'soft'}>
          Rung {rung.position}, “{rung.who}”: {rung.fits ? 'matches.' : `not ${lower(rung.unmet ?? rung.who)}.`}
        </Text>
      ))}
      <ol>
        {data.steps.map((step, at) => (
          <Text as="li" small key={at} title={format.dayAndTime(new Date(step.at), zone)}>
            <Text as="time" tone="soft" dateTime={step.at}>
              {format.time(new Date(step.at), zone)}
            </Text>{' '}
            {step.text}
          </Text>
        ))}
      </ol>
    </Stack>
  );
}

const lower = (words: string): string => words.replace(/^(People|Everyone) /, '').replace(/^./, (letter) => letter.toLowerCase());
