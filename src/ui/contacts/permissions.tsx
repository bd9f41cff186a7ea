'use client';
/** Which channels a person permits, in a line; a click records what they say now, with its evidence. */
import { useState } from 'react';
import { Check, Minus, X } from 'lucide-react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { capitalized } from '@/core/shared';
import { CHANNEL_KEYS, CHANNELS, type Channel } from '@/core/contacts';
import { ask, useFormat, useZone } from '../primitives';
import { BareButton, MenuButton, Row, Text, useToast } from '../kit';
import { PermissionDialog } from './later';
import type { ContactInFull } from './types';

const SAID = {
  granted: { word: 'yes', tone: 'good', Icon: Check },
  withdrawn: { word: 'no', tone: 'late', Icon: X },
  unknown: { word: 'not asked', tone: 'soft', Icon: Minus },
} as const;

export function Permissions({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  const zone = useZone();
  const format = useFormat();
  const [asked, setAsked] = useState<Channel | null>(null);
  const evidence = (channel: Channel): string => {
    const detail = contact.permission_details.find((one) => one.channel === channel);
    if (!detail?.how) return '';
    return `: ${detail.how}${detail.at ? `, ${format.dayAndTime(new Date(detail.at), zone)}` : ''}`;
  };
  return (
    <Row spread gap={2} wrap={false} align="start">
      <Row gap={3} role="group" aria-label="Permissions">
        <Text tone="soft">Permission</Text>
        {(contact.do_not_contact || contact.household_do_not_contact) && (
          <Text tone="late" strong>
            {contact.do_not_contact ? 'Do not contact' : 'Do not contact household'}
          </Text>
        )}
        {CHANNEL_KEYS.map((channel) => {
          const { word, tone, Icon } = SAID[contact.permissions[channel]];
          const name = capitalized(CHANNELS[channel].plural);
          const words = (
            <Text nowrap>
              {name}{' '}
              <Text tone={tone}>
                <Icon size={14} aria-hidden="true" style={{ verticalAlign: -2 }} />
              </Text>
              <Text unseen>{word}</Text>
            </Text>
          );
          const title = `${name}: ${word}${evidence(channel)}`;
          return readOnly ? (
            <span key={channel} title={title}>
              {words}
            </span>
          ) : (
            <BareButton key={channel} title={`${title}. Click to record what they say now.`} onClick={() => setAsked(channel)}>
              {words}
            </BareButton>
          );
        })}
      </Row>
      {!readOnly && <DoNotContact contact={contact} />}
      {asked && <PermissionDialog contact={contact} channel={asked} onClose={() => setAsked(null)} />}
    </Row>
  );
}

/** Marking the person, or everybody of their household, and taking it back. */
function DoNotContact({ contact }: { contact: ContactInFull }) {
  const queries = useQueryClient();
  const toast = useToast();
  const set = useMutation({
    mutationFn: (patch: { do_not_contact?: boolean; household_do_not_contact?: boolean }) =>
      ask('PATCH /contacts/{id}', { params: { id: contact.id }, body: patch }),
    onSuccess: (_, patch) => {
      void queries.invalidateQueries();
      const [[name, on]] = Object.entries(patch) as [[string, boolean]];
      toast.tell(on ? 'Marked do not contact.' : 'They can be contacted again.', () => set.mutate({ [name]: !on }));
    },
    onError: toast.fail,
  });
  const { do_not_contact: person, household_do_not_contact: household } = contact;
  return (
    <MenuButton
      size="tiny"
      aria-label="Do not contact…"
      title="Do not contact…"
      choices={[
        {
          key: 'person',
          name: person ? 'Allow contact again' : 'Mark do not contact',
          onChoose: () => set.mutate({ do_not_contact: !person }),
        },
        ...(contact.household.length > 0 || household
          ? [
              {
                key: 'household',
                name: household ? 'Allow contact with the household again' : 'Mark the whole household do not contact',
                onChoose: () => set.mutate({ household_do_not_contact: !household }),
              },
            ]
          : []),
      ]}
    >
      …
    </MenuButton>
  );
}
