'use client';
/** What happened to a contact, newest first: the glyph says how, the words say what, below them who and why. */
import { useState } from 'react';
import { localDay } from '@/core/shared';
import { ACTIVITIES, detailOf } from '@/core/contacts';
import { showPhone } from '@/core/capture';
import { Glyph, useNow, useZone, useFormat } from '../primitives';
import { useTimeline } from './types';
import { Button } from '../kit';

const address = (from: string | undefined): string => (from?.startsWith('+') ? showPhone(from) : (from ?? 'them'));

export function Timeline({ contactId }: { contactId: string }) {
  const [limit, setLimit] = useState(40);
  const timeline = useTimeline(contactId, limit);
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  const today = localDay(now, zone).start;
  if (timeline.isPending) return <p className="soft small">Loading…</p>;
  if (timeline.isError) return <p className="late small">{timeline.error.message}</p>;
  return (
    <div>
      <h2>Timeline</h2>
      <ol style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {timeline.data.items.map((line) => {
          const at = new Date(line.at);
          return (
            <li key={line.id} className="ev">
              <time className="soft small nowrap" dateTime={line.at} title={format.dayAndTime(at, zone)} suppressHydrationWarning>
                {at >= today ? format.time(at, zone) : format.shortDay(at, zone)}
              </time>
              <span
                className="k"
                title={line.direction === 'in' ? 'from them' : undefined}
                style={line.direction === 'in' && line.kind === 'message' ? { color: 'var(--copper)' } : undefined}
              >
                <Glyph name={ACTIVITIES[line.kind].glyph ?? line.channel ?? 'text'} />
              </span>
              <div className="words" dir="auto">
                {ACTIVITIES[line.kind].headline(line)}
                <div className="soft small" dir="ltr">
                  {detailOf(line, { zone, address })}
                </div>
              </div>
            </li>
          );
        })}
      </ol>
      {timeline.data.next_cursor && (
        <Button
          size="small"
          style={{ marginTop: 10 }}
          onClick={() => setLimit((shown) => Math.min(200, shown + 80))}
          disabled={limit >= 200}
        >
          Earlier
        </Button>
      )}
    </div>
  );
}
