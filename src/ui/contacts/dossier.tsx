'use client';
/**
 * The Dossier: everything about one contact and the work on them. It opens over any area at the right or stands as a page;
 * keys call, write, note, set the next touch, and go to the next person. What is next, what is permitted and what happened last are in sight at once.
 */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Call } from '../calling';
import { ask, freshKey, lazily, useIsNarrow, useRemembered, useShortcuts } from '../primitives';
import { Button, Columns, SidePanel, Skeleton, TabPanel, Tabs, Text, useToast } from '../kit';
import type { OpenDesk } from './desk';
import { Actions, DossierHead, Reasons, type Reason } from './dossier-head';
import { Glance } from './glance';
import { CallDesk, Compose, FollowUp, NextTouch, Note } from './later';
import { Timeline } from './timeline';
import { nameOf, useContact, type ContactInFull } from './types';

export type { Reason } from './dossier-head';
const Facts = lazily(() => import('./facts').then((one) => one.Facts));

interface DossierProps {
  contactId: string;
  /** Reasons that Today found; the strongest first. */
  reasons?: Reason[];
  /** A call under way with this person, after a reload. */
  call?: Call | null;
  readOnly?: boolean;
  /** It stands as a page of its own. */
  page?: boolean;
  onClose?: () => void;
  /** The work on this person is done; what comes next is the next person. */
  onNext?: () => void;
}

export function Dossier(props: DossierProps) {
  const contact = useContact(props.contactId);
  if (contact.isPending)
    return (
      <SidePanel page={props.page ?? false}>
        <Skeleton lines={9} height={28} label="Loading contact" />
      </SidePanel>
    );
  if (contact.isError) {
    return (
      <SidePanel page={props.page ?? false}>
        <Text as="p" tone="late" role="alert">
          {contact.error.message}
        </Text>
        {props.onClose && <Button onClick={props.onClose}>Close</Button>}
      </SidePanel>
    );
  }
  return <Opened key={contact.data.id} {...props} contact={contact.data} />;
}

function Opened({
  contact,
  reasons,
  call,
  readOnly = false,
  page = false,
  onClose,
  onNext,
}: DossierProps & { contact: ContactInFull }) {
  const [desk, setDesk] = useState<OpenDesk>(
    call && call.contact_id === contact.id && call.state !== 'ended' ? { is: 'call', call } : null,
  );
  const toast = useToast();
  const queries = useQueryClient();
  const place = useMutation({
    mutationFn: (number?: string) =>
      ask('POST /contacts/{id}/calls', { params: { id: contact.id }, body: number ? { number } : {}, headers: freshKey() }),
    onSuccess: (placed) => {
      setDesk({ is: 'call', call: placed });
      void queries.invalidateQueries({ queryKey: ['wire'] });
    },
    onError: toast.fail,
  });
  const onThePhone = desk?.is === 'call';
  const open = (next: OpenDesk) => !onThePhone && setDesk(next);
  const close = () => setDesk(null);
  useShortcuts(
    'dossier',
    {
      call: () => !onThePhone && !place.isPending && place.mutate(undefined),
      text: () => open({ is: 'write', channel: 'text' }),
      email: () => open({ is: 'write', channel: 'email' }),
      letter: () => open({ is: 'write', channel: 'letter' }),
      note: () => open({ is: 'note' }),
      nextTouch: () => open({ is: 'next' }),
    },
    !readOnly,
  );
  useShortcuts('dossier', { close: () => !onThePhone && onClose?.() }, desk === null);
  return (
    <SidePanel page={page} aria-label={`Dossier of ${nameOf(contact)}`}>
      <DossierHead contact={contact} readOnly={readOnly} onClose={onClose} />
      <Reasons contact={contact} reasons={reasons} />
      {!readOnly && (
        <Actions
          phones={contact.addresses.phones}
          busy={onThePhone || place.isPending}
          onCall={(number) => place.mutate(number)}
          onOpen={open}
        />
      )}
      {desk?.is === 'call' && (
        <CallDesk
          key={desk.call.id}
          first={desk.call}
          numbers={contact.addresses.phones.filter(({ state }) => state === 'good').map(({ value }) => value)}
          onCall={(number) => place.mutate(number)}
          onDone={() => setDesk({ is: 'next' })}
        />
      )}
      {desk?.is === 'write' && (
        <Compose
          key={desk.channel}
          contactId={contact.id}
          name={nameOf(contact)}
          household={contact.household.map(({ name }) => name)}
          channel={desk.channel}
          onClose={close}
        />
      )}
      {desk?.is === 'note' && <Note contactId={contact.id} onClose={close} />}
      {desk?.is === 'next' && (
        <NextTouch
          contactId={contact.id}
          onClose={(set) => {
            close();
            if (set) onNext?.();
          }}
        />
      )}
      <Glance contact={contact} readOnly={readOnly} onNextTouch={() => open({ is: 'next' })} />
      <Parts contact={contact} readOnly={readOnly} page={page} />
    </SidePanel>
  );
}

/** What happened and what is known: in tabs, or side by side where there is room for both. */
function Parts({ contact, readOnly, page }: { contact: ContactInFull; readOnly: boolean; page: boolean }) {
  const narrow = useIsNarrow();
  const [tab, setTab] = useRemembered('dossier_tab', 'timeline');
  const parts = {
    timeline: <Timeline contactId={contact.id} pinnedId={contact.pinned_note?.id ?? null} readOnly={readOnly} />,
    details: <Facts contact={contact} readOnly={readOnly} />,
    campaigns: <FollowUp contact={contact} readOnly={readOnly} />,
  };
  useShortcuts('dossier', { edit: () => setTab('details') }, !page || narrow);
  if (page && !narrow)
    return (
      <Columns least={380} gap={8}>
        {parts.timeline}
        <div>
          {parts.details}
          {parts.campaigns}
        </div>
      </Columns>
    );
  return (
    <>
      <Tabs
        label="Parts of the dossier"
        at={tab}
        onGo={setTab}
        tabs={[
          { key: 'timeline', name: 'Timeline' },
          { key: 'details', name: 'Details' },
          { key: 'campaigns', name: 'Campaigns' },
        ]}
      />
      <TabPanel of={tab}>{parts[tab]}</TabPanel>
    </>
  );
}
