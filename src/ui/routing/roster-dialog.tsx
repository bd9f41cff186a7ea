'use client';
/** Making or changing a roster: its way of handing out, its windows, what follows, and the people on it in the order of their turns. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { HAND_OUT_NAMES, HAND_OUTS, type HandOut } from '@/core/routing';
import { ask, freshKey } from '../primitives';
import { useUsers } from './ladder-edit';
import { RosterMembers } from './roster-members';
import { rosterBody, rosterValues, type RosterValues } from './roster-values';
import type { RosterJson } from './shapes';
import {
  Button,
  Checkbox,
  CheckboxFormField,
  Columns,
  FormDialog,
  Row,
  SelectFormField,
  SpanField,
  TextFormField,
  useSaveForm,
  useToast,
  LimitField,
} from '../kit';

const WAYS: Record<HandOut, string> = {
  round_robin: 'One after another, right away.',
  weighted: 'Right away, by share.',
  open: 'Offered to everyone; the first to accept gets it.',
  turns: 'Offered to one at a time, each with a time limit.',
};
const LEAST_SECONDS = 30;

export function RosterDialog({
  roster,
  rosters,
  onClose,
}: {
  roster: RosterJson | null;
  rosters: RosterJson[];
  onClose: () => void;
}) {
  const { data: users = [] } = useUsers();
  const workers = users.filter(({ role }) => role !== 'lender');
  const queries = useQueryClient();
  const toast = useToast();
  const done = (text: string) => {
    void queries.invalidateQueries({ queryKey: ['ladder'] });
    void queries.invalidateQueries({ queryKey: ['vocabulary'] });
    toast.tell(text);
    onClose();
  };
  const edited = useSaveForm({
    values: rosterValues(roster),
    draft: `roster_${roster?.id ?? 'new'}`,
    fieldOf: (field) => ({ 'then.roster_id': 'then_roster_id' })[field],
    save: (values) => {
      const body = rosterBody(values, workers[0]!.id);
      return roster
        ? ask('PATCH /rosters/{id}', { params: { id: roster.id }, body })
        : ask('POST /rosters', { body, headers: freshKey() });
    },
    onSaved: () => done(`“${edited.form.getValues('name')}” saved.`),
  });
  const remove = useMutation({
    mutationFn: () => ask('DELETE /rosters/{id}', { params: { id: roster!.id } }),
    onSuccess: () => done(`“${roster!.name}” deleted.`),
  });
  const now = edited.form.watch();
  const set = (change: Partial<RosterValues>) => {
    for (const [name, value] of Object.entries(change))
      edited.form.setValue(name as keyof RosterValues, value, { shouldDirty: true });
  };
  const others = rosters.filter(({ id }) => id !== roster?.id);
  return (
    <FormDialog
      title={roster?.name ?? 'New roster'}
      width="md"
      form={edited}
      error={remove.error}
      does="Save roster"
      may={now.name.trim() !== ''}
      onClose={onClose}
      note={
        roster && (
          <Button look="warn" disabled={remove.isPending} onClick={() => remove.mutate()}>
            Delete
          </Button>
        )
      }
    >
      <Columns least={240}>
        <TextFormField name="name" label="Name" autoFocus={!roster} maxLength={80} />
        <SelectFormField name="hand_out" label="Distribution" help={WAYS[now.hand_out]}>
          {HAND_OUTS.map((one) => (
            <option key={one} value={one}>
              {HAND_OUT_NAMES[one]}
            </option>
          ))}
        </SelectFormField>
      </Columns>
      <Windows now={now} set={set} />
      <Columns least={240}>
        <SelectFormField name="then_to" label="If no one takes it">
          <option value="safety_net">it goes to the safety net</option>
          {others.length > 0 && <option value="roster">another roster</option>}
          <option value="commons">the commons, first to take it</option>
        </SelectFormField>
        {now.then_to === 'roster' && (
          <SelectFormField name="then_roster_id" label="The next roster">
            <option value="">Choose…</option>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectFormField>
        )}
        <SelectFormField name="safety_net_id" label="Safety net">
          {!now.safety_net_id && <option value="">{workers[0]?.name}</option>}
          {workers.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectFormField>
      </Columns>
      {now.then_to === 'commons' && (
        <SpanField
          label="In the commons for"
          seconds={now.commons_seconds}
          onChange={(seconds) => set({ commons_seconds: Math.max(LEAST_SECONDS, seconds) })}
        />
      )}
      <Row>
        {isOffered(now) &&
          (['name', 'source'] as const).map((what) => (
            <Checkbox
              key={what}
              checked={now.hides.includes(what)}
              onChange={({ target }) =>
                set({ hides: target.checked ? [...now.hides, what] : now.hides.filter((one) => one !== what) })
              }
            >
              hide the {what} until they accept
            </Checkbox>
          ))}
        <Checkbox checked={now.sees === 'all'} onChange={({ target }) => set({ sees: target.checked ? 'all' : 'own' })}>
          everyone on it sees all its leads
        </Checkbox>
      </Row>
      <RosterMembers
        members={now.members}
        weighted={now.hand_out === 'weighted'}
        workers={users}
        onChange={(members) => set({ members })}
      />
      <CheckboxFormField name="invite" label="Email invitations to new people; they get leads once they accept" />
    </FormDialog>
  );
}

const isOffered = ({ hand_out }: RosterValues): boolean => hand_out === 'open' || hand_out === 'turns';

/** How long somebody has to accept, and to make an attempt, before the next one is asked. */
function Windows({ now, set }: { now: RosterValues; set: (change: Partial<RosterValues>) => void }) {
  const { try_seconds } = now;
  return (
    <Row>
      {isOffered(now) && (
        <SpanField label="Time to accept" seconds={now.window_seconds} onChange={(window_seconds) => set({ window_seconds })} />
      )}
      <Checkbox checked={try_seconds !== null} onChange={({ target }) => set({ try_seconds: target.checked ? 3_600 : null })}>
        move on if not attempted
      </Checkbox>
      {try_seconds !== null && (
        <SpanField
          label="within"
          seconds={try_seconds}
          onChange={(seconds) => set({ try_seconds: Math.max(LEAST_SECONDS, seconds) })}
        />
      )}
      {(now.hand_out === 'turns' || (!isOffered(now) && try_seconds !== null)) && (
        <label>
          to at most{' '}
          <LimitField
            label="Most people"
            min={1}
            max={500}
            placeholder="all"
            value={now.most_turns}
            onChange={(most_turns) => set({ most_turns })}
          />{' '}
          people
        </label>
      )}
    </Row>
  );
}
