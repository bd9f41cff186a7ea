'use client';
/** Making or changing a roster: its way of handing out, its windows, what follows, and the people on it in the order of their turns. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { HAND_OUT_NAMES, HAND_OUTS, type HandOut } from '@/core/routing';
import type { Hours } from '@/core/shared';
import { hoursPhrase } from '@/core/segments';
import { HoursFields } from '../segments';
import { ask, freshKey } from '../primitives';
import { useUsers } from './ladder-edit';
import type { RosterJson } from './shapes';
import {
  Button,
  Checkbox,
  DialogBody,
  ErrorMessage,
  FormEnd,
  Heading,
  Input,
  Row,
  Select,
  SpanField,
  Table,
  Text,
  moved,
  useToast,
} from '../kit';

interface Member {
  id: string;
  name: string;
  weight: number;
  daily_cap: number | null;
  open_cap: number | null;
  hours: Hours[];
  paused: boolean;
}
const OFFICE_HOURS: Hours = { days: [1, 2, 3, 4, 5], from: '09:00', to: '18:00' };
const WAYS: Record<HandOut, string> = {
  round_robin: 'one after another, right away',
  weighted: 'right away, by share',
  open: 'offered to everyone; first to accept gets it',
  turns: 'offered to one at a time, each with a time limit',
};
const sayWhether = <T extends string>(yes: boolean, list: T[], one: T): T[] =>
  yes ? [...list, one] : list.filter((other) => other !== one);

export function RosterForm({
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
  const [form, setSaid] = useState({
    name: roster?.name ?? '',
    hand_out: roster?.hand_out ?? 'round_robin',
    window_seconds: roster?.window_seconds ?? 600,
    try_seconds: roster?.try_seconds ?? null,
    most_turns: roster?.most_turns ?? null,
    then_to: roster?.then.to ?? 'safety_net',
    then_roster_id: roster?.then.roster?.id ?? '',
    commons_seconds: roster?.then.seconds ?? 3_600,
    hides: roster?.hides ?? [],
    sees: roster?.sees ?? 'own',
    safety_net_id: roster?.safety_net.id ?? '',
    invite: false,
  });
  const [members, setMembers] = useState<Member[]>(
    (roster?.members ?? []).map(({ id, name, weight, daily_cap, open_cap, hours, paused }) => ({
      id,
      name,
      weight,
      daily_cap,
      open_cap,
      hours,
      paused,
    })),
  );
  const set = (change: Partial<typeof form>) => setSaid({ ...form, ...change });
  const offered = form.hand_out === 'open' || form.hand_out === 'turns';
  const queries = useQueryClient();
  const toast = useToast();
  const done = (text: string) => {
    void queries.invalidateQueries({ queryKey: ['ladder'] });
    void queries.invalidateQueries({ queryKey: ['vocabulary'] });
    toast.tell(text);
    onClose();
  };
  const save = useMutation({
    mutationFn: () => {
      const { then_to, then_roster_id, commons_seconds, ...rest } = form;
      const body = {
        ...rest,
        safety_net_id: form.safety_net_id || workers[0]!.id,
        then: { to: then_to, roster_id: then_roster_id || null, seconds: commons_seconds },
        members: members.map(({ id, weight, daily_cap, open_cap, hours, paused }) => ({
          id,
          weight,
          daily_cap,
          open_cap,
          hours,
          paused,
        })),
      };
      return roster
        ? ask('PATCH /rosters/{id}', { params: { id: roster.id }, body })
        : ask('POST /rosters', { body, headers: freshKey() });
    },
    onSuccess: () => done(`“${form.name}” saved.`),
  });
  const remove = useMutation({
    mutationFn: () => ask('DELETE /rosters/{id}', { params: { id: roster!.id } }),
    onSuccess: () => done(`“${form.name}” deleted.`),
  });
  const others = rosters.filter(({ id }) => id !== roster?.id);
  return (
    <DialogBody
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <Heading level={1} id="roster-title">
        {roster ? roster.name : 'New roster'}
      </Heading>
      <Row above={1}>
        <label>
          Name{' '}
          <Input
            aria-label="Name of the roster"
            value={form.name}
            required
            maxLength={80}
            onChange={(event) => set({ name: event.target.value })}
          />
        </label>
        <label>
          Distribution:{' '}
          <Select
            aria-label="Distribution"
            value={form.hand_out}
            onChange={(event) => set({ hand_out: event.target.value as HandOut })}
          >
            {HAND_OUTS.map((one) => (
              <option key={one} value={one}>
                {HAND_OUT_NAMES[one]}
              </option>
            ))}
          </Select>
        </label>
        <Text tone="soft" small>
          {WAYS[form.hand_out]}
        </Text>
      </Row>
      <Row above={1}>
        {offered && (
          <SpanField
            label="Time to accept"
            seconds={form.window_seconds}
            onChange={(window_seconds) => set({ window_seconds })}
          />
        )}
        <Checkbox
          checked={form.try_seconds !== null}
          onChange={(event) => set({ try_seconds: event.target.checked ? 3_600 : null })}
        >
          move on if not attempted
        </Checkbox>
        {form.try_seconds !== null && (
          <SpanField
            label="within"
            seconds={form.try_seconds}
            onChange={(try_seconds) => set({ try_seconds: Math.max(30, try_seconds) })}
          />
        )}
        {(form.hand_out === 'turns' || (!offered && form.try_seconds !== null)) && (
          <label>
            to at most{' '}
            <Input
              type="number"
              min={1}
              max={500}
              width={76}
              aria-label="Most people"
              placeholder="all"
              value={form.most_turns ?? ''}
              onChange={(event) => set({ most_turns: event.target.value ? Number(event.target.value) : null })}
            />{' '}
            people
          </label>
        )}
      </Row>
      <Row above={1}>
        <label>
          If no one takes it{' '}
          <Select
            aria-label="If no one takes it"
            value={form.then_to}
            onChange={(event) => set({ then_to: event.target.value as typeof form.then_to })}
          >
            <option value="safety_net">it goes to the safety net</option>
            {others.length > 0 && <option value="roster">another roster</option>}
            <option value="commons">the commons, first to take it</option>
          </Select>
        </label>
        {form.then_to === 'roster' && (
          <Select
            aria-label="The next roster"
            value={form.then_roster_id}
            onChange={(event) => set({ then_roster_id: event.target.value })}
          >
            <option value="">which?</option>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        )}
        {form.then_to === 'commons' && (
          <SpanField
            label="for"
            seconds={form.commons_seconds}
            onChange={(commons_seconds) => set({ commons_seconds: Math.max(30, commons_seconds) })}
          />
        )}
        <label>
          safety net{' '}
          <Select
            aria-label="Safety net"
            value={form.safety_net_id || (workers[0]?.id ?? '')}
            onChange={(event) => set({ safety_net_id: event.target.value })}
          >
            {workers.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </label>
      </Row>
      <Row above={1}>
        {offered &&
          (['name', 'source'] as const).map((what) => (
            <Checkbox
              key={what}
              checked={form.hides.includes(what)}
              onChange={(event) => set({ hides: sayWhether(event.target.checked, form.hides, what) })}
            >
              hide the {what} until they accept
            </Checkbox>
          ))}
        <Checkbox checked={form.sees === 'all'} onChange={(event) => set({ sees: event.target.checked ? 'all' : 'own' })}>
          everyone on it sees all its leads
        </Checkbox>
      </Row>
      <Members members={members} weighted={form.hand_out === 'weighted'} workers={users} onChange={setMembers} />
      <Checkbox checked={form.invite} onChange={(event) => set({ invite: event.target.checked })}>
        email invitations to new people; they get leads once they accept
      </Checkbox>
      <ErrorMessage error={save.error ?? remove.error} named />
      <FormEnd does="Save roster" busy={save.isPending} may={Boolean(form.name.trim())} onCancel={onClose}>
        {roster && (
          <Button look="warn" disabled={remove.isPending} onClick={() => remove.mutate()}>
            Delete
          </Button>
        )}
      </FormEnd>
    </DialogBody>
  );
}

function Members({
  members,
  weighted,
  workers,
  onChange,
}: {
  members: Member[];
  weighted: boolean;
  workers: { id: string; name: string; role: string }[];
  onChange: (members: Member[]) => void;
}) {
  const [hoursOf, setHoursOf] = useState<string | null>(null);
  const put = (id: string, change: Partial<Member>) =>
    onChange(members.map((one) => (one.id === id ? { ...one, ...change } : one)));
  const cap = (member: Member, key: 'daily_cap' | 'open_cap', label: string) => (
    <Input
      type="number"
      min={0}
      max={10_000}
      width={70}
      placeholder="none"
      aria-label={`${label} of ${member.name}`}
      value={member[key] ?? ''}
      onChange={(event) => put(member.id, { [key]: event.target.value === '' ? null : Number(event.target.value) })}
    />
  );
  const out = workers.filter(({ id }) => !members.some((member) => member.id === id));
  return (
    <div>
      <Table>
        <thead>
          <tr>
            <th>In this order</th>
            {weighted && <th>Share</th>}
            <th>Daily limit</th>
            <th>Open lead limit</th>
            <th>Hours</th>
            <th>
              <Text unseen>Move and remove</Text>
            </th>
          </tr>
        </thead>
        <tbody>
          {members.map((member, at) => (
            <tr key={member.id}>
              <td data-nowrap="">
                {at + 1}. {member.name}
              </td>
              {weighted && (
                <td>
                  <Input
                    type="number"
                    min={1}
                    max={1_000}
                    width={70}
                    aria-label={`Share of ${member.name}`}
                    value={member.weight}
                    onChange={(event) => put(member.id, { weight: Math.max(1, Number(event.target.value)) })}
                  />
                </td>
              )}
              <td>{cap(member, 'daily_cap', 'Daily limit')}</td>
              <td>{cap(member, 'open_cap', 'Open lead limit')}</td>
              <td>
                <Button
                  size="tiny"
                  aria-expanded={hoursOf === member.id}
                  onClick={() => {
                    setHoursOf(hoursOf === member.id ? null : member.id);
                    if (!member.hours.length) put(member.id, { hours: [OFFICE_HOURS] });
                  }}
                >
                  {member.hours.length ? member.hours.map(hoursPhrase).join(', ') : 'always'}
                </Button>
                {hoursOf === member.id && (
                  <div>
                    <HoursFields
                      hours={member.hours[0] ?? OFFICE_HOURS}
                      onChange={(hours) => put(member.id, { hours: hours.days.length ? [hours, ...member.hours.slice(1)] : [] })}
                    />
                    <Button
                      size="tiny"
                      onClick={() => {
                        put(member.id, { hours: [] });
                        setHoursOf(null);
                      }}
                    >
                      any time
                    </Button>
                  </div>
                )}
              </td>
              <td data-nowrap="" data-numeric="">
                <Button size="tiny" pressed={member.paused} onClick={() => put(member.id, { paused: !member.paused })}>
                  Paused
                </Button>{' '}
                <Button
                  size="tiny"
                  aria-label={`${member.name} up`}
                  disabled={at === 0}
                  onClick={() => onChange(moved(members, at, at - 1))}
                >
                  ↑
                </Button>{' '}
                <Button
                  size="tiny"
                  aria-label={`${member.name} down`}
                  disabled={at === members.length - 1}
                  onClick={() => onChange(moved(members, at, at + 1))}
                >
                  ↓
                </Button>{' '}
                <Button
                  look="warn"
                  size="tiny"
                  aria-label={`Take ${member.name} off`}
                  onClick={() => onChange(members.filter((one) => one !== member))}
                >
                  Remove
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      {out.length > 0 && (
        <Select
          aria-label="Add person"
          value=""
          onChange={(event) => {
            const person = out.find(({ id }) => id === event.target.value);
            if (person)
              onChange([
                ...members,
                { id: person.id, name: person.name, weight: 1, daily_cap: null, open_cap: null, hours: [], paused: false },
              ]);
          }}
        >
          <option value="">Add person…</option>
          {out.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      )}
    </div>
  );
}
