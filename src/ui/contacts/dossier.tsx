'use client';
/**
 * The Dossier: everything about one contact and the work on them. It opens over any area at the right or stands as a page;
 * keys call, write, note, set the next touch, and go to the next person.
 */
import { useState } from 'react';
import Link from 'next/link';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { reasonsFor, type TodayGroup } from '@/core/today';
import { showPhone } from '@/core/capture';
import { CallDesk, type Call } from '../calling';
import type { SendChannel } from '@/core/contacts';
import { Compose } from '../messages';
import { Ago, ask, freshKey, useHorizon, useKeys, useNow, useZone, when, useFormat } from '../primitives';
import './contacts.css';
import { Axes } from './stage-and-horizon';
import { Facts } from './facts';
import { NextTouch } from './next-touch';
import { Note } from './note';
import { Timeline } from './timeline';
import { nameOf, useContact, type ContactInFull } from './types';
import { BareButton, Button, useToast } from '../kit';

type Desk = { is: 'call'; call: Call } | { is: 'write'; channel: SendChannel } | { is: 'note' } | { is: 'next' } | null;

export interface Reason {
  group: TodayGroup;
  text: string;
  since: string;
}

interface DossierProps {
  contactId: string;
  /** Reasons that Today found; the strongest first. */
  reasons?: Reason[];
  /** A call under way with this person, after a reload. */
  call?: Call | null;
  readOnly?: boolean;
  onClose?: () => void;
  /** The work on this person is done; what comes next is the next person. */
  onNext?: () => void;
}

export function Dossier(props: DossierProps) {
  const contact = useContact(props.contactId);
  if (contact.isPending) return <div className="dossier panel soft">Loading…</div>;
  if (contact.isError) {
    return (
      <div className="dossier panel">
        <p className="late">{contact.error.message}</p>
        {props.onClose && <Button onClick={props.onClose}>Close</Button>}
      </div>
    );
  }
  return <Opened key={contact.data.id} {...props} contact={contact.data} />;
}

function Opened({ contact, reasons, call, readOnly, onClose, onNext }: DossierProps & { contact: ContactInFull }) {
  const [panel, setDesk] = useState<Desk>(
    call && call.contact_id === contact.id && call.state !== 'ended' ? { is: 'call', call } : null,
  );
  const toast = useToast();
  const queries = useQueryClient();
  const place = useMutation({
    mutationFn: () => ask('POST /contacts/{id}/calls', { params: { id: contact.id }, headers: freshKey() }),
    onSuccess: (placed) => {
      setDesk({ is: 'call', call: placed });
      void queries.invalidateQueries({ queryKey: ['wire'] });
    },
    onError: toast.fail,
  });
  const onThePhone = panel?.is === 'call';
  const open = (next: Desk) => !onThePhone && setDesk(next);
  useKeys(
    {
      c: () => !onThePhone && !place.isPending && place.mutate(),
      t: () => open({ is: 'write', channel: 'text' }),
      e: () => open({ is: 'write', channel: 'email' }),
      m: () => open({ is: 'write', channel: 'letter' }),
      o: () => open({ is: 'note' }),
      s: () => open({ is: 'next' }),
    },
    !readOnly,
  );
  useKeys({ Escape: () => !onThePhone && onClose?.() }, panel === null);
  return (
    <article className="dossier panel" aria-label={`Dossier of ${nameOf(contact)}`}>
      <Head contact={contact} readOnly={readOnly} onClose={onClose} />
      <Reasons contact={contact} reasons={reasons} />
      {!readOnly && (
        <Actions contact={contact} busy={onThePhone || place.isPending} onCall={() => place.mutate()} onOpen={open} />
      )}
      {panel?.is === 'call' && <CallDesk key={panel.call.id} first={panel.call} onDone={() => setDesk({ is: 'next' })} />}
      {panel?.is === 'write' && (
        <Compose
          key={panel.channel}
          contactId={contact.id}
          name={nameOf(contact)}
          household={contact.household.map(({ name }) => name)}
          channel={panel.channel}
          onClose={() => setDesk(null)}
        />
      )}
      {panel?.is === 'note' && <Note contactId={contact.id} onClose={() => setDesk(null)} />}
      {panel?.is === 'next' && (
        <NextTouch
          contactId={contact.id}
          onClose={(set) => {
            setDesk(null);
            if (set) onNext?.();
          }}
        />
      )}
      <div className="cols">
        <Timeline contactId={contact.id} />
        <Facts contact={contact} readOnly={readOnly} />
      </div>
    </article>
  );
}

