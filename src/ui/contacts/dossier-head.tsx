'use client';
/** The head of the Dossier: who it is, where they stand, how to reach them, why now, and what one can do. */
import { useState } from 'react';
import Link from 'next/link';
import { ChevronDown, X } from 'lucide-react';
import { reasonsFor, type TodayGroup } from '@/core/today';
import { ROLE_NAMES, type AddressView } from '@/core/contacts';
import { capitalized } from '@/core/shared';
import { Glyph, Strokes, useCalling, useFormat, useHorizon, useNow, useZone } from '../primitives';
import {
  Ago,
  BareButton,
  Button,
  Callout,
  Heading,
  LinkButton,
  MenuButton,
  Row,
  Stack,
  Text,
  Toolbar,
  useToast,
  type MenuChoice,
} from '../kit';
import { addressText, USE_NAMES } from './address-words';
import { HorizonMenu, StageMenu, useInPlace } from './in-place';
import type { OpenDesk } from './desk';
import { nameOf, type ContactInFull } from './types';

export interface Reason {
  group: TodayGroup;
  text: string;
  since: string;
}

export function DossierHead({ contact, readOnly, onClose }: { contact: ContactInFull; readOnly: boolean; onClose?: () => void }) {
  const zone = useZone();
  const format = useFormat();
  return (
    <Row spread align="start" gap={4} wrap={false}>
      <Stack gap={0.5} grow>
        <Heading level={1} dir="auto">
          <Link href={`/contacts/${contact.id}`} style={{ textDecoration: 'none' }} prefetch={false}>
            {nameOf(contact)}
          </Link>
        </Heading>
        <StageAndHorizon contact={contact} readOnly={readOnly} />
        {contact.owner && (
          <Text tone="soft" small>
            with {contact.owner.name}
            {contact.owned_since && ` since ${format.shortDay(new Date(contact.owned_since), zone)}`}
          </Text>
        )}
        <Addresses contact={contact} />
      </Stack>
      {onClose && (
        <Button look="text" aria-label="Close contact" title="Close (Esc)" onClick={onClose}>
          <X size={18} aria-hidden="true" />
        </Button>
      )}
    </Row>
  );
}

const rolesOf = ({ roles }: ContactInFull): string =>
  roles.map((role) => capitalized(ROLE_NAMES[role])).join(', ') || 'No role yet';

