'use client';
/** Words as a real person will see them: on a phone, in a mailbox wide or narrow, on paper, before a caller; in light and dark; and tried on oneself. */
import { useState } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import { showPhone } from '@/core/capture';
import { CHANNELS, type Channel, type ContactView } from '@/core/contacts';
import { fillFor, htmlOfText, mailPage, type Words } from '@/core/messages';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';
import { useMergeFields } from './fields';
import { Button, Input, LetterPreview, MailPreview, Panel, PhonePreview, Row, Stack, Text, useToast } from '../kit';

type Contact = Jsoned<ContactView>;
/** Whether they have an address of the channel, so that a preview shows one. */
const reaches = ({ emails, phones, place }: Contact, channel: Channel): boolean =>
  ({ phone: phones.length > 0, email: emails.length > 0, mailing: Boolean(place.street && place.city) })[
    CHANNELS[channel].address
  ];
const nameOf = (contact: Contact): string => `${contact.first_name} ${contact.last_name}`.trim();

export function Preview({ channel, words }: { channel: Channel; words: Words }) {
  const [q, setQ] = useState('');
  const [chosen, setChosen] = useState<Contact | null>(null);
  const [seed, setSeed] = useState(0);
  const [dark, setDark] = useState(false);
  const [narrow, setNarrow] = useState(false);
  const found = useQuery({
    queryKey: ['preview', 'people', q],
    queryFn: async () => (await ask('GET /contacts', { query: { limit: 6, q: q.trim() || undefined } })).items,
    placeholderData: (before) => before,
  });
  const contact = chosen ?? found.data?.find((one) => reaches(one, channel)) ?? found.data?.[0] ?? null;
  const merge = useMergeFields(contact?.id ?? null);
  if (!contact || !merge.data) return null;
  const { fields, texted_before } = merge.data;
  const filled = fillFor(channel, words, fields, {
    seed: `preview ${contact.id} ${seed}`,
    textedBefore: texted_before,
  });
  const { text } = filled;
  const { preview } = CHANNELS[channel];
  const name = nameOf(contact);
  const toggle = (on: boolean, words_: string, set: (on: boolean) => void) => (
    <Button size="tiny" pressed={on} onClick={() => set(!on)}>
      {words_}
    </Button>
  );
  return (
    <Stack as="section" aria-label="Preview" gap={2.5}>
      <Row above={1}>
        <Text tone="soft" small>
          As
        </Text>
        <Input
          list="preview-people"
          aria-label="Preview as"
          width={170}
          placeholder={name || 'somebody'}
          value={q}
          onChange={(event) => {
            setQ(event.target.value);
            const one = found.data?.find((row) => nameOf(row) === event.target.value);
            if (one) setChosen(one);
          }}
        />
        <datalist id="preview-people">
          {found.data?.map((row) => (
            <option key={row.id} value={nameOf(row)} />
          ))}
        </datalist>
        <Text tone="soft" small>
          {name} will see this{filled.usedPlain ? ', in the plain version' : ''}
        </Text>
        {filled.picks.length > 0 && (
          <Button size="tiny" onClick={() => setSeed(seed + 1)}>
            another wording
          </Button>
        )}
        {(preview === 'phone' || preview === 'mailbox') && toggle(dark, 'dark', setDark)}
        {preview === 'mailbox' && toggle(narrow, 'narrow', setNarrow)}
        <TryIt channel={channel} words={words} contactId={contact.id} />
      </Row>
      {preview === 'phone' && (
        <PhonePreview dark={dark}>
          <div>{fields.agent_phone || fields.brokerage}</div>
          <div data-bubble="" dir="auto">
            {text}
          </div>
        </PhonePreview>
      )}
      {preview === 'mailbox' && (
        <MailPreview dark={dark} narrow={narrow}>
          <div data-from="">
            <b>{filled.subject}</b>
            <span>
              {fields.agent_name} · to {contact.emails[0] ?? 'no one: no address'}
              {(words.files?.length ?? 0) > 0 && ` · with ${words.files!.map((file) => file.name).join(', ')}`}
            </span>
          </div>
          {filled.html ? (
            <iframe
              title="The email"
              sandbox=""
              data-body=""
              srcDoc={mailPage(filled.html, '').replace(
                '<head>',
                `<head><style>${dark ? 'html{background:#171b21}body{filter:invert(.9) hue-rotate(180deg)}img{filter:invert(1) hue-rotate(180deg)}' : ''}</style>`,
              )}
            />
          ) : (
            <div
              data-body=""
              dir="auto"
              dangerouslySetInnerHTML={{ __html: htmlOfText(text).replaceAll(/ style="[^"]*"/g, '') }}
            />
          )}
        </MailPreview>
      )}
      {preview === 'paper' && (
        <LetterPreview>
          <div data-window="">
            {name}
            <br />
            {[contact.place.street, [contact.place.city, contact.place.postal_code].filter(Boolean).join(' ')]
              .filter(Boolean)
              .join('\n') || 'no mailing address'}
          </div>
          <b>{filled.subject}</b>
          <div data-body="" dir="auto">
            {text}
          </div>
        </LetterPreview>
      )}
      {preview === 'script' && (
        <Panel pad={3}>
          <b>{name}</b>, {contact.phones[0] ? showPhone(contact.phones[0]) : 'no phone number'}
          <Text block pre>
            {text}
          </Text>
        </Panel>
      )}
    </Stack>
  );
}

/** Sends it to oneself, as that person would get it. */
function TryIt({ channel, words, contactId }: { channel: Channel; words: Words; contactId: string }) {
  const toast = useToast();
  const send = useMutation({
    mutationFn: () => ask('POST /messages/try', { body: { trials: [{ channel, words }], contact_id: contactId } }),
    onSuccess: () => toast.tell(`Sent to your own ${CHANNELS[channel].preview === 'phone' ? 'phone' : 'mailbox'}.`),
    onError: toast.fail,
  });
  return (
    <Button size="tiny" disabled={send.isPending} onClick={() => send.mutate()}>
      Send me a test
    </Button>
  );
}