function Head({ contact, readOnly, onClose }: { contact: ContactInFull; readOnly?: boolean; onClose?: () => void }) {
  const zone = useZone();
  const format = useFormat();
  return (
    <div className="head">
      <div style={{ minWidth: 0 }}>
        <h1 dir="auto">
          <Link href={`/contacts/${contact.id}`} style={{ textDecoration: 'none' }} prefetch={false}>
            {nameOf(contact)}
          </Link>
        </h1>
        <Axes contact={contact} readOnly={readOnly} />
        <div className="soft small">
          {contact.owner &&
            `with ${contact.owner.name}${contact.owned_since ? ` since ${format.shortDay(new Date(contact.owned_since), zone)}` : ''}`}
        </div>
      </div>
      <div className="soft small right">
        {contact.phones.map((phone) => (
          <CopyLine
            key={phone}
            value={`${showPhone(phone)}${contact.extensions[phone] ? ` ext. ${contact.extensions[phone]}` : ''}`}
            error={contact.address_errors[phone]}
          />
        ))}
        {contact.emails.map((email) => (
          <CopyLine key={email} value={email} error={contact.address_errors[email]} />
        ))}
        {onClose && (
          <Button className="close" style={{ marginTop: 8 }} onClick={onClose}>
            Close
          </Button>
        )}
      </div>
    </div>
  );
}

function CopyLine({ value, error }: { value: string; error?: string }) {
  const toast = useToast();
  const copy = () => void navigator.clipboard?.writeText(value).then(() => toast.tell(`${value} copied.`));
  return (
    <div>
      <BareButton className="point" title="Copy" onClick={copy}>
        {value}
      </BareButton>
      {error && <span className="late"> {error}</span>}
    </div>
  );
}

/** The reasons Today found, or, in another area, the ones the contact's own state gives. */
function Reasons({ contact, reasons }: { contact: ContactInFull; reasons?: Reason[] }) {
  const now = useNow();
  const horizon = useHorizon(contact.horizon);
  const own =
    reasons ??
    reasonsFor(
      {
        contactId: contact.id,
        name: '',
        stage: contact.stage.key,
        horizon: contact.horizon,
        horizonName: horizon?.name ?? null,
        horizonStrokes: horizon?.strokes ?? 0,
        ownerName: null,
        handRaisedAt: contact.hand_raised_at ? new Date(contact.hand_raised_at) : null,
        lastAnswer: null,
        lastAnswerChannel: 'text',
        arrivedAt: new Date(contact.created_at),
        tried: contact.calls.attempts > 0,
        ask: 'New: not attempted yet',
        nextTouchAt: contact.next_touch ? new Date(contact.next_touch.at) : null,
        nextTouchKind: contact.next_touch?.kind ?? null,
        nextTouchNote: contact.next_touch?.note ?? null,
        lastOutcome: null,
      },
      now,
      now,
    ).map(({ group, text, since }) => ({ group, text, since: since.toISOString() }));
  return own.slice(0, 3).map((reason) => (
    <p key={reason.text} className="because" dir="auto">
      {reason.text} {reason.group !== 'their_day' && <Ago at={reason.since} />}
    </p>
  ));
}

function Actions({
  contact,
  busy,
  onCall,
  onOpen,
}: {
  contact: ContactInFull;
  busy: boolean;
  onCall: () => void;
  onOpen: (panel: Desk) => void;
}) {
  const format = useFormat();
  const now = useNow();
  const zone = useZone();
  const next = contact.next_touch ? when(new Date(contact.next_touch.at), now, zone, format) : 'none';
  const act = (label: string, key: string, open: Desk) => (
    <Button title={`${label} (${key})`} onClick={() => onOpen(open)} disabled={busy}>
      {label} <kbd>{key}</kbd>
    </Button>
  );
  return (
    <div className="acts" role="toolbar" aria-label="Actions">
      <Button look="main" title="Call (c)" onClick={onCall} disabled={busy}>
        Call <kbd>c</kbd>
      </Button>
      {act('Text', 't', { is: 'write', channel: 'text' })}
      {act('Email', 'e', { is: 'write', channel: 'email' })}
      {act('Letter', 'm', { is: 'write', channel: 'letter' })}
      {act('Note', 'o', { is: 'note' })}
      {act(`Next touch: ${next}`, 's', { is: 'next' })}
    </div>
  );
}