/** Roles, stage and horizon; the last two are changed where they stand. */
function StageAndHorizon({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const [open, setOpen] = useState<{ is: 'stage' | 'horizon'; anchor: HTMLElement } | null>(null);
  const { setStage, setHorizon, asking } = useInPlace(contact);
  const horizon = useHorizon(contact.horizon);
  const horizonName = contact.horizon ? (horizon?.name ?? '…') : 'No horizon yet';
  const menu = open && { contact, anchor: open.anchor, onClose: () => setOpen(null) };
  const choice = (is: 'stage' | 'horizon', label: string, words: React.ReactNode) =>
    readOnly ? (
      <span>{words}</span>
    ) : (
      <BareButton aria-haspopup="menu" aria-label={label} onClick={(event) => setOpen({ is, anchor: event.currentTarget })}>
        {words} <ChevronDown size={13} aria-hidden="true" />
      </BareButton>
    );
  return (
    <Row gap={1.5}>
      <Text tone="soft">{rolesOf(contact)}</Text>
      <span>·</span>
      {choice('stage', `Stage: ${contact.stage.name}`, contact.stage.name)}
      <span>·</span>
      <Strokes horizon={contact.horizon} />
      {choice('horizon', `Horizon: ${horizonName}`, horizonName)}
      {menu && open.is === 'stage' && <StageMenu {...menu} onPick={setStage} />}
      {menu && open.is === 'horizon' && <HorizonMenu {...menu} onPick={(key) => setHorizon(key || null)} />}
      {asking}
    </Row>
  );
}

function Addresses({ contact }: { contact: ContactInFull }) {
  const calling = useCalling();
  return (
    <Row gap={3}>
      {[...contact.addresses.phones, ...contact.addresses.emails].map((one) => (
        <CopyLine
          key={one.value}
          value={addressText(one)}
          error={contact.address_errors[one.value]}
          tel={calling || one.value.includes('@') ? undefined : one.value}
        />
      ))}
    </Row>
  );
}

function CopyLine({ value, error, tel }: { value: string; error?: string; tel?: string }) {
  const toast = useToast();
  const copy = () => void navigator.clipboard?.writeText(value).then(() => toast.tell(`${value} copied.`));
  return (
    <Text small tone="soft">
      {tel ? (
        <a href={`tel:${tel}`}>
          <Text secret>{value}</Text>
        </a>
      ) : (
        <BareButton title="Copy" onClick={copy}>
          <Text secret>{value}</Text>
        </BareButton>
      )}
      {error && <Text tone="late"> {error}</Text>}
    </Text>
  );
}

/** The reasons Today found, or, in another area, the ones the contact's own state gives. */
export function Reasons({ contact, reasons }: { contact: ContactInFull; reasons?: Reason[] }) {
  const now = useNow();
  const horizon = useHorizon(contact.horizon);
  const own =
    reasons ??
    reasonsFor(
      {
        contactId: contact.id,
        name: '',
        stage: contact.stage.key,
        horizon: contact.horizon,
        horizonName: horizon?.name ?? null,
        horizonStrokes: horizon?.strokes ?? 0,
        ownerName: null,
        handRaisedAt: contact.hand_raised_at ? new Date(contact.hand_raised_at) : null,
        lastAnswer: null,
        lastAnswerChannel: 'text',
        arrivedAt: new Date(contact.created_at),
        tried: contact.calls.attempts > 0,
        ask: 'New: not attempted yet',
        nextTouchAt: contact.next_touch ? new Date(contact.next_touch.at) : null,
        nextTouchKind: contact.next_touch?.kind ?? null,
        nextTouchNote: contact.next_touch?.note ?? null,
        lastOutcome: null,
      },
      now,
      now,
    ).map(({ group, text, since }) => ({ group, text, since: since.toISOString() }));
  return own.slice(0, 2).map((reason, at) => (
    <Callout key={reason.text} first={at === 0} dir="auto">
      {reason.text} {reason.group !== 'their_day' && <Ago at={reason.since} />}
    </Callout>
  ));
}

export function Actions({
  busy,
  phones,
  onCall,
  onOpen,
}: {
  busy: boolean;
  phones: AddressView[];
  /** @param number one of them; the first that works when it is left out */
  onCall: (number?: string) => void;
  onOpen: (desk: OpenDesk) => void;
}) {
  const calling = useCalling();
  const phone = (phones.find(({ state }) => state === 'good') ?? phones[0])?.value;
  const act = (label: string, key: string, glyph: string, desk: OpenDesk) => (
    <Button size="small" title={`${label} (${key})`} onClick={() => onOpen(desk)} disabled={busy}>
      <Glyph name={glyph} /> {label}
    </Button>
  );
  return (
    <Toolbar role="toolbar" aria-label="Actions" gap={1.5}>
      {calling || !phone ? (
        <Button look="main" size="small" title="Call (c)" onClick={() => onCall()} disabled={busy}>
          <Glyph name="call" /> Call
        </Button>
      ) : (
        <LinkButton look="main" size="small" href={`tel:${phone}`}>
          <Glyph name="call" /> Call
        </LinkButton>
      )}
      {calling && phones.length > 1 && (
        <MenuButton
          size="small"
          aria-label="Call another number"
          title="Call another number"
          disabled={busy}
          choices={numberChoices(phones, onCall)}
        >
          <ChevronDown size={14} aria-hidden="true" />
        </MenuButton>
      )}
      {act('Text', 't', 'text', { is: 'write', channel: 'text' })}
      {act('Email', 'e', 'email', { is: 'write', channel: 'email' })}
      {act('Letter', 'm', 'letter', { is: 'write', channel: 'letter' })}
      {act('Note', 'o', 'note', { is: 'note' })}
    </Toolbar>
  );
}

/** Their numbers to choose from, with what each is. */
const numberChoices = (phones: AddressView[], onCall: (number: string) => void): MenuChoice[] =>
  phones.map((phone) => ({
    key: phone.value,
    name: addressText(phone),
    note: [phone.kind && USE_NAMES[phone.kind], phone.label, phone.state === 'wrong' && 'wrong number']
      .filter(Boolean)
      .join(', '),
    onChoose: () => onCall(phone.value),
  }));
