'use client';
/** A/B tests: which of several templates brings more answers. A winner is named when chance no longer explains the difference, and by a person. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { winnerOf } from '@/core/messages';
import { ask, freshKey, useFormat } from '../primitives';
import type { Template } from './fields';
import { Rate } from './rates';
import { Button, Chip, Panel, Row, Text, useToast } from '../kit';

export function AbTests({
  templates,
  chosen,
  office,
  onMade,
}: {
  templates: readonly Template[];
  chosen: ReadonlySet<string>;
  office: boolean;
  onMade: () => void;
}) {
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const { data: abTests = [] } = useQuery({
    queryKey: ['ab-tests'],
    queryFn: async () => (await ask('GET /ab-tests')).items,
    refetchInterval: 30_000,
  });
  const after = () => void queries.invalidateQueries({ queryKey: ['ab-tests'] });
  const make = useMutation({
    mutationFn: () => {
      const names = templates.filter(({ id }) => chosen.has(id)).map(({ name }) => name);
      return ask('POST /ab-tests', {
        body: { name: names.join(' or ').slice(0, 80), template_ids: [...chosen] },
        headers: freshKey(),
      });
    },
    onSuccess: () => {
      after();
      onMade();
      toast.tell('A/B test started. Pick it in a campaign touch; each template gets an even share.');
    },
    onError: toast.fail,
  });
  const end = useMutation({
    mutationFn: ({ id, winner }: { id: string; winner: string | null }) =>
      ask('PATCH /ab-tests/{id}', { params: { id }, body: { winner_id: winner } }),
    onSuccess: (_, { winner }) => {
      after();
      toast.tell(winner ? 'From now on the winner goes alone.' : 'Resumed.');
    },
    onError: toast.fail,
  });
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /ab-tests/{id}', { params: { id } }),
    onSuccess: after,
    onError: toast.fail,
  });
  if (!abTests.length && chosen.size === 0)
    return office && templates.length > 1 ? (
      <Text as="p" tone="soft" small>
        Check two or more templates to A/B test them: which one gets more replies?
      </Text>
    ) : null;
  return (
    <section aria-label="A/B tests">
      {office && chosen.size > 0 && (
        <Row above={1}>
          <Button look="main" disabled={chosen.size < 2 || make.isPending} onClick={() => make.mutate()}>
            Start A/B test
          </Button>
          <Text tone="soft" small>
            {chosen.size === 1 ? 'Check another one of the same channel.' : `${format.number(chosen.size)} selected`}
          </Text>
        </Row>
      )}
      {abTests.map((abTest) => {
        const result = winnerOf(new Map(abTest.entrants.map(({ id, answered, sent }) => [id, { n: answered, of: sent }])));
        return (
          <Panel key={abTest.id} pad={3}>
            <Row spread above={1}>
              <b>{abTest.name}</b>
              {abTest.may_change && (
                <Row as="span" above={1}>
                  {abTest.winner_id && (
                    <Button size="tiny" onClick={() => end.mutate({ id: abTest.id, winner: null })}>
                      Resume
                    </Button>
                  )}
                  <Button size="tiny" onClick={() => remove.mutate(abTest.id)} aria-label={`Remove ${abTest.name}`}>
                    Remove
                  </Button>
                </Row>
              )}
            </Row>
            {abTest.entrants.map((one) => (
              <Row ruled spread wrap={false} gap={3} key={one.id}>
                <span>
                  {one.name} {abTest.winner_id === one.id && <Chip>goes alone</Chip>}
                  <Text tone="soft" small>
                    {' '}
                    {format.number(one.sent)} sent
                  </Text>
                </span>
                <Row as="span" above={1}>
                  <Rate n={one.answered} of={one.sent} what="replied within a week" />
                  {abTest.may_change && !abTest.winner_id && result.winner === one.id && (
                    <Button size="tiny" selected onClick={() => end.mutate({ id: abTest.id, winner: one.id })}>
                      Send alone
                    </Button>
                  )}
                </Row>
              </Row>
            ))}
            <Text as="p" tone="soft" small>
              {result.winner !== null
                ? `“${abTest.entrants.find(({ id }) => id === result.winner)!.name}” brings more answers; chance would show such a difference less than once in ${format.number(Math.max(2, Math.floor(1 / Math.max(result.chance, 1e-6))))} times.`
                : result.because === 'too_few'
                  ? 'Too few sent to say anything: sixty of each at least.'
                  : 'So far chance explains the difference. Resumed.'}
            </Text>
          </Panel>
        );
      })}
    </section>
  );
}
