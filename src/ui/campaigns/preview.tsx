'use client';
/** A touch as a real person will see it: on a phone, in a mailbox wide or narrow, on paper; in light and dark. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { Words } from '@/core/campaigns';
import { showPhone } from '@/core/capture';
import type { Channel, ContactView } from '@/core/contacts';
import { fillWords, mergeFields } from '@/core/messages';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';

type Contact = Jsoned<ContactView>;
interface Person {
  id: string;
  name: string;
  phone: string | null;
  email: string;
}

export function Preview({ channel, words, brokerage }: { channel: Channel; words: Words; brokerage: string }) {
  const [q, setQ] = useState('');
  const [chosen, setChosen] = useState<Contact | null>(null);
  const [dark, setDark] = useState(false);
  const [narrow, setNarrow] = useState(false);
  const found = useQuery({
    queryKey: ['preview', 'people', q],
    queryFn: async () =>
      (await ask<{ items: Contact[] }>(`/contacts?limit=6${q.trim() ? `&q=${encodeURIComponent(q.trim())}` : ''}`)).items,
    placeholderData: (before) => before,
  });
  const people = useQuery({
    queryKey: ['people'],
    queryFn: async () => (await ask<{ items: Person[] }>('/people')).items,
    staleTime: 60_000,
  });
  const contact = chosen ?? found.data?.[0] ?? null;
  if (!contact || !people.data) return null;
  const agent = people.data.find(({ id }) => id === contact.owner?.id) ?? null;
  const fields = mergeFields({
    firstName: contact.first_name,
    firstNames: contact.first_name,
    lastName: contact.last_name,
    town: contact.place.city,
    agent: agent && {
      firstName: agent.name.split(' ')[0]!,
      name: agent.name,
      phone: agent.phone ? showPhone(agent.phone) : '',
    },
    brokerage,
  });
  const { subject, text, usedPlain } = fillWords(words, fields);
  const name = `${contact.first_name} ${contact.last_name}`.trim();
  return (
    <section aria-label="As they will see it" className="preview-step">
      <div className="beside">
        <span className="soft small">As</span>
        <input
          list="preview-people"
          aria-label="Whose preview"
          className="chip tiny"
          style={{ width: 170, cursor: 'text' }}
          placeholder={name || 'somebody'}
          value={q}
          onChange={(event) => {
            setQ(event.target.value);
            const one = found.data?.find((row) => `${row.first_name} ${row.last_name}`.trim() === event.target.value);
            if (one) setChosen(one);
          }}
        />
        <datalist id="preview-people">
          {found.data?.map((row) => (
            <option key={row.id} value={`${row.first_name} ${row.last_name}`.trim()} />
          ))}
        </datalist>
        <span className="soft small">
          {name} will see it{usedPlain ? ', in the plain version' : ''}
        </span>
        {channel !== 'call' && channel !== 'letter' && (
          <button type="button" className={`chip tiny${dark ? ' on' : ''}`} aria-pressed={dark} onClick={() => setDark(!dark)}>
            dark
          </button>
        )}
        {channel === 'email' && (
          <button
            type="button"
            className={`chip tiny${narrow ? ' on' : ''}`}
            aria-pressed={narrow}
            onClick={() => setNarrow(!narrow)}
          >
            narrow
          </button>
        )}
      </div>
      {channel === 'text' && (
        <div className={`seen-phone${dark ? ' dark' : ''}`}>
          <div className="from">{fields.agent_phone || brokerage}</div>
          <div className="bubble" dir="auto">
            {text}
          </div>
        </div>
      )}
      {channel === 'email' && (
        <div className={`seen-mail${dark ? ' dark' : ''}${narrow ? ' narrow' : ''}`}>
          <div className="from">
            <b>{subject}</b>
            <span>
              {fields.agent_name} · to {contact.emails[0] ?? 'nobody: there is no address'}
            </span>
          </div>
          <div className="body" dir="auto">
            {text}
          </div>
        </div>
      )}
      {channel === 'letter' && (
        <div className="seen-paper">
          <div className="window">
            {name}
            <br />
            {[contact.place.street, [contact.place.city, contact.place.postal_code].filter(Boolean).join(' ')]
              .filter(Boolean)
              .join('\n') || 'no mailing address is known'}
          </div>
          <b>{subject}</b>
          <div className="body" dir="auto">
            {text}
          </div>
        </div>
      )}
      {channel === 'call' && (
        <div className="panel" style={{ padding: '12px 16px' }}>
          <b>{name}</b>, {contact.phones[0] ? showPhone(contact.phones[0]) : 'no phone number is known'}
          <p style={{ whiteSpace: 'pre-wrap' }}>{text}</p>
        </div>
      )}
    </section>
  );
}
