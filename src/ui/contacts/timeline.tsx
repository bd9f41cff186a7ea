'use client';
/** What happened to a contact, newest first: the glyph says how, the words say what, below them who and why. */
import { useState } from 'react';
import { capitalized, clockTime, localDay, shortDay, dayAndTime, howLong } from '@/core/shared';
import { outcomeName } from '@/core/calling';
import { CHANNELS, type Channel } from '@/core/contacts';
import { showPhone } from '@/core/capture';
import { Glyph, useNow, useZone } from '../primitives';
import { useTimeline, type TimelineLine } from './types';

const GLYPHS: Record<string, string> = {
  inquiry: 'arrive',
  handed: 'hand',
  enrolled: 'flag',
  stopped: 'stop',
  finished: 'done',
  note: 'note',
  waits: 'wait',
  held: 'held',
  bounced: 'held',
  stage: 'flag',
  changed: 'note',
  permission: 'done',
  task: 'call',
  next_touch: 'wait',
  outcome: 'call',
  call: 'call',
  opened: 'email',
  visit: 'visit',
  viewed_home: 'visit',
  saved_home: 'visit',
};

function headline(line: TimelineLine): string {
  const { data } = line;
  switch (line.kind) {
    case 'inquiry':
      return line.text ?? 'Asked to be contacted';
    case 'handed':
      return line.because ?? 'Handed over';
    case 'enrolled':
      return `Follow-up “${data.campaign}” began`;
    case 'stopped':
    case 'finished':
      return line.because ?? 'Follow-up ended';
    case 'call': {
      const length = data.talkSeconds
        ? `, ${howLong(data.talkSeconds * 1000)}`
        : data.ringSeconds
          ? `, rang ${howLong(data.ringSeconds * 1000)}`
          : '';
      if (line.direction === 'in')
        return `${data.talkSeconds ? 'Called us' : 'Called us, nobody answered'}${length}${line.text ? `\n${line.text}` : ''}`;
      return `${outcomeName(data.outcome ?? '')}${length}${line.text ? `\n${line.text}` : ''}`;
    }
    case 'opened':
      return `Opened an e-mail${line.text ? `: ${line.text}` : ''}`;
    case 'clicked':
      return `Followed a link${line.text ? `: ${line.text}` : ''}`;
    case 'visit':
      return line.text || 'Was on the home search';
    case 'viewed_home':
      return `Looked at a home${line.text ? `: ${line.text}` : ''}`;
    case 'saved_home':
      return `Saved a home${line.text ? `: ${line.text}` : ''}`;
    case 'outcome':
      return `Outcome set to ${outcomeName(data.outcome ?? '').toLowerCase()}`;
    case 'stage':
      return line.text ?? '';
    case 'waits':
    case 'held':
    case 'bounced':
      return line.because ?? 'Held back';
    case 'task':
      return `Call due: ${line.text ?? ''}`;
    case 'permission':
      return `${line.channel ? capitalized(CHANNELS[line.channel as Channel].name) : ''}: ${line.text ?? ''}`;
    case 'next_touch':
      return line.text ? `Next touch: ${line.text}` : data.dueAt ? 'Next touch set' : 'Promise taken back';
    default:
      return [data.subject, line.text].filter(Boolean).join('\n');
  }
}

function detail(line: TimelineLine, zone: string): string {
  const { data } = line;
  const parts: string[] = [];
  if (line.kind === 'message') {
    const channel = CHANNELS[(line.channel ?? 'text') as Channel].name;
    const named = capitalized(channel);
    parts.push(
      line.direction === 'in'
        ? `${named} from ${address(data.from)}`
        : data.automatic
          ? data.campaign
            ? `${named} by “${data.campaign}”, day ${data.day ?? 0}`
            : `${named}, ${line.because ?? 'by itself'}`
          : `${named} by ${line.by ?? 'us'}`,
    );
    if (data.autoReply) parts.push('automatic answer');
    if (data.optOut) parts.push('an instruction to stop');
  } else if (line.kind === 'inquiry') {
    parts.push([data.from, data.door && `door “${data.door}”`].filter(Boolean).join(', '));
    if (data.partner) parts.push(`together with ${data.partner}`);
  } else if (line.by) parts.push(`by ${line.by}`);
  if (line.kind === 'next_touch' && data.dueAt) parts.push(dayAndTime(new Date(data.dueAt), zone));
  if (line.because && !['handed', 'stopped', 'finished', 'waits', 'held', 'bounced', 'message'].includes(line.kind))
    parts.push(line.because);
  return parts.filter(Boolean).join(' · ');
}

const address = (from: string | undefined): string => (from?.startsWith('+') ? showPhone(from) : (from ?? 'them'));

const glyphOf = (line: TimelineLine): string =>
  line.kind === 'message' ? (line.channel ?? 'text') : (GLYPHS[line.kind] ?? 'note');

export function Timeline({ contactId }: { contactId: string }) {
  const [limit, setLimit] = useState(40);
  const timeline = useTimeline(contactId, limit);
  const now = useNow();
  const zone = useZone();
  const today = localDay(now, zone).start;
  if (timeline.isPending) return <p className="soft small">Reading …</p>;
  if (timeline.isError) return <p className="late small">{timeline.error.message}</p>;
  return (
    <div>
      <h2>What happened</h2>
      <ol style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {timeline.data.items.map((line) => {
          const at = new Date(line.at);
          return (
            <li key={line.id} className="ev">
              <time className="soft small nowrap" dateTime={line.at} title={dayAndTime(at, zone)} suppressHydrationWarning>
                {at >= today ? clockTime(at, zone) : shortDay(at, zone)}
              </time>
              <span
                className="k"
                title={line.direction === 'in' ? 'from them' : undefined}
                style={line.direction === 'in' && line.kind === 'message' ? { color: 'var(--copper)' } : undefined}
              >
                <Glyph name={glyphOf(line)} />
              </span>
              <div className="words" dir="auto">
                {headline(line)}
                <div className="soft small" dir="ltr">
                  {detail(line, zone)}
                </div>
              </div>
            </li>
          );
        })}
      </ol>
      {timeline.data.next_cursor && (
        <button
          type="button"
          className="chip"
          style={{ marginTop: 10 }}
          onClick={() => setLimit((shown) => Math.min(200, shown + 80))}
          disabled={limit >= 200}
        >
          Earlier
        </button>
      )}
    </div>
  );
}
