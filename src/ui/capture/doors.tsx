'use client';
/** The doors with their last arrival; lead mailboxes with their secret address, made and changed by whoever runs the office. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, type ContactRole } from '@/core/contacts';
import { ProgramDoor } from './program-door';
import { ask, freshKey, nameIn, NO_WORDS, useVocabulary } from '../primitives';
import type { DoorJson } from './shapes';
import {
  Ago,
  Button,
  Checkbox,
  DialogBody,
  ErrorMessage,
  FormEnd,
  Heading,
  Input,
  LinkButton,
  Row,
  Text,
  useToast,
} from '../kit';

export function Doors({ doors: first, office }: { doors: DoorJson[]; office: boolean }) {
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
          <b>{door.arrivals_30_days.toLocaleString('en-US')}</b>
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
    defaults.roles?.length && `role ${defaults.roles.join(' and ')} unless said`,
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

/** Name, source and what the door gives. */
function Arrange({ door }: { door: DoorJson }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="tiny" onClick={() => setOpen(true)}>
        Edit
      </Button>
      {open && (
        <Dialog open onClose={() => setOpen(false)} fullWidth maxWidth="xs" aria-labelledby="door-title">
          <ArrangeForm door={door} onClose={() => setOpen(false)} />
        </Dialog>
      )}
    </>
  );
}

/** One of the account's words, or none. */
function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: { value: string; name: string }[];
  onChange: (value: string) => void;
}) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">none</option>
      {options.map((one) => (
        <option key={one.value} value={one.value}>
          {one.name}
        </option>
      ))}
    </TextField>
  );
}

function ArrangeForm({ door, onClose }: { door: DoorJson; onClose: () => void }) {
  const { defaults } = door;
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const first: ContactRole | '' = defaults.roles?.[0] ?? '';
  const [form, setSaid] = useState({
    name: door.name,
    source: door.source ?? '',
    role: first,
    tags: (defaults.tags ?? []).join(', '),
    on_the_phone: defaults.on_the_phone ?? false,
    horizon: defaults.horizon ?? '',
    campaign_id: defaults.campaign_id ?? '',
  });
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: () =>
      ask('PATCH /doors/{id}', {
        params: { id: door.id },
        body: {
          name: form.name,
          source: form.source || null,
          defaults: {
            roles: form.role ? [form.role] : [],
            tags: form.tags.split(/\s*,\s*/).filter(Boolean),
            on_the_phone: form.on_the_phone,
            horizon: form.horizon || null,
            campaign_id: form.campaign_id || null,
          },
        },
      }),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ['doors'] });
      toast.tell('Applies to everything that comes in from now on.');
      onClose();
    },
  });
  const change = (name: keyof typeof form) => (event: { target: { value: string } }) =>
    setSaid({ ...form, [name]: event.target.value });
  return (
    <DialogBody
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <Heading level={1} id="door-title">
        Defaults for “{door.name}”
      </Heading>
      <TextField size="small" label="Name of the door" value={form.name} onChange={change('name')} required />
      <TextField size="small" label="Lead source, if none is given" value={form.source} onChange={change('source')} />
      <TextField
        select
        size="small"
        label="Role, if none is given"
        value={form.role}
        slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
        onChange={change('role')}
      >
        <option value="">none</option>
        {CONTACT_ROLES.map((role) => (
          <option key={role} value={role}>
            {role}
          </option>
        ))}
      </TextField>
      <Choice
        label="Horizon for new contacts"
        value={form.horizon}
        options={vocabulary.names.horizon ?? []}
        onChange={(horizon) => setSaid({ ...form, horizon })}
      />
      <Choice
        label="Campaign, unless a rung starts one"
        value={form.campaign_id}
        options={vocabulary.names.campaign ?? []}
        onChange={(campaign_id) => setSaid({ ...form, campaign_id })}
      />
      <TextField size="small" label="Tags, separated by commas" value={form.tags} onChange={change('tags')} />
      <Checkbox checked={form.on_the_phone} onChange={(event) => setSaid({ ...form, on_the_phone: event.target.checked })}>
        They’re already on the phone with us: no first text
      </Checkbox>
      <ErrorMessage error={save.error} named />
      <FormEnd does="Save" busy={save.isPending} onCancel={onClose} />
    </DialogBody>
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
    </Row>
  );
}

function NewDoor() {
  const [open, setOpen] = useState<'mail' | 'api' | null>(null);
  const [name, setName] = useState('');
  const [key, setKey] = useState(freshKey);
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: () => ask('POST /doors', { body: { kind: open!, name, source: name }, headers: key }),
    onSuccess: () => {
      setOpen(null);
      setName('');
      setKey(freshKey());
      void queries.invalidateQueries({ queryKey: ['doors'] });
    },
  });
  if (!open)
    return (
      <Row above={2.5}>
        <Button size="small" onClick={() => setOpen('mail')}>
          Add a lead mailbox
        </Button>
        <Button size="small" onClick={() => setOpen('api')}>
          Add a door for programs
        </Button>
      </Row>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim()) make.mutate();
      }}
    >
      <Row>
        <Input
          autoFocus
          grow
          aria-label={open === 'mail' ? 'Who sends these emails' : 'Who sends these leads'}
          placeholder={
            open === 'mail' ? 'Who sends these emails, such as a portal’s name' : 'Who sends them, such as “Our website”'
          }
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setOpen(null)}
        />
        <Button type="submit" disabled={!name.trim() || make.isPending}>
          Create
        </Button>
      </Row>
      <Text as="p" tone="soft" small>
        {open === 'mail'
          ? 'You’ll get an email address. Give it to the portal, or forward its emails there.'
          : 'You’ll get a web address that accepts JSON and forms. Urraca reads the fields, and you can correct it.'}
      </Text>
      <ErrorMessage error={make.error} />
    </form>
  );
}
