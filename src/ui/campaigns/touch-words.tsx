'use client';
/** The words of a touch: its own, or those of a template or A/B test. */
import Link from 'next/link';
import { useQuery } from '@tanstack/react-query';
import type { Step, TouchStep } from '@/core/campaigns';
import { ask } from '../primitives';
import { useTemplates, WordsEditor } from '../templates';
import { Field, Select, Text } from '../kit';

export function TouchWords({ step, readOnly, onChange }: { step: TouchStep; readOnly: boolean; onChange: (step: Step) => void }) {
  const { data: templates = [] } = useTemplates();
  const abTests = useQuery({
    queryKey: ['ab-tests'],
    queryFn: async () => (await ask('GET /ab-tests')).items,
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
        <Field label="Words from" beside>
          {(control) => (
            <Select {...control} value={value} onChange={(event) => choose(event.target.value)}>
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
          )}
        </Field>
      )}
      {from ? (
        <Text as="p" tone="soft" small>
          {'template' in from ? (
            <>
              Uses the template as it is when the message goes out.{' '}
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
