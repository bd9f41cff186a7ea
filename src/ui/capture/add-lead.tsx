'use client';
/** Adding a lead by hand: few fields, a way to reach the person, what they permit. What was typed stays when something is wrong. */
import { capitalized } from '@/core/shared';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, type ContactRole } from '@/core/contacts';
import { ask, freshKey, Problem } from '../primitives';
import { Heading, Text, useToast } from '../kit';

const EMPTY = {
  first_name: '',
  last_name: '',
  phone: '',
  email: '',
  role: 'buyer' as ContactRole,
  city: '',
  message: '',
  text: false,
  email_ok: false,
  on_the_phone: false,
};
const FIELDS: Record<string, keyof typeof EMPTY> = {
  'person.emails.0': 'email',
  'person.phones.0': 'phone',
  person: 'phone',
  'place.city': 'city',
  message: 'message',
  'person.first_name': 'first_name',
  'person.last_name': 'last_name',
};

export function AddLeadDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="add-lead">
      {open && <AddLead onClose={onClose} />}
    </Dialog>
  );
}

function AddLead({ onClose }: { onClose: () => void }) {
  const [lead, setLead] = useState(EMPTY);
  const [key] = useState(freshKey);
  const router = useRouter();
  const toast = useToast();
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: () =>
      ask('POST /inquiries', {
        body: {
          person: {
            first_name: lead.first_name,
            last_name: lead.last_name,
            emails: [lead.email].filter(Boolean),
            phones: [lead.phone].filter(Boolean),
          },
          roles: [lead.role],
          source: 'Added by hand',
          message: lead.message || null,
          place: { city: lead.city || null },
          permissions: { ...(lead.text ? { text: true, call: true } : {}), ...(lead.email_ok ? { email: true } : {}) },
          on_the_phone: lead.on_the_phone,
        },
        headers: key,
      }),
    onSuccess: ({ contact, routing }) => {
      void queries.invalidateQueries();
      const known = contact.status === 'matched' ? 'Already in your contacts. ' : 'Added. ';
      toast.tell(`${contact.id ? known : ''}${routing.because}`);
      onClose();
      if (contact.id) router.push(`/contacts?contact=${contact.id}`);
    },
  });
  const problem = add.error instanceof Problem ? add.error : null;
  const error = (name: keyof typeof EMPTY) => problem?.fields.find(({ field }) => FIELDS[field] === name)?.message;
  const field = (name: 'first_name' | 'last_name' | 'phone' | 'email' | 'city' | 'message', label: string, more: object = {}) => (
    <TextField
      label={label}
      value={lead[name]}
      onChange={(event) => setLead({ ...lead, [name]: event.target.value })}
      error={Boolean(error(name))}
      helperText={error(name)}
      fullWidth
      {...more}
    />
  );
  const tick = (name: 'text' | 'email_ok' | 'on_the_phone', label: string) => (
    <FormControlLabel
      control={
        <Checkbox size="small" checked={lead[name]} onChange={(event) => setLead({ ...lead, [name]: event.target.checked })} />
      }
      label={label}
    />
  );
  return (
    <form
      style={{ padding: 24 }}
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <Heading level={1} id="add-lead">
        Add a lead
      </Heading>
      <Stack spacing={1.75} sx={{ mt: 2 }}>
        <Stack direction="row" spacing={1.5}>
          {field('first_name', 'First name', { autoFocus: true })}
          {field('last_name', 'Last name')}
        </Stack>
        <Stack direction="row" spacing={1.5}>
          {field('phone', 'Phone')}
          {field('email', 'Email')}
        </Stack>
        <Stack direction="row" spacing={1.5}>
          <TextField
            select
            label="They want to"
            value={lead.role}
            onChange={(event) => setLead({ ...lead, role: event.target.value as ContactRole })}
            fullWidth
          >
            {CONTACT_ROLES.map((role) => (
              <MenuItem key={role} value={role}>
                {capitalized(role)}
              </MenuItem>
            ))}
          </TextField>
          {field('city', 'City')}
        </Stack>
        {field('message', 'What they asked about', { multiline: true, minRows: 2 })}
        <div>
          {tick('text', 'They agreed to calls and texts')}
          {tick('email_ok', 'They agreed to emails')}
          {tick('on_the_phone', 'I’m on the phone with them now (don’t start a campaign)')}
        </div>
        {add.error && (
          <Text as="p" tone="late" role="alert">
            {problem?.fields.length ? problem.fields.map(({ message }) => message).join('; ') : add.error.message}
          </Text>
        )}
        <Stack direction="row" spacing={1} sx={{ justifyContent: 'flex-end' }}>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={add.isPending}>
            Add lead
          </Button>
        </Stack>
      </Stack>
    </form>
  );
}
