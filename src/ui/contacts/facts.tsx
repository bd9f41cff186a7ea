'use client';
/** What is known about a contact, beside the timeline: wants, what they permit, follow-up, calls, place, tags. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { howLong } from '@/core/shared';
import { CHANNELS, DATE_NAMES, type Channel } from '@/core/contacts';
import { DetailsDialog } from './details';
import { Household } from './household';
import { Merges } from './merges';
import { Permissions } from './permissions';
import { ContactTags } from './tags';
import { ask, NO_WORDS, useKeys, useNow, useVocabulary, useZone, when, useFormat } from '../primitives';
import { useEnrollments, type ContactInFull } from './types';
import { Button, Select, useToast } from '../kit';

const money = (value: unknown): string | null => (typeof value === 'number' ? value.toLocaleString('en-US') : null);
const list = (value: unknown): string => (Array.isArray(value) ? value.join(', ') : '');

function Wants({ wants }: { wants: Record<string, unknown> }) {
  const format = useFormat();
  const price = [money(wants.price_min), money(wants.price_max)];
  const lines = [
    [
      wants.bedrooms ? `${String(wants.bedrooms)}+ bedrooms` : null,
      wants.bathrooms ? `${String(wants.bathrooms)}+ baths` : null,
      price[0] && price[1] ? `${price[0]} to ${price[1]}` : price[1] ? `to ${price[1]}` : price[0] ? `from ${price[0]}` : null,
    ]
      .filter(Boolean)
      .join(', '),
    [list(wants.areas), list(wants.features)].filter(Boolean).join(' · '),
    typeof wants.move_by === 'string' ? `Moves by ${format.plainDay(wants.move_by)}` : '',
    typeof wants.words === 'string' ? wants.words : '',
  ].filter(Boolean);
  return (
    <section>
      <h2>Wants</h2>
      {lines.length ? lines.map((line) => <div key={line}>{line}</div>) : <div className="soft small">Not known yet</div>}
    </section>
  );
}

function FollowUp({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  const contactId = contact.id;
  const held = contact.campaigns_held;
  const enrollments = useEnrollments(contactId);
  const queries = useQueryClient();
  const toast = useToast();
  const zone = useZone();
  const format = useFormat();
  const now = useNow();
  const stop = useMutation({
    mutationFn: (id: string) => ask('POST /enrollments/{id}/stop', { params: { id } }),
    onSuccess: () => {
      toast.tell('Stopped the campaign for them.');
      void queries.invalidateQueries();
    },
    onError: toast.fail,
  });
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const after = (words: string, undo?: () => void) => {
    toast.tell(words, undo);
    void queries.invalidateQueries();
  };
  const enrol = useMutation({
    mutationFn: (id: string) => ask('POST /contacts/{id}/enrollments', { params: { id: contactId }, body: { campaign_id: id } }),
    onSuccess: () => after('Added to the campaign.'),
    onError: toast.fail,
  });
  const hold = useMutation({
    mutationFn: (next: boolean) => ask('PUT /contacts/{id}/campaigns-held', { params: { id: contactId }, body: { held: next } }),
    onSuccess: (_, next) =>
      after(next ? 'All campaigns are on hold for them.' : 'Campaigns go on for them.', () => hold.mutate(!next)),
    onError: toast.fail,
  });
  return (
    <section>
      <h2>Follow-up</h2>
      {enrollments.data?.items.length === 0 && <div className="soft small">In no campaign</div>}
      {enrollments.data?.items.slice(0, 3).map((one) => (
        <div key={one.id} className="small" style={{ marginBottom: 4 }}>
          {one.state === 'active' || one.state === 'paused' ? (
            <>
              {one.campaign.name}{' '}
              <span className="soft">
                {one.next &&
                  `next: ${CHANNELS[one.next.channel as Channel].name} ${when(new Date(one.next.at), now, zone, format)}, ${format.time(new Date(one.next.at), zone)}${one.next.waits ? ', waits' : ''}`}
              </span>{' '}
              {!readOnly && (
                <Button size="small" style={{ padding: '0 7px' }} onClick={() => stop.mutate(one.id)}>
                  Stop
                </Button>
              )}
            </>
          ) : (
            <span className="soft">{one.because ?? one.campaign.name}</span>
          )}
        </div>
      ))}
      {held && <div className="late small">All campaigns are on hold for them</div>}
      {!readOnly && (
        <div className="beside">
          <Select
            aria-label="Add to a campaign"
            value=""
            disabled={enrol.isPending}
            onChange={(event) => event.target.value && enrol.mutate(event.target.value)}
          >
            <option value="">Add to…</option>
            {(vocabulary.names.campaign ?? []).map(({ value, name }) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </Select>
          <Button size="tiny" pressed={held} onClick={() => hold.mutate(!held)}>
            {held ? 'Resume campaigns' : 'Hold all'}
          </Button>
        </div>
      )}
    </section>
  );
}

function Dates({ contact }: { contact: ContactInFull }) {
  const format = useFormat();
  if (!contact.dates.length) return null;
  return (
    <section>
      <h2>Important dates</h2>
      {contact.dates.map((date, at) => (
        <div key={at} className="small">
          {format.plainDay(date.on)} <span className="soft">{date.label || DATE_NAMES[date.kind]}</span>
        </div>
      ))}
    </section>
  );
}

function OwnFields({ contact }: { contact: ContactInFull }) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const there = vocabulary.fields.filter(({ id }) => contact.fields[id] !== undefined && contact.fields[id] !== null);
  if (!there.length) return null;
  return (
    <section>
      <h2>Fields</h2>
      {there.map((field) => (
        <div key={field.id} className="small">
          <span className="soft">{field.name}:</span> {shownValue(contact.fields[field.id])}
        </div>
      ))}
    </section>
  );
}
const shownValue = (value: unknown): string =>
  Array.isArray(value)
    ? value.join(', ')
    : value === true
      ? 'yes'
      : value === false
        ? 'no'
        : typeof value === 'number'
          ? value.toLocaleString('en-US')
          : String(value);

export function Facts({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  const zone = useZone();
  const format = useFormat();
  const [editing, setEditing] = useState(false);
  useKeys({ d: () => setEditing(true) }, !readOnly && !editing);
  const { calls, place } = contact;
  const address = [place.street, place.city, place.postal_code].filter(Boolean).join(', ');
  return (
    <aside className="facts" aria-label="Details">
      <Wants wants={contact.wants} />
      <Permissions contact={contact} readOnly={readOnly} />
      <FollowUp contact={contact} readOnly={readOnly} />
      <section>
        <h2>Calls</h2>
        <div className="small">
          {calls.attempts === 0
            ? 'Never called'
            : `${calls.attempts} ${calls.attempts === 1 ? 'attempt' : 'attempts'}, ${calls.reached === 0 ? 'never reached' : `reached ${calls.reached === 1 ? 'once' : `${calls.reached} times`}`}`}
          {calls.talk_seconds > 0 && <span className="soft">, {howLong(calls.talk_seconds * 1000)} talk time</span>}
        </div>
      </section>
      {address && (
        <section>
          <h2>Address</h2>
          <div className="small secret">{address}</div>
          {contact.time_zone !== zone && <div className="soft small">time zone: {contact.time_zone.replace('_', ' ')}</div>}
        </section>
      )}
      <section>
        <h2>Lead source</h2>
        <div className="small">
          {contact.source ?? 'unknown'}, <span className="soft">{format.shortDay(new Date(contact.created_at), zone)}</span>
        </div>
      </section>
      <ContactTags contact={contact} readOnly={readOnly} />
      <Dates contact={contact} />
      <OwnFields contact={contact} />
      <Household contact={contact} readOnly={readOnly} />
      {!readOnly && <Merges contactId={contact.id} />}
      {!readOnly && (
        <section>
          <Button size="small" title="Edit contact (d)" onClick={() => setEditing(true)}>
            Edit contact
          </Button>
        </section>
      )}
      {editing && <DetailsDialog contact={contact} onClose={() => setEditing(false)} />}
    </aside>
  );
}
