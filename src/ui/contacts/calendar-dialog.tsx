'use client';
/** The important dates of one's people in one's own calendar: a secret address, made, copied, revoked. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, useZone, useFormat } from '../primitives';
import { Button, Callout, Dialog, Text, useToast } from '../kit';

export function CalendarDialog({ onClose }: { onClose: () => void }) {
  const zone = useZone();
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const [url, setUrl] = useState<string | null>(null);
  const { data } = useQuery({
    queryKey: ['feed'],
    queryFn: () => ask('GET /calendar'),
  });
  const after = () => void queries.invalidateQueries({ queryKey: ['feed'] });
  const make = useMutation({
    mutationFn: () => ask('POST /calendar'),
    onSuccess: (made) => {
      setUrl(made.url);
      after();
    },
    onError: toast.fail,
  });
  const revoke = useMutation({
    mutationFn: () => ask('DELETE /calendar'),
    onSuccess: () => {
      setUrl(null);
      after();
      toast.tell('Address revoked. Calendars subscribed to it will stop updating.');
    },
    onError: toast.fail,
  });
  return (
    <Dialog
      title="Important dates in your calendar"
      width="sm"
      onClose={onClose}
      note={
        <>
          {url ? (
            <Button look="main" onClick={() => void navigator.clipboard.writeText(url).then(() => toast.tell('Copied.'))}>
              Copy address
            </Button>
          ) : (
            <Button look="main" disabled={make.isPending} onClick={() => make.mutate()}>
              {data?.feed ? 'Replace the address' : 'Create address'}
            </Button>
          )}
          {data?.feed && (
            <Button look="warn" onClick={() => revoke.mutate()}>
              Revoke
            </Button>
          )}
        </>
      }
    >
      <p>
        Your contacts’ birthdays, anniversaries, and other dates, every year. Subscribe to this address in your calendar. Anyone
        with the address can see them.
      </p>
      {data?.feed && !url && (
        <Text as="p" tone="soft" small>
          Address created {format.dayAndTime(new Date(data.feed.made_at), zone)},{' '}
          {data.feed.read_at ? `last read ${format.dayAndTime(new Date(data.feed.read_at), zone)}` : 'not read yet'}. For security
          it can’t be shown again.
        </Text>
      )}
      {url && (
        <Callout role="status">
          Copy it now. It won’t be shown again: <code>{url}</code>
        </Callout>
      )}
    </Dialog>
  );
}
