'use client';
/** Mails that nobody could read for sure: what they say beside what was recognised, completed by a person and taken in, or set aside. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES } from '@/core/contacts';
import type { LeadMailView } from '@/core/mail';
import type { Jsoned } from '@/core/shared';
import { Ago, ask, Fault, freshKey, useNotices } from '../primitives';
import { highlight } from './highlight';

type Mail = Jsoned<LeadMailView>;
interface Said {
  person: { first_name: string; last_name: string; emails: string[]; phones: string[] };
  roles: string[];
  message?: string;
}
type InFull = Mail & { body: string; inquiry: Said };
type Shown = 'waiting' | 'set_aside';

/** @param office only whoever runs the office sees mails that belong to nobody yet */
export function MailsToLookAt({ office }: { office: boolean }) {
  const [shown, setShown] = useState<Shown>('waiting');
  const [open, setOpen] = useState<string | null>(null);
  const mails = (state: Shown) => () => ask<{ items: Mail[] }>(`/lead-mails?state=${state}&limit=50`);
  const waiting = useQuery({ queryKey: ['lead-mails', 'waiting'], queryFn: mails('waiting'), enabled: office });
  const aside = useQuery({ queryKey: ['lead-mails', 'set_aside'], queryFn: mails('set_aside'), enabled: office });
  const counts = { waiting: waiting.data?.items.length ?? 0, set_aside: aside.data?.items.length ?? 0 };
  if (!office || (!counts.waiting && !counts.set_aside)) return null;
  const rows = (shown === 'waiting' ? waiting : aside).data?.items ?? [];
  return (
    <section aria-label="Mails to look at" style={{ marginBottom: 18 }}>
      <div className="group">
        <h2>Mails to look at {counts.waiting > 0 && <b className="late">{counts.waiting}</b>}</h2>
        <button type="button" className="chip tiny" onClick={() => setShown(shown === 'waiting' ? 'set_aside' : 'waiting')}>
          {shown === 'waiting' ? `Set aside as no lead: ${counts.set_aside}` : 'Back to those that wait'}
        </button>
      </div>
      {rows.length === 0 && <p className="empty">{shown === 'waiting' ? 'None waits.' : 'None was set aside.'}</p>}
      {rows.map((row) => (
        <button
          key={row.id}
          type="button"
          className="row"
          style={{ borderBottom: '1px solid var(--hair)' }}
          onClick={() => setOpen(row.id)}
        >
          <span className="l">
            <span className="cut" style={{ display: 'block' }} dir="auto">
              <b>{row.subject || 'Without a subject'}</b>
            </span>
            <span className="soft small cut" style={{ display: 'block' }}>
              {row.from.name || row.from.address}, door “{row.door}” · {row.because}
            </span>
          </span>
          <span className="r">
            <Ago at={row.arrived_at} />
          </span>
        </button>
      ))}
      {open && <MailDialog id={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

function MailDialog({ id, onClose }: { id: string; onClose: () => void }) {
  const { data } = useQuery({ queryKey: ['lead-mails', 'one', id], queryFn: () => ask<InFull>(`/lead-mails/${id}`) });
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="mail-title">
      {data ? <Reading mail={data} onClose={onClose} /> : <div className="dialog">Opening …</div>}
    </Dialog>
  );
}

function Reading({ mail, onClose }: { mail: InFull; onClose: () => void }) {
  const { person, roles, message } = mail.inquiry;
  const [said, setSaid] = useState({
    first_name: person.first_name,
    last_name: person.last_name,
    emails: person.emails.join(', '),
    phones: person.phones.join(', '),
    role: roles[0] ?? 'buyer',
    message: message ?? '',
  });
  const [key] = useState(freshKey);
  const queries = useQueryClient();
  const notices = useNotices();
  const after = (words: string, undo?: () => void) => {
    void queries.invalidateQueries();
    notices.tell(words, undo);
    onClose();
  };
  const list = (text: string) => text.split(/[,;\s]*[,;]\s*/).filter(Boolean);
  const take = useMutation({
    mutationFn: () =>
      ask<{ routing: { because: string } }>(
        `/lead-mails/${mail.id}/take`,
        'POST',
        {
          ...mail.inquiry,
          person: {
            first_name: said.first_name,
            last_name: said.last_name,
            emails: list(said.emails),
            phones: list(said.phones),
          },
          roles: [said.role],
          message: said.message || null,
        },
        key,
      ),
    onSuccess: ({ routing }) => after(`Taken in. ${routing.because}`),
  });
  const move = (state: Shown) => ask(`/lead-mails/${mail.id}`, 'PATCH', { state });
  const back = useMutation({ mutationFn: () => move('waiting'), onSuccess: () => void queries.invalidateQueries() });
  const aside = useMutation({
    mutationFn: () => move('set_aside'),
    onSuccess: () => after('Set aside as no lead.', () => back.mutate()),
    onError: notices.fail,
  });
  const field = (name: keyof typeof said, label: string, more: object = {}) => (
    <TextField
      size="small"
      label={label}
      value={said[name]}
      onChange={(event) => setSaid({ ...said, [name]: event.target.value })}
      {...more}
    />
  );
  return (
    <form
      className="dialog"
      onSubmit={(event) => {
        event.preventDefault();
        take.mutate();
      }}
    >
      <h1 id="mail-title" dir="auto">
        {mail.subject || 'Without a subject'}
      </h1>
      <p className="soft small">
        From {mail.from.name} {mail.from.address}. {mail.because}
      </p>
      <div className="mail-reading">
        <pre className="raw" dir="auto">
          {highlight(
            mail.body,
            [said.first_name, said.last_name, said.emails, said.message].filter((one) => one.length > 1),
          )}
        </pre>
        <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
          {field('first_name', 'First name')}
          {field('last_name', 'Last name')}
          {field('emails', 'E-mail')}
          {field('phones', 'Phone')}
          <TextField
            select
            size="small"
            label="Role"
            value={said.role}
            slotProps={{ select: { native: true } }}
            onChange={(event) => setSaid({ ...said, role: event.target.value })}
          >
            {CONTACT_ROLES.map((role) => (
              <option key={role} value={role}>
                {role}
              </option>
            ))}
          </TextField>
          {field('message', 'Their words', { multiline: true, minRows: 3, maxRows: 8 })}
        </div>
      </div>
      <Fault error={take.error} />
      <div className="line">
        <button type="submit" className="act main" disabled={take.isPending}>
          Take in as a lead
        </button>
        {mail.state === 'waiting' && (
          <button type="button" className="act" onClick={() => aside.mutate()} disabled={aside.isPending}>
            No lead: set aside
          </button>
        )}
        <button type="button" className="act" onClick={onClose}>
          Later
        </button>
      </div>
    </form>
  );
}
