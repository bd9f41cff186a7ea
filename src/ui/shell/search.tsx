'use client';
/** Search and commands in one place: people by name, e-mail, phone in any spelling, town or tag; areas by their name. */
import { useDeferredValue, useState } from 'react';
import { useRouter } from 'next/navigation';
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { areasFor, type Role } from '@/core/accounts';
import { showPhone } from '@/core/capture';
import { ask, Strokes } from '../primitives';
import { Input } from '../kit';

interface Hit {
  key: string;
  title: string;
  detail: string;
  href: string;
  horizon?: string | null;
}

export function SearchDialog({ open, onClose, role }: { open: boolean; onClose: () => void; role: Role }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      aria-label="Search"
      slotProps={{ paper: { sx: { alignSelf: 'flex-start', mt: 8 } } }}
    >
      {open && <SearchBox onClose={onClose} role={role} />}
    </Dialog>
  );
}

function SearchBox({ onClose, role }: { onClose: () => void; role: Role }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const q = useDeferredValue(text.trim());
  const found = useQuery({
    queryKey: ['search', q],
    queryFn: () => ask('GET /contacts', { query: { limit: 8, q } }),
    enabled: q.length > 0,
    placeholderData: (before) => before,
  });
  const areas: Hit[] = areasFor(role)
    .filter((area) => !q || area.name.toLowerCase().startsWith(q.toLowerCase()))
    .map((area) => ({ key: area.key, title: `Go to ${area.name}`, detail: `g ${area.letter}`, href: area.path }));
  const people: Hit[] = q
    ? (found.data?.items ?? []).map((contact) => ({
        key: contact.id,
        title:
          `${contact.first_name} ${contact.last_name}`.trim() ||
          (contact.emails[0] ?? (showPhone(contact.phones[0] ?? '') || 'No name')),
        detail: [contact.stage.name, contact.place.city, contact.phones[0] && showPhone(contact.phones[0]), contact.emails[0]]
          .filter(Boolean)
          .join(' · '),
        href: `/contacts?contact=${contact.id}`,
        horizon: contact.horizon,
      }))
    : [];
  const hits = [...people, ...areas];
  const go = (hit: Hit | undefined) => {
    if (!hit) return;
    onClose();
    router.push(hit.href);
  };
  return (
    <div style={{ padding: 12 }}>
      <Input
        autoFocus
        value={text}
        aria-label="Search contacts or go to an area"
        placeholder="Name, email, phone, city, or tag"
        role="combobox"
        aria-expanded="true"
        aria-controls="hits"
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(hits.length - 1, at + 1));
          else if (event.key === 'ArrowUp') setAt(Math.max(0, at - 1));
          else if (event.key === 'Enter') go(hits[at]);
          else return;
          event.preventDefault();
        }}
        style={{
          width: '100%',
          font: 'inherit',
          fontSize: 16,
          padding: '10px 12px',
          border: '1px solid var(--line)',
          borderRadius: 6,
          background: 'var(--paper)',
          color: 'var(--ink)',
        }}
      />
      <ul id="hits" role="listbox" aria-label="Found" style={{ listStyle: 'none', margin: '8px 0 0', padding: 0 }}>
        {hits.map((hit, place) => (
          <li
            key={hit.key}
            role="option"
            aria-selected={place === at}
            className={`row${place === at ? ' sel' : ''}`}
            style={{ margin: 0 }}
            onClick={() => go(hit)}
          >
            <span className="l cut">
              <span className="strong">{hit.title}</span> <span className="soft small secret">{hit.detail}</span>
            </span>
            {hit.horizon !== undefined && <Strokes horizon={hit.horizon} />}
          </li>
        ))}
        {q && !found.isFetching && !people.length && (
          <li className="soft small" style={{ padding: 10 }}>
            No matches for “{q}”.
          </li>
        )}
      </ul>
    </div>
  );
}
