'use client';
/** Intake: the stream of inquiries as they arrive, raw and parsed side by side, and the doors with their last arrival. */
import { useState } from 'react';
import { useSearchParams } from 'next/navigation';
import { useQuery } from '@tanstack/react-query';
import { recognisedIn, type InquiryView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { ask, Glyph, useShortcuts } from '../primitives';
import { Trace } from '../routing';
import { Doors } from './doors';
import { INQUIRIES_SHOWN, type DoorJson } from './shapes';
import { highlight } from './highlight';
import { Senders } from './senders';
import { NewSources } from './new-sources';
import { MailDialog } from './mail-dialog';
import { MailsToReview } from './mails';
import {
  Ago,
  Area,
  Button,
  Callout,
  Chip,
  EmptyState,
  FactLine,
  Heading,
  LinkButton,
  ListRow,
  PageHead,
  Panel,
  RawText,
  Row,
  Skeleton,
  Stack,
  Text,
  Timer,
} from '../kit';

type Inquiry = Jsoned<InquiryView>;

export function IntakeArea({ doors, office }: { doors: DoorJson[]; office: boolean }) {
  const [limit, setLimit] = useState(INQUIRIES_SHOWN);
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
  useShortcuts('list', { next: () => step(1), previous: () => step(-1) });
  return (
    <Area
      label="Inquiries"
      flow
      side={
        <Stack gap={4}>
          {current && <Side id={current} />}
          <Doors doors={doors} office={office} />
          {office && <Senders />}
          {office && <NewSources />}
        </Stack>
      }
    >
      <PageHead
        title="Inquiries"
        note={
          <>
            Every inquiry as it came in, newest first, with who got it and why. <Health doors={doors} />
          </>
        }
      />
      <MailsToReview office={office} />
      {stream.isPending && <Skeleton lines={10} height={44} label="Loading inquiries" />}
      {stream.isSuccess && rows.length === 0 && (
        <EmptyState>
          No inquiries yet. Connect a lead source with an API key or a lead mailbox, or share your public page.
        </EmptyState>
      )}
      {rows.map((row) => (
        <InquiryRow key={row.id} row={row} chosen={row.id === current} onChoose={() => setChosen(row.id)} />
      ))}
      {stream.data?.next_cursor && limit < 200 && (
        <Row above={3}>
          <Button size="small" onClick={() => setLimit((shown) => shown + 50)}>
            Earlier
          </Button>
        </Row>
      )}
    </Area>
  );
}

/** The way to the doors, which says when one has gone quiet. */
function Health({ doors }: { doors: DoorJson[] }) {
  const quiet = doors.filter((door) => door.quiet).map(({ name }) => name);
  return (
    <a href="#doors">
      {doors.length} doors
      {quiet.length > 0 && <Text tone="late">, quiet: {quiet.join(', ')}</Text>}
    </a>
  );
}

function InquiryRow({ row, chosen, onChoose }: { row: Inquiry; chosen: boolean; onChoose: () => void }) {
  return (
    <ListRow
      ruled
      chosen={chosen}
      onChoose={onChoose}
      end={row.first_try_at ? <Ago at={row.arrived_at} /> : <Fresh since={row.arrived_at} />}
    >
      <Text block cut dir="auto">
        <Text strong>{row.contact.name || 'No name'}</Text> {row.contact.status === 'matched' && <Chip>returning</Chip>} {row.ask}
      </Text>
      <Text block tone="soft" small cut>
        {row.door.name === row.source || !row.source ? row.door.name : `${row.source}, door “${row.door.name}”`} · {row.because}
      </Text>
    </ListRow>
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
  const one = useQuery({
    queryKey: ['inquiry', id],
    queryFn: () => ask('GET /inquiries/{id}', { params: { id } }),
    placeholderData: (before) => before,
  });
  if (!one.data) return null;
  const { parsed, raw } = one.data;
  const known = recognisedIn(parsed);
  return (
    <Panel as="section" aria-label="One inquiry">
      <Row spread>
        <Heading level={1} dir="auto">
          {one.data.contact.name || 'No name'}
        </Heading>
        <LinkButton href={`/contacts?contact=${one.data.contact.id}`}>
          Open <Glyph name="hand" />
        </LinkButton>
      </Row>
      <Callout first>
        {one.data.because} {one.data.agent && <Text tone="soft">With {one.data.agent.name}.</Text>}
      </Callout>
      <Trace inquiryId={id} />
      <Row spread above={3}>
        <Heading>What we read</Heading>
        {one.data.lead_mail_id && (
          <Button size="tiny" onClick={() => setCorrecting(true)}>
            Correct
          </Button>
        )}
      </Row>
      {correcting && one.data.lead_mail_id && (
        <MailDialog id={one.data.lead_mail_id} contactId={one.data.contact.id} onClose={() => setCorrecting(false)} />
      )}
      {known.map(({ name, shown }) => (
        <FactLine key={name} label={name}>
          <Text secret dir="auto">
            {shown}
          </Text>
        </FactLine>
      ))}
      <Stack gap={1} above={3}>
        <Heading>Original</Heading>
        <RawText>
          {highlight(
            asItCame(raw),
            known.flatMap(({ marks }) => marks),
          )}
        </RawText>
      </Stack>
    </Panel>
  );
}

/** A mail as its words; anything else as the document that it was. */
function asItCame(raw: unknown): string {
  const mail = (raw as { mail?: { from?: { name: string; address: string }; subject?: string; text?: string } } | null)?.mail;
  return mail?.text === undefined
    ? JSON.stringify(raw, null, 2)
    : `From: ${mail.from?.name ?? ''} <${mail.from?.address ?? ''}>\nSubject: ${mail.subject ?? ''}\n\n${mail.text}`;
}
