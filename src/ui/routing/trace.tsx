'use client';
/** The way of one inquiry: rungs that were looked at and why they did not fit, who was passed over, each offer and its answer. */
import { useQuery } from '@tanstack/react-query';
import { ask, useZone, useFormat } from '../primitives';

export function Trace({ inquiryId }: { inquiryId: string }) {
  const zone = useZone();
  const format = useFormat();
  const { data } = useQuery({
    queryKey: ['inquiries', 'trace', inquiryId],
    queryFn: () => ask('GET /inquiries/{id}/trace', { params: { id: inquiryId } }),
  });
  if (!data || data.rungs.length + data.steps.length === 0) return null;
  return (
    <section aria-label="How it was assigned">
      <h2 style={{ margin: '14px 0 4px' }}>Routing</h2>
      {data.rungs.map((rung) => (
        <p key={rung.position} className={`small${rung.fits ? ' strong' : ' soft'}`}>
          Rung {rung.position}, “{rung.who}”: {rung.fits ? 'fits.' : `not ${lower(rung.unmet ?? rung.who)}.`}
        </p>
      ))}
      <ol className="steps-taken">
        {data.steps.map((step, at) => (
          <li key={at} className="small" title={format.dayAndTime(new Date(step.at), zone)}>
            <time className="soft" dateTime={step.at}>
              {format.time(new Date(step.at), zone)}
            </time>{' '}
            {step.text}
          </li>
        ))}
      </ol>
    </section>
  );
}

const lower = (words: string): string =>
  words.replace(/^(People|Everybody) /, '').replace(/^./, (letter) => letter.toLowerCase());
