'use client';
/** Mails that nobody could read for sure: they wait here until a person completes them, or sets them aside. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { ask } from '../primitives';
import { MailDialog } from './mail-dialog';
import { Ago, Button, EmptyState, Heading, ListRow, Row, Stack, Text } from '../kit';

type Shown = 'waiting' | 'set_aside';

/** @param office only whoever runs the office sees mails that belong to nobody yet */
export function MailsToReview({ office }: { office: boolean }) {
  const [shown, setShown] = useState<Shown>('waiting');
  const [open, setOpen] = useState<string | null>(null);
  const mails = (state: Shown) => () => ask('GET /lead-mails', { query: { state, limit: 50 } });
  const waiting = useQuery({ queryKey: ['lead-mails', 'waiting'], queryFn: mails('waiting'), enabled: office });
  const aside = useQuery({ queryKey: ['lead-mails', 'set_aside'], queryFn: mails('set_aside'), enabled: office });
  const counts = { waiting: waiting.data?.items.length ?? 0, set_aside: aside.data?.items.length ?? 0 };
  if (!office || (!counts.waiting && !counts.set_aside)) return null;
  const rows = (shown === 'waiting' ? waiting : aside).data?.items ?? [];
  return (
    <Stack as="section" aria-label="Emails to review" gap={0}>
      <Row ruled="head" spread>
        <Heading>
          Emails to review{' '}
          {counts.waiting > 0 && (
            <Text strong tone="late">
              {counts.waiting}
            </Text>
          )}
        </Heading>
        <Button size="tiny" onClick={() => setShown(shown === 'waiting' ? 'set_aside' : 'waiting')}>
          {shown === 'waiting' ? `Not leads: ${counts.set_aside}` : 'Back to emails to review'}
        </Button>
      </Row>
      {rows.length === 0 && <EmptyState>{shown === 'waiting' ? 'Nothing to review.' : 'None.'}</EmptyState>}
      {rows.map((row) => (
        <ListRow key={row.id} ruled chosen={false} onChoose={() => setOpen(row.id)} end={<Ago at={row.arrived_at} />}>
          <Text block cut dir="auto">
            <b>{row.subject || 'No subject'}</b>
          </Text>
          <Text block tone="soft" small cut>
            {row.from.name || row.from.address}, door “{row.door}” · {row.because}
          </Text>
        </ListRow>
      ))}
      {open && <MailDialog id={open} onClose={() => setOpen(null)} />}
    </Stack>
  );
}
