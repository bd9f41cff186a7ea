'use client';
/** Writing a text, an e-mail or a letter to one person. The draft survives a reload; Ctrl+Enter sends. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CHANNELS, type SendChannel } from '@/core/contacts';
import { capitalized, listed } from '@/core/shared';
import { ask, DRAFTS, freshKey, useDraft } from '../primitives';
import { FromTemplate } from './from-template';
import { Button, Checkbox, Field, Input, Kbd, Row, Stack, Text, Textarea, useToast, Well } from '../kit';

export function Compose({
  contactId,
  name,
  household,
  channel,
  onClose,
}: {
  contactId: string;
  name: string;
  /** The others of the household, by name. */
  household: string[];
  channel: SendChannel;
  onClose: () => void;
}) {
  const { sent, hasBlocks, isInParts, isForHousehold } = CHANNELS[channel];
  const [text, setText, clear] = useDraft(DRAFTS.message(channel, contactId));
  const [subject, setSubject, clearSubject] = useDraft(`${channel}_subject_${contactId}`);
  const [key, setKey] = useState(freshKey);
  const [both, setBoth] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const send = useMutation({
    mutationFn: () =>
      ask('POST /contacts/{id}/messages', {
        params: { id: contactId },
        body: { channel, subject: subject || null, text, both: both && household.length > 0 },
        headers: key,
      }),
    onSuccess: ({ because, others }) => {
      clear();
      clearSubject();
      void queries.invalidateQueries();
      const refused = others.filter((other) => !other.sent).map(({ name: who, because: why }) => `Not sent to ${who}: ${why}`);
      toast.tell([because ?? sent, ...refused].join(' '));
      onClose();
    },
    onError: (error) => {
      setKey(freshKey());
      toast.fail(error);
    },
  });
  const { data: signature = '' } = useQuery({
    queryKey: ['contact', contactId, 'signature'],
    queryFn: async () => (await ask('GET /contacts/{id}/merge-fields', { params: { id: contactId } })).signature,
    enabled: hasBlocks,
    staleTime: 300_000,
  });
  const title = `${capitalized(CHANNELS[channel].name)} to ${name}`;
  return (
    <Well
      as="form"
      aria-label="New message"
      onSubmit={(event) => {
        event.preventDefault();
        send.mutate();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onClose();
        }
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) send.mutate();
      }}
    >
      <Stack gap={2.5}>
        {hasBlocks && (
          <Field label="Subject">
            {(control) => (
              <Input {...control} width="100%" value={subject} onChange={(event) => setSubject(event.target.value)} />
            )}
          </Field>
        )}
        <Field label={title}>
          {(control) => (
            <Textarea
              {...control}
              rows={isInParts ? 2 : 5}
              value={text}
              onChange={(event) => setText(event.target.value)}
              autoFocus
            />
          )}
        </Field>
        {signature && (
          <Text block small tone="soft" pre>
            {signature}
          </Text>
        )}
        {household.length > 0 && (
          <Checkbox checked={both} onChange={(event) => setBoth(event.target.checked)}>
            {isForHousehold ? `One letter to both, with ${listed(household)}` : `Write to ${listed(household)} too, separately`}
          </Checkbox>
        )}
        <Row>
          <Button type="submit" look="main" disabled={send.isPending || !text.trim()}>
            Send the {CHANNELS[channel].name} <Kbd>Ctrl Enter</Kbd>
          </Button>
          <Button onClick={onClose}>Later</Button>
          {!text.trim() && (
            <FromTemplate
              channel={channel}
              contactId={contactId}
              label="From a template"
              onFill={(filled) => {
                setText(filled.text);
                if (filled.subject) setSubject(filled.subject);
              }}
            />
          )}
          {isInParts && text.length > 0 && (
            <Text tone="soft" small>
              {text.length > 160
                ? `${text.length} characters, ${Math.ceil(text.length / 153)} parts`
                : `${text.length} of 160 characters`}
            </Text>
          )}
        </Row>
      </Stack>
    </Well>
  );
}
