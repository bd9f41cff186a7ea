'use client';
/** Challenges: which of several templates brings more answers. A winner is named when chance no longer explains the difference, and by a person. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { winnerOf, type AbTestView } from '@/core/messages';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, useToast } from '../primitives';
import type { Template } from './fields';
import { Rate } from './rates';
import './templates.css';

type Challenge = Jsoned<AbTestView>;

export function Challenges({
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
  const queries = useQueryClient();
  const notices = useToast();
  const { data: challenges = [] } = useQuery({
    queryKey: ['challenges'],
    queryFn: async () => (await ask<{ items: Challenge[] }>('/challenges')).items,
    refetchInterval: 30_000,
  });
  const after = () => void queries.invalidateQueries({ queryKey: ['challenges'] });
  const make = useMutation({
    mutationFn: () => {
      const names = templates.filter(({ id }) => chosen.has(id)).map(({ name }) => name);
      return ask('/challenges', 'POST', { name: names.join(' or ').slice(0, 80), template_ids: [...chosen] }, freshKey());
    },
    onSuccess: () => {
      after();
      onMade();
      notices.tell('The challenge stands. Choose it in a touch of a campaign; it hands its templates out evenly.');
    },
    onError: notices.fail,
  });
  const end = useMutation({
    mutationFn: ({ id, winner }: { id: string; winner: string | null }) =>
      ask(`/challenges/${id}`, 'PATCH', { winner_id: winner }),
    onSuccess: (_, { winner }) => {
      after();
      notices.tell(winner ? 'From now on the winner goes alone.' : 'It goes on.');
    },
    onError: notices.fail,
  });
  const remove = useMutation({
    mutationFn: (id: string) => ask(`/challenges/${id}`, 'DELETE'),
    onSuccess: after,
    onError: notices.fail,
  });
  if (!challenges.length && chosen.size === 0)
    return office && templates.length > 1 ? (
      <p className="soft small">
        Tick two templates or more to let them challenge each other: which wording brings more answers?
      </p>
    ) : null;
  return (
    <section aria-label="Challenges">
      {office && chosen.size > 0 && (
        <div className="beside" style={{ marginBottom: 14 }}>
          <button type="button" className="act main" disabled={chosen.size < 2 || make.isPending} onClick={() => make.mutate()}>
            Let them challenge each other
          </button>
          <span className="soft small">
            {chosen.size === 1 ? 'Tick another one of the same channel.' : `${chosen.size} chosen`}
          </span>
        </div>
      )}
      {challenges.map((challenge) => {
        const standing = winnerOf(new Map(challenge.entrants.map(({ id, answered, sent }) => [id, { n: answered, of: sent }])));
        return (
          <div key={challenge.id} className="panel challenge">
            <div className="beside" style={{ justifyContent: 'space-between' }}>
              <b>{challenge.name}</b>
              {challenge.may_change && (
                <span className="beside">
                  {challenge.winner_id && (
                    <button type="button" className="chip tiny" onClick={() => end.mutate({ id: challenge.id, winner: null })}>
                      Let it go on
                    </button>
                  )}
                  <button
                    type="button"
                    className="chip tiny"
                    onClick={() => remove.mutate(challenge.id)}
                    aria-label={`Take ${challenge.name} away`}
                  >
                    Take away
                  </button>
                </span>
              )}
            </div>
            {challenge.entrants.map((one) => (
              <div key={one.id} className="pair">
                <span>
                  {one.name} {challenge.winner_id === one.id && <span className="tag">goes alone</span>}
                  <span className="soft small"> {one.sent.toLocaleString('en-US')} went</span>
                </span>
                <span className="beside">
                  <Rate n={one.answered} of={one.sent} what="answered within a week" />
                  {challenge.may_change && !challenge.winner_id && standing.winner === one.id && (
                    <button
                      type="button"
                      className="chip tiny on"
                      onClick={() => end.mutate({ id: challenge.id, winner: one.id })}
                    >
                      Let it go alone
                    </button>
                  )}
                </span>
              </div>
            ))}
            <p className="soft small">
              {standing.winner !== null
                ? `“${challenge.entrants.find(({ id }) => id === standing.winner)!.name}” brings more answers; chance would show such a difference less than once in ${Math.max(2, Math.floor(1 / Math.max(standing.chance, 1e-6))).toLocaleString('en-US')} times.`
                : standing.because === 'too_few'
                  ? 'Too few went to say anything: sixty of each at least.'
                  : 'So far chance explains the difference. It goes on.'}
            </p>
          </div>
        );
      })}
    </section>
  );
}
