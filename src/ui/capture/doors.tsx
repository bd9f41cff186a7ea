'use client';
/** The doors with their last arrival; lead mailboxes with their secret address, made and changed by whoever runs the office. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { DoorView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { Ago, ask, Fault, freshKey, useNotices } from '../primitives';

export type Door = Jsoned<DoorView>;

export function Doors({ doors: first, office }: { doors: Door[]; office: boolean }) {
  const { data: doors } = useQuery({
    queryKey: ['doors'],
    queryFn: async () => (await ask<{ items: Door[] }>('/doors')).items,
    initialData: first,
  });
  return (
    <section aria-label="Doors">
      <div className="group" style={{ marginTop: 6 }}>
        <h2>Doors</h2>
        <span className="soft small">30 days</span>
      </div>
      {doors.map((door) => (
        <div key={door.id} className="pair">
          <span>
            {door.name}{' '}
            {door.slug && (
              <a className="soft small" href={`/p/${door.slug}`} target="_blank" rel="noreferrer">
                /p/{door.slug}
              </a>
            )}
            <span className="soft small" style={{ display: 'block' }}>
              {door.last_arrival_at ? (
                <>
                  last arrival <Ago at={door.last_arrival_at} />
                </>
              ) : (
                'nothing has come by yet'
              )}
            </span>
            {door.address && <Address door={door} />}
          </span>
          <b>{door.arrivals_30_days.toLocaleString('en-US')}</b>
        </div>
      ))}
      {office && <NewMailbox />}
    </section>
  );
}

function Address({ door }: { door: Door }) {
  const queries = useQueryClient();
  const notices = useNotices();
  const [sure, setSure] = useState(false);
  const rotate = useMutation({
    mutationFn: () => ask<Door>(`/doors/${door.id}/rotate`, 'POST', undefined, freshKey()),
    onSuccess: () => {
      setSure(false);
      void queries.invalidateQueries({ queryKey: ['doors'] });
      notices.tell('The mailbox has a new address. Tell whoever sends you leads; the old one takes no more mail.');
    },
    onError: notices.fail,
  });
  return (
    <span className="small mailbox">
      <code>{door.address}</code>
      <button
        type="button"
        className="chip tiny"
        onClick={() => {
          void navigator.clipboard.writeText(door.address!).then(
            () => notices.tell('The address is copied.'),
            () => notices.tell('The address could not be copied; mark it and copy it by hand.'),
          );
        }}
      >
        Copy
      </button>
      {sure ? (
        <button type="button" className="chip tiny late" onClick={() => rotate.mutate()} disabled={rotate.isPending}>
          Yes, a new address; this one ends
        </button>
      ) : (
        <button type="button" className="chip tiny" onClick={() => setSure(true)}>
          New address
        </button>
      )}
    </span>
  );
}

function NewMailbox() {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [key, setKey] = useState(freshKey);
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: () => ask<Door>('/doors', 'POST', { name, source: name }, key),
    onSuccess: () => {
      setOpen(false);
      setName('');
      setKey(freshKey());
      void queries.invalidateQueries({ queryKey: ['doors'] });
    },
  });
  if (!open)
    return (
      <button type="button" className="chip" style={{ marginTop: 10 }} onClick={() => setOpen(true)}>
        Add a lead mailbox
      </button>
    );
  return (
    <form
      style={{ marginTop: 8 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim()) make.mutate();
      }}
    >
      <div className="line">
        <input
          autoFocus
          className="chip"
          style={{ cursor: 'text', flex: 1 }}
          aria-label="Who sends these mails"
          placeholder="Who sends these mails, as a portal’s name"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setOpen(false)}
        />
        <button type="submit" className="act" disabled={!name.trim() || make.isPending}>
          Make it
        </button>
      </div>
      <p className="soft small">It gets an address of its own. Give it to the portal, or have its mails forwarded there.</p>
      <Fault error={make.error} />
    </form>
  );
}
