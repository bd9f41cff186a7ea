'use client';
/** Changing the ladder: rungs in sentences, moved by dragging or by keys, with what they begin, add and tell; nothing counts until it is applied. */
import { CHANNELS } from '@/core/contacts';
import { NOTIFY, type Notify } from '@/core/routing';
import { Sentence, useTags } from '../segments';
import { useQuery } from '@tanstack/react-query';
import { ask, NO_WORDS, useVocabulary } from '../primitives';
import type { DraftRung, LadderDraft } from './draft';
import type { LadderJson } from './shapes';
import {
  Button,
  Checkbox,
  ErrorMessage,
  GrabHandle,
  moved,
  Rails,
  Row,
  Rung,
  Select,
  Sortable,
  Text,
  useSortableItem,
} from '../kit';
export const useUsers = () =>
  useQuery({
    queryKey: ['users'],
    queryFn: async () => (await ask('GET /users')).items,
    staleTime: 60_000,
  });

export function LadderEdit({
  ladder,
  draft,
  error,
  onChange,
}: {
  ladder: LadderJson;
  draft: LadderDraft;
  error: unknown;
  onChange: (draft: LadderDraft) => void;
}) {
  const put = (rungs: DraftRung[]) => onChange({ ...draft, rungs });
  const add = () =>
    put([
      ...draft.rungs,
      {
        key: `new ${draft.rungs.length} ${performance.now()}`,
        tree: { all: [] },
        roster_id: ladder.rosters[0]?.id ?? '',
        campaign_id: null,
        tags: [],
        lender_id: null,
        lender_roster_id: null,
        notify: [],
      },
    ]);
  return (
    <>
      <Checkbox checked={draft.own_listing} onChange={(event) => onChange({ ...draft, own_listing: event.target.checked })}>
        Inquiries about our own listings go to the listing agent before any rung
      </Checkbox>
      <Sortable
        id="rungs"
        keys={draft.rungs.map(({ key }) => key)}
        nameOf={(key) => `Rung ${draft.rungs.findIndex((rung) => rung.key === key) + 1}`}
        onMove={(from, to) => put(moved(draft.rungs, from, to))}
      >
        <Rails aria-label="Edited ladder">
          {draft.rungs.map((rung, at) => (
            <RungForm
              key={rung.key}
              rung={rung}
              at={at}
              last={at === draft.rungs.length - 1}
              ladder={ladder}
              onMove={(by) => put(moved(draft.rungs, at, at + by))}
              onRemove={() => put(draft.rungs.filter((one) => one !== rung))}
              onChange={(next) => put(draft.rungs.map((one) => (one === rung ? next : one)))}
            />
          ))}
          <Rung>
            <span />
            <div>
              <Button onClick={add}>Add a rung</Button>
            </div>
            <Text tone="soft" small>
              Everyone else goes to {ladder.last_resort}
            </Text>
          </Rung>
        </Rails>
      </Sortable>
      <ErrorMessage error={error} named />
    </>
  );
}

interface RungProps {
  rung: DraftRung;
  at: number;
  last: boolean;
  ladder: LadderJson;
  onMove: (by: number) => void;
  onRemove: () => void;
  onChange: (rung: DraftRung) => void;
}

function RungForm({ rung, at, last, ladder, onMove, onRemove, onChange }: RungProps) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const { item, handle } = useSortableItem(rung.key);
  const set = (change: Partial<DraftRung>) => onChange({ ...rung, ...change });
  return (
    <Rung editing {...item}>
      <span>
        <GrabHandle name={`rung ${at + 1}`} handle={handle} />
      </span>
      <div>
        <Sentence tree={rung.tree} about="lead" label={`Who rung ${at + 1} is for`} onChange={(tree) => set({ tree })} />
        <Row as="span" above={1}>
          <label>
            go to{' '}
            <Select
              aria-label={`Roster of rung ${at + 1}`}
              value={rung.roster_id}
              onChange={(event) => set({ roster_id: event.target.value })}
            >
              {ladder.rosters.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          </label>
          <label>
            begin{' '}
            <Select
              aria-label={`Campaign of rung ${at + 1}`}
              value={rung.campaign_id ?? ''}
              onChange={(event) => set({ campaign_id: event.target.value || null })}
            >
              <option value="">no campaign</option>
              {(vocabulary.names.campaign ?? []).map(({ value, name }) => (
                <option key={value} value={value}>
                  {name}
                </option>
              ))}
            </Select>
          </label>
        </Row>
        <More rung={rung} at={at} ladder={ladder} set={set} />
      </div>
      <Row gap={1} wrap={false}>
        <Button size="tiny" aria-label={`Move rung ${at + 1} up`} disabled={at === 0} onClick={() => onMove(-1)}>
          ↑
        </Button>
        <Button size="tiny" aria-label={`Move rung ${at + 1} down`} disabled={last} onClick={() => onMove(1)}>
          ↓
        </Button>
        <Button look="warn" size="tiny" aria-label={`Remove rung ${at + 1}`} onClick={onRemove}>
          Remove
        </Button>
      </Row>
    </Rung>
  );
}

/** What a rung adds beside the agent: tags, a lender, and how the agent is told. */
function More({
  rung,
  at,
  ladder,
  set,
}: {
  rung: DraftRung;
  at: number;
  ladder: LadderJson;
  set: (change: Partial<DraftRung>) => void;
}) {
  const { data: tags = [] } = useTags();
  const { data: users = [] } = useUsers();
  const lenders = users.filter(({ role }) => role === 'lender');
  const lender = rung.lender_id ? `u${rung.lender_id}` : rung.lender_roster_id ? `r${rung.lender_roster_id}` : '';
  const flip = (channel: Notify) =>
    set({ notify: rung.notify.includes(channel) ? rung.notify.filter((one) => one !== channel) : [...rung.notify, channel] });
  return (
    <Row as="span" above={1}>
      <Text tone="soft" small>
        Notify in the app, and by
      </Text>
      {NOTIFY.map((channel) => (
        <Button key={channel} size="tiny" pressed={rung.notify.includes(channel)} onClick={() => flip(channel)}>
          {CHANNELS[channel].name}
        </Button>
      ))}
      {rung.tags.map((id) => (
        <Button
          key={id}
          size="tiny"
          selected
          title="Remove tag"
          onClick={() => set({ tags: rung.tags.filter((one) => one !== id) })}
        >
          {tags.find((tag) => tag.id === id)?.name ?? 'a deleted tag'} ×
        </Button>
      ))}
      <Select
        aria-label={`Add a tag to rung ${at + 1}`}
        value=""
        onChange={(event) => event.target.value && set({ tags: [...new Set([...rung.tags, event.target.value])] })}
      >
        <option value="">tag…</option>
        {tags.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
      {lenders.length > 0 && (
        <Select
          aria-label={`Lender of rung ${at + 1}`}
          value={lender}
          onChange={(event) => {
            const [kind, id] = [event.target.value[0], event.target.value.slice(1)];
            set({ lender_id: kind === 'u' ? id : null, lender_roster_id: kind === 'r' ? id : null });
          }}
        >
          <option value="">no lender</option>
          {lenders.map(({ id, name }) => (
            <option key={id} value={`u${id}`}>
              {name}
            </option>
          ))}
          {ladder.rosters
            .filter(({ members }) => members.length > 0 && members.every(({ id }) => lenders.some((one) => one.id === id)))
            .map(({ id, name }) => (
              <option key={id} value={`r${id}`}>
                {name}, in turn
              </option>
            ))}
        </Select>
      )}
    </Row>
  );
}
