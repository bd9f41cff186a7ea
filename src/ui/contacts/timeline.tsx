'use client';
/** What happened to a contact, newest first, all of it or one group: the glyph says how, the words say what, below them who and why. */
import { useState } from 'react';
import { Pin } from 'lucide-react';
import { localDay } from '@/core/shared';
import { ACTIVITIES, detailOf, TIMELINE_GROUP_KEYS, type TimelineGroup } from '@/core/contacts';
import { showPhone } from '@/core/capture';
import { Glyph, useFormat, useNow, useRemembered, useZone } from '../primitives';
import { BareButton, Button, EventLine, EventList, Row, Skeleton, Text } from '../kit';
import { usePin } from './glance';
import { Whose } from './whose';
import { useTimeline, type TimelineLine } from './types';

const FIRST = 40;
const MORE = 80;
const MOST = 200;
/** Emails longer than this are folded to their beginning. */
const FOLDED_LETTERS = 160;
const NAMES: Record<TimelineGroup | 'all', string> = {
  all: 'All',
  calls: 'Calls',
  messages: 'Messages',
  notes: 'Notes',
  changes: 'Changes',
};

const address = (from: string | undefined): string => (from?.startsWith('+') ? showPhone(from) : (from ?? 'them'));

export function Timeline({ contactId, pinnedId, readOnly }: { contactId: string; pinnedId: string | null; readOnly: boolean }) {
  const [limit, setLimit] = useState(FIRST);
  const [group, setGroup] = useRemembered('timeline_group', 'all');
  const timeline = useTimeline(contactId, limit, group === 'all' ? undefined : group);
  return (
    <section aria-label="Timeline">
      <Row role="group" aria-label="Show" gap={1} above={1}>
        {(['all', ...TIMELINE_GROUP_KEYS] as const).map((key) => (
          <Button key={key} size="tiny" pressed={group === key} onClick={() => setGroup(key)}>
            {NAMES[key]}
          </Button>
        ))}
      </Row>
      {timeline.isPending && <Skeleton lines={5} height={36} label="Loading timeline" />}
      {timeline.isError && (
        <Text as="p" tone="late" small>
          {timeline.error.message}
        </Text>
      )}
      {timeline.data?.items.length === 0 && (
        <Text as="p" tone="soft" above={2}>
          {group === 'all' ? 'Nothing happened yet.' : `No ${NAMES[group].toLowerCase()} yet.`}
        </Text>
      )}
      <EventList>
        {timeline.data?.items.map((line) => (
          <Line key={line.id} line={line} contactId={contactId} pinned={line.id === pinnedId} readOnly={readOnly} />
        ))}
      </EventList>
      {timeline.data?.next_cursor && (
        <Row above={2.5}>
          <Button size="small" onClick={() => setLimit((shown) => Math.min(MOST, shown + MORE))} disabled={limit >= MOST}>
            Earlier
          </Button>
        </Row>
      )}
    </section>
  );
}

function Line({
  line,
  contactId,
  pinned,
  readOnly,
}: {
  line: TimelineLine;
  contactId: string;
  pinned: boolean;
  readOnly: boolean;
}) {
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  const pin = usePin(contactId);
  const at = new Date(line.at);
  const fromThem = line.kind === 'message' && line.direction === 'in';
  return (
    <EventLine data-from-them={fromThem || undefined}>
      <Text as="time" tone="soft" small nowrap dateTime={line.at} title={format.dayAndTime(at, zone)} suppressHydrationWarning>
        {at >= localDay(now, zone).start ? format.time(at, zone) : format.shortDay(at, zone)}
      </Text>
      <i title={line.direction === 'in' ? 'from them' : undefined}>
        <Glyph name={ACTIVITIES[line.kind].glyph ?? line.channel ?? 'text'} />
      </i>
      <div className="words" dir="auto">
        <Words line={line} />
        <Text tone="soft" small block dir="ltr">
          {detailOf(line, { zone, address })}
        </Text>
        {line.data.shared && !readOnly && <Whose line={line} contactId={contactId} />}
      </div>
      {line.kind === 'note' && !readOnly ? (
        <BareButton
          className="pin"
          aria-label={pinned ? 'Unpin this note' : 'Pin this note'}
          aria-pressed={pinned}
          title={pinned ? 'Unpin' : 'Pin above everything else'}
          onClick={() => pin.mutate(pinned ? null : line.id)}
        >
          <Pin size={14} aria-hidden="true" />
        </BareButton>
      ) : (
        <span />
      )}
    </EventLine>
  );
}

/** An email shows its subject and how it begins; the rest opens. */
function Words({ line }: { line: TimelineLine }) {
  const [open, setOpen] = useState(false);
  const words = ACTIVITIES[line.kind].headline(line);
  const folds = line.kind === 'message' && line.channel === 'email' && words.length > FOLDED_LETTERS;
  if (!folds) return words;
  return (
    <>
      {open ? words : `${beginning(words)} …`}{' '}
      <Button look="link" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Show less' : 'Show all'}
      </Button>
    </>
  );
}

/** Whole sentences where they end late enough, else whole words. */
function beginning(words: string): string {
  const room = words.slice(0, FOLDED_LETTERS);
  const sentence = Math.max(...[...room.matchAll(/[.!?](?=\s)|\n/g)].map(({ index }) => index + 1), 0);
  return room.slice(0, sentence > FOLDED_LETTERS / 3 ? sentence : room.lastIndexOf(' ')).trimEnd();
}
