'use client';
/** Intake: the stream of inquiries as they arrive, raw and parsed side by side, and the doors with their last arrival. */
import { useRef, useState, useEffect } from 'react';
import { useSearchParams } from 'next/navigation';
import { useQuery } from '@tanstack/react-query';
import { recognisedIn, type InquiryView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { Ago, ask, Glyph, Timer, useKeys } from '../primitives';
import { Trace } from '../routing';
import { Doors } from './doors';
import type { DoorJson } from './shapes';
import { highlight } from './highlight';
import { Senders } from './senders';
import { Sources } from './sources';
import { MailDialog, MailsToReview } from './mails';
import { BareButton, Button, LinkButton } from '../kit';

type Inquiry = Jsoned<InquiryView>;

export function IntakeArea({ doors, office }: { doors: DoorJson[]; office: boolean }) {
  const [limit, setLimit] = useState(50);
  const asked = useSearchParams().get('inquiry');
  const [chosen, setChosen] = useState<string | null>(asked);
  const stream = useQuery({
    queryKey: ['inquiries', limit],
    queryFn: () => ask('GET /inquiries', { query: { limit } }),
    placeholderData: (before) => before,
  });
  const rows = stream.data?.items ?? [];
  const current = chosen ?? rows[0]?.id ?? null;
  const at = rows.findIndex((row) => row.id === current);
  const step = (by: number) => setChosen(rows[Math.max(0, Math.min(rows.length - 1, at + by))]?.id ?? null);
  useKeys({ j: () => step(1), k: () => step(-1), ArrowDown: () => step(1), ArrowUp: () => step(-1) });
  return (
    <div className="area with-dossier">
      <section aria-label="Inquiries">
        <div className="headline">
          <div>
            <h1>Inquiries</h1>
            <p className="soft">
              Every inquiry as it came in, newest first, with who got it and why. <Health doors={doors} />
            </p>
          </div>
        </div>
        <MailsToReview office={office} />
        {stream.isSuccess && rows.length === 0 && (
          <p className="empty">
            No inquiries yet. Connect a lead source with an API key or a lead mailbox, or share your public page.
          </p>
        )}
        <div>
          {rows.map((row) => (
            <Line key={row.id} row={row} chosen={row.id === current} onChoose={() => setChosen(row.id)} />
          ))}
        </div>
        {stream.data?.next_cursor && limit < 200 && (
          <Button size="small" style={{ marginTop: 12 }} onClick={() => setLimit((shown) => shown + 50)}>
            Earlier
          </Button>
        )}
      </section>
      <div style={{ display: 'grid', gap: 16 }}>
        {current && <Side id={current} />}
        <Doors doors={doors} office={office} />
        {office && <Senders />}
        {office && <Sources />}
      </div>
    </div>
  );
}

/** The way to the doors, which says when one has gone quiet. */
function Health({ doors }: { doors: DoorJson[] }) {
  const quiet = doors.filter((door) => door.quiet).map(({ name }) => name);
  return (
    <a href="#doors">
      {doors.length.toLocaleString('en-US')} doors
      {quiet.length > 0 && <span className="late">, quiet: {quiet.join(', ')}</span>}
    </a>
  );
}

function Line({ row, chosen, onChoose }: { row: Inquiry; chosen: boolean; onChoose: () => void }) {
  const line = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen) line.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <BareButton
      ref={line}
      className={`row${chosen ? ' sel' : ''}`}
      style={{ borderBottom: '1px solid var(--hair)' }}
      onClick={onChoose}
      aria-current={chosen}
    >
      <span className="l">
        <span className="cut" style={{ display: 'block' }} dir="auto">
          <b>{row.contact.name || 'No name'}</b> {row.contact.status === 'matched' && <span className="tag">returning</span>}{' '}
          {row.ask}
        </span>
        <span className="soft small cut" style={{ display: 'block' }}>
          {row.door.name === row.source || !row.source ? row.door.name : `${row.source}, door “${row.door.name}”`} · {row.because}
        </span>
      </span>
      <span className="r">{row.first_try_at ? <Ago at={row.arrived_at} /> : <Fresh since={row.arrived_at} />}</span>
    </BareButton>
  );
}

const Fresh = ({ since }: { since: string }) => (
  <span title="Not attempted yet">
    <Timer since={since} />
  </span>
);

/** Raw and parsed: what was recognised is highlighted in the raw text. */
function Side({ id }: { id: string }) {
  const [correcting, setCorrecting] = useState(false);
  const one = useQuery({ queryKey: ['inquiry', id], queryFn: () => ask('GET /inquiries/{id}', { params: { id } }) });
  if (!one.data) return null;
  const { parsed, raw } = one.data;
  const known = recognisedIn(parsed);
  return (
    <section aria-label="One inquiry" className="panel" style={{ padding: '16px 18px' }}>
      <div className="headline" style={{ paddingTop: 0 }}>
        <h1 dir="auto" style={{ fontSize: 20 }}>
          {one.data.contact.name || 'No name'}
        </h1>
        <LinkButton href={`/contacts?contact=${one.data.contact.id}`}>
          Open <Glyph name="hand" />
        </LinkButton>
      </div>
      <p className="because" style={{ marginTop: 0 }}>
        {one.data.because} {one.data.agent && <span className="soft">With {one.data.agent.name}.</span>}
      </p>
      <Trace inquiryId={id} />
      <div className="beside" style={{ justifyContent: 'space-between', margin: '14px 0 4px' }}>
        <h2>What we read</h2>
        {one.data.lead_mail_id && (
          <Button size="tiny" onClick={() => setCorrecting(true)}>
            Correct
          </Button>
        )}
      </div>
      {correcting && one.data.lead_mail_id && (
        <MailDialog id={one.data.lead_mail_id} contactId={one.data.contact.id} onClose={() => setCorrecting(false)} />
      )}
      {known.map(({ name, shown }) => (
        <div key={name} className="pair secret" style={{ padding: '4px 0' }}>
          <span className="soft" style={{ flex: 'none' }}>
            {name}
          </span>
          <span className="right" dir="auto">
            {shown}
          </span>
        </div>
      ))}
      <h2 style={{ margin: '14px 0 4px' }}>Original</h2>
      <pre className="raw secret">
        {highlight(
          asItCame(raw),
          known.flatMap(({ marks }) => marks),
        )}
      </pre>
    </section>
  );
}

/** A mail as its words; anything else as the document that it was. */
function asItCame(raw: unknown): string {
  const mail = (raw as { mail?: { from?: { name: string; address: string }; subject?: string; text?: string } } | null)?.mail;
  return mail?.text === undefined
    ? JSON.stringify(raw, null, 2)
    : `From: ${mail.from?.name ?? ''} <${mail.from?.address ?? ''}>\nSubject: ${mail.subject ?? ''}\n\n${mail.text}`;
}
