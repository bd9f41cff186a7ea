'use client';
/** The people on a roster in the order of their turns: share, limits, hours, pause. */
import { useState, type ReactNode } from 'react';
import type { Hours } from '@/core/shared';
import { hoursPhrase } from '@/core/segments';
import { HoursFields } from '../segments';
import { useFormat, useIsNarrow } from '../primitives';
import { newMember, type MemberValues } from './roster-values';
import { Button, CountField, LimitField, moved, Row, Select, Stack, Table, Text } from '../kit';

const OFFICE_HOURS: Hours = { days: [1, 2, 3, 4, 5], from: '09:00', to: '18:00' };

interface MembersProps {
  members: MemberValues[];
  weighted: boolean;
  workers: { id: string; name: string; role: string }[];
  onChange: (members: MemberValues[]) => void;
}
type Changed = (id: string, change: Partial<MemberValues>) => void;

export function RosterMembers({ members, weighted, workers, onChange }: MembersProps) {
  const put: Changed = (id, change) => onChange(members.map((one) => (one.id === id ? { ...one, ...change } : one)));
  const rows = members.map((member, at) => ({
    member,
    at,
    fields: fieldsOf(member, weighted, put),
    actions: <Actions members={members} at={at} put={put} onChange={onChange} />,
  }));
  const narrow = useIsNarrow();
  return (
    <div>
      {narrow ? (
        rows.map(({ member, at, fields, actions }) => (
          <Stack key={member.id} gap={1} above={3} as="section" aria-label={member.name}>
            <Row ruled="head">
              <Text strong>
                {at + 1}. {member.name}
              </Text>
            </Row>
            {fields.map(([name, field]) => (
              <Row key={name} spread>
                <Text tone="soft">{name}</Text>
                {field}
              </Row>
            ))}
            {actions}
          </Stack>
        ))
      ) : (
        <Table>
          <thead>
            <tr>
              <th scope="col">In this order</th>
              {weighted && <th scope="col">Share</th>}
              <th scope="col">Daily limit</th>
              <th scope="col">Open lead limit</th>
              <th scope="col">Hours</th>
              <th scope="col">
                <Text unseen>Move and remove</Text>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ member, at, fields, actions }) => (
              <tr key={member.id}>
                <td data-nowrap="">
                  {at + 1}. {member.name}
                </td>
                {fields.map(([name, field]) => (
                  <td key={name}>{field}</td>
                ))}
                <td data-nowrap="">{actions}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <AddPerson members={members} workers={workers} onChange={onChange} />
    </div>
  );
}

/** What is set for somebody, each under its name. */
function fieldsOf(member: MemberValues, weighted: boolean, put: Changed): [string, ReactNode][] {
  const cap = (key: 'daily_cap' | 'open_cap', label: string): [string, ReactNode] => [
    label,
    <LimitField
      key={key}
      label={`${label} of ${member.name}`}
      placeholder="none"
      max={10_000}
      width={70}
      value={member[key]}
      onChange={(value) => put(member.id, { [key]: value })}
    />,
  ];
  const share = (
    <CountField
      key="share"
      label={`Share of ${member.name}`}
      min={1}
      max={1_000}
      width={70}
      value={member.weight}
      onChange={(weight) => put(member.id, { weight })}
    />
  );
  return [
    ...(weighted ? [['Share', share] as [string, ReactNode]] : []),
    cap('daily_cap', 'Daily limit'),
    cap('open_cap', 'Open lead limit'),
    ['Hours', <MemberHours key="hours" member={member} onChange={(hours) => put(member.id, { hours })} />],
  ];
}

function Actions({ members, at, put, onChange }: Pick<MembersProps, 'members' | 'onChange'> & { at: number; put: Changed }) {
  const member = members[at]!;
  return (
    <Row gap={1}>
      <Button size="tiny" pressed={member.paused} onClick={() => put(member.id, { paused: !member.paused })}>
        {member.paused ? 'Paused' : 'Pause'}
      </Button>
      <Button
        size="tiny"
        aria-label={`Move ${member.name} up`}
        disabled={at === 0}
        onClick={() => onChange(moved(members, at, at - 1))}
      >
        ↑
      </Button>
      <Button
        size="tiny"
        aria-label={`Move ${member.name} down`}
        disabled={at === members.length - 1}
        onClick={() => onChange(moved(members, at, at + 1))}
      >
        ↓
      </Button>
      <Button
        look="warn"
        size="tiny"
        aria-label={`Remove ${member.name}`}
        onClick={() => onChange(members.filter((one) => one !== member))}
      >
        Remove
      </Button>
    </Row>
  );
}

function AddPerson({ members, workers, onChange }: Omit<MembersProps, 'weighted'>) {
  const out = workers.filter(({ id }) => !members.some((member) => member.id === id));
  if (out.length === 0) return null;
  return (
    <Select
      aria-label="Add person"
      value=""
      onChange={(event) => {
        const person = out.find(({ id }) => id === event.target.value);
        if (person) onChange([...members, newMember(person)]);
      }}
    >
      <option value="">Add person…</option>
      {out.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
}

/** When somebody gets leads: as their profile has it, or within other hours for this roster. */
function MemberHours({ member: { hours, name }, onChange }: { member: MemberValues; onChange: (hours: Hours[]) => void }) {
  const format = useFormat();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        size="tiny"
        aria-label={`Hours of ${name}`}
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
          if (!hours.length) onChange([OFFICE_HOURS]);
        }}
      >
        {hours.length ? hours.map((one) => hoursPhrase(one, format)).join(', ') : 'their own'}
      </Button>
      {open && (
        <div>
          <HoursFields
            hours={hours[0] ?? OFFICE_HOURS}
            onChange={(first) => onChange(first.days.length ? [first, ...hours.slice(1)] : [])}
          />
          <Button
            size="tiny"
            onClick={() => {
              onChange([]);
              setOpen(false);
            }}
          >
            their own
          </Button>
        </div>
      )}
    </>
  );
}
