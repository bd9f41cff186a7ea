'use client';
/** Which channels a person permits, and what they said last; a click records what they say now, with its evidence. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { capitalized } from '@/core/shared';
import { CHANNEL_KEYS, CHANNELS, type Channel } from '@/core/contacts';
import { ask, useZone, useFormat } from '../primitives';
import type { ContactInFull } from './types';
import './contacts.css';
import { BareButton, Button, ErrorMessage, FormEnd, Radio, useToast } from '../kit';

const SAID = { granted: ['yes', 'good'], withdrawn: ['no', 'late'], unknown: ['not said', 'soft'] } as const;

export function Permissions({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  const zone = useZone();
  const format = useFormat();
  const [asked, setAsked] = useState<Channel | null>(null);
  const latest = [...contact.permission_details].sort((a, b) => (b.at ?? '').localeCompare(a.at ?? ''))[0];
  return (
    <section>
      <h2>Permissions</h2>
      {contact.do_not_contact && <div className="late strong">Do not contact</div>}
      {contact.household_do_not_contact && <div className="late strong">Do not contact household</div>}
      <div className="small permits">
        {CHANNEL_KEYS.map((channel) => {
          const [word, look] = SAID[contact.permissions[channel]];
          const words = (
            <>
              {capitalized(CHANNELS[channel].name)} <b className={look}>{word}</b>
            </>
          );
          return readOnly ? (
            <span key={channel}>{words}</span>
          ) : (
            <BareButton key={channel} title="Record what they say now" onClick={() => setAsked(channel)}>
              {words}
            </BareButton>
          );
        })}
      </div>
      {latest?.how && (
        <div className="soft small">
          {latest.how}
          {latest.at && `, ${format.dayAndTime(new Date(latest.at), zone)}`}
        </div>
      )}
      {!readOnly && <DoNotContact contact={contact} />}
      {asked && <Say contact={contact} channel={asked} onClose={() => setAsked(null)} />}
    </section>
  );
}

/** Marking the person, or everybody of their household, and taking it back. */
function DoNotContact({ contact }: { contact: ContactInFull }) {
  const queries = useQueryClient();
  const toast = useToast();
  const set = useMutation({
    mutationFn: (patch: { do_not_contact?: boolean; household_do_not_contact?: boolean }) =>
      ask('PATCH /contacts/{id}', { params: { id: contact.id }, body: patch }),
    onSuccess: (_, patch) => {
      void queries.invalidateQueries();
      const [[name, on]] = Object.entries(patch) as [[string, boolean]];
      toast.tell(on ? 'Marked do not contact.' : 'They can be contacted again.', () => set.mutate({ [name]: !on }));
    },
    onError: toast.fail,
  });
  const { do_not_contact: person, household_do_not_contact: household } = contact;
  return (
    <div className="beside">
      <Button look="text" className="small" onClick={() => set.mutate({ do_not_contact: !person })}>
        {person ? 'Allow contact again' : 'Mark do not contact'}
      </Button>
      {(contact.household.length > 0 || household) && (
        <Button look="text" className="small" onClick={() => set.mutate({ household_do_not_contact: !household })}>
          {household ? 'Allow contact with the household again' : 'Mark the whole household'}
        </Button>
      )}
    </div>
  );
}

function Say({ contact, channel, onClose }: { contact: ContactInFull; channel: Channel; onClose: () => void }) {
  const [state, setState] = useState<'granted' | 'withdrawn'>(
    contact.permissions[channel] === 'granted' ? 'withdrawn' : 'granted',
  );
  const [evidence, setEvidence] = useState('');
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: () => ask('PUT /contacts/{id}/permissions', { params: { id: contact.id }, body: { channel, state, evidence } }),
    onSuccess: () => {
      toast.tell(`${capitalized(CHANNELS[channel].name)}: ${state === 'granted' ? 'yes' : 'no'} recorded.`);
      void queries.invalidateQueries();
      onClose();
    },
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="permission-title" fullWidth maxWidth="xs">
      <form
        className="dialog"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <h1 id="permission-title">
          {capitalized(CHANNELS[channel].plural)} to {contact.first_name || 'them'}
        </h1>
        <div className="line" role="radiogroup" aria-label="What they said">
          {(['granted', 'withdrawn'] as const).map((one) => (
            <label key={one} className="choice">
              <Radio name="said" checked={state === one} onChange={() => setState(one)} /> They said{' '}
              {one === 'granted' ? 'yes' : 'no'}
            </label>
          ))}
        </div>
        <TextField
          autoFocus
          label={state === 'granted' ? 'How and where they said it' : 'How and where, if you know'}
          value={evidence}
          onChange={(event) => setEvidence(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 500 } }}
        />
        <ErrorMessage error={save.error} />
        <FormEnd does="Record" busy={save.isPending} may={state !== 'granted' || Boolean(evidence.trim())} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
