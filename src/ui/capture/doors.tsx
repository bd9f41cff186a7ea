'use client';
/** The doors with their last arrival; lead mailboxes with their secret address, made and changed by whoever runs the office. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ROLE_NAMES } from '@/core/contacts';
import { DoorDialog } from './door-form';
import { NewDoor } from './new-door';
import { ProgramDoor } from './program-door';
import { ask, freshKey, nameIn, NO_WORDS, useFormat, useVocabulary } from '../primitives';
import type { DoorJson } from './shapes';
import { Ago, Button, Heading, LinkButton, Row, Text, useToast } from '../kit';

export function Doors({ doors: first, office }: { doors: DoorJson[]; office: boolean }) {
  const format = useFormat();
  const { data: doors } = useQuery({
    queryKey: ['doors'],
    queryFn: async () => (await ask('GET /doors')).items,
    initialData: first,
  });
  return (
    <section id="doors" aria-label="Doors" tabIndex={-1}>
      <Row ruled="head" spread>
        <Heading>Doors</Heading>
        <Text tone="soft" small>
          30 days
        </Text>
      </Row>
      {doors.map((door) => (
        <Row ruled spread wrap={false} gap={3} key={door.id} data-door="">
          <span>
            {door.name}{' '}
            {door.slug && (
              <a href={`/p/${door.slug}`} target="_blank" rel="noreferrer">
                /p/{door.slug}
              </a>
            )}
            <Row as="span" small above={1}>
              <Text tone="soft">
                {door.last_arrival_at ? (
                  <>
                    last arrival <Ago at={door.last_arrival_at} />
                  </>
                ) : (
                  'no leads yet'
                )}
              </Text>
              {office && door.kind !== 'file' && <Arrange door={door} />}
              {office && door.kind === 'file' && (
                <LinkButton size="tiny" href="/contacts/import">
                  Import a file
                </LinkButton>
              )}
            </Row>
            {door.quiet && (
              <Text block tone="late" small>
                {door.quiet}
              </Text>
            )}
            <Given door={door} />
            {door.address && <Address door={door} />}
            {office && door.kind === 'api' && <ProgramDoor door={door} />}
          </span>
          <b>{format.number(door.arrivals_30_days)}</b>
        </Row>
      ))}
      {office && <NewDoor />}
    </section>
  );
}

/** What the door gives, in words. */
function Given({ door: { source, defaults } }: { door: DoorJson }) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const parts = [
    source && `source “${source}”`,
    defaults.roles?.length && `role ${defaults.roles.map((role) => ROLE_NAMES[role]).join(' and ')} unless said`,
    defaults.tags?.length && `tagged ${defaults.tags.join(', ')}`,
    defaults.horizon && `horizon ${nameIn(vocabulary)('horizon', defaults.horizon) ?? defaults.horizon}`,
    defaults.campaign_id &&
      `starts “${nameIn(vocabulary)('campaign', defaults.campaign_id) ?? 'a deleted campaign'}” unless a rung starts one`,
    defaults.on_the_phone && 'already on the phone: no first text',
  ].filter(Boolean);
  return parts.length ? (
    <Text block tone="soft" small>
      {parts.join(' · ')}
    </Text>
  ) : null;
}

function Arrange({ door }: { door: DoorJson }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="tiny" onClick={() => setOpen(true)}>
        Edit
      </Button>
      {open && <DoorDialog door={door} onClose={() => setOpen(false)} />}
    </>
  );
}

function Address({ door }: { door: DoorJson }) {
  const queries = useQueryClient();
  const toast = useToast();
  const [sure, setSure] = useState(false);
  const rotate = useMutation({
    mutationFn: () => ask('POST /doors/{id}/rotate', { params: { id: door.id }, headers: freshKey() }),
    onSuccess: () => {
      setSure(false);
      void queries.invalidateQueries({ queryKey: ['doors'] });
      toast.tell('New address created. Give it to whoever sends you leads; the old one no longer works.');
    },
    onError: toast.fail,
  });
  return (
    <Row as="span" small above={1}>
      <code>{door.address}</code>
      <Button
        size="tiny"
        onClick={() => {
          void navigator.clipboard.writeText(door.address!).then(
            () => toast.tell('Address copied.'),
            () => toast.tell('Couldn’t copy the address. Select it and copy it yourself.'),
          );
        }}
      >
        Copy
      </Button>
      {sure ? (
        <Button look="warn" size="tiny" onClick={() => rotate.mutate()} disabled={rotate.isPending}>
          Replace the address
        </Button>
      ) : (
        <Button size="tiny" onClick={() => setSure(true)}>
          New address
        </Button>
      )}
      <RemoveDoor door={door} />
    </Row>
  );
}

/** Nothing of it is lost, so that it needs no question: Undo opens it again at the same address. */
function RemoveDoor({ door }: { door: DoorJson }) {
  const queries = useQueryClient();
  const toast = useToast();
  const heard = () => void queries.invalidateQueries({ queryKey: ['doors'] });
  const restore = useMutation({
    mutationFn: () => ask('POST /doors/{id}/restore', { params: { id: door.id }, headers: freshKey() }),
    onSuccess: heard,
    onError: toast.fail,
  });
  const remove = useMutation({
    mutationFn: () => ask('DELETE /doors/{id}', { params: { id: door.id } }),
    onSuccess: () => {
      heard();
      toast.tell(`“${door.name}” removed. Leads sent there are refused from now on.`, {
        does: 'Undo',
        act: () => restore.mutate(),
      });
    },
    onError: toast.fail,
  });
  return (
    <Button size="tiny" aria-label={`Remove ${door.name}`} onClick={() => remove.mutate()} disabled={remove.isPending}>
      Remove
    </Button>
  );
}
