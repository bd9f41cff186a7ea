'use client';
/** Broadcasts in a table: to how many, how far, and what became of each. */
import { useState } from 'react';
import Link from 'next/link';
import { CHANNELS, SEND_CHANNELS } from '@/core/contacts';
import { BROADCAST_STATE_WORDS } from '@/core/messages';
import { ask, Glyph, useNow, useZone, when, useFormat } from '../primitives';
import { CampaignTabs, NewNamed, Rate } from '../templates';
import { useBroadcasts, type Broadcast } from './shapes';
import './broadcasts.css';
import '../templates/templates.css';
import { Button } from '../kit';

export function BroadcastsArea({ first }: { first: Broadcast[] }) {
  const format = useFormat();
  const { data: broadcasts } = useBroadcasts(first);
  const [making, setMaking] = useState(false);
  const now = useNow();
  const zone = useZone();
  return (
    <>
      <CampaignTabs />
      <div className="headline">
        <div>
          <h1>Broadcasts</h1>
          <p className="soft">One message to many contacts, each addressed by name. Your guardrails apply.</p>
        </div>
        <Button look="main" onClick={() => setMaking(true)}>
          New broadcast
        </Button>
      </div>
      {broadcasts.length === 0 ? (
        <p className="empty">No broadcasts yet. Start one here, or select people in Contacts and choose “Broadcast…”.</p>
      ) : (
        <table className="grid broadcasts" aria-label="Broadcasts">
          <thead>
            <tr>
              <th>Broadcast</th>
              <th style={{ width: 160 }}>State</th>
              <th className="right" style={{ width: 70 }}>
                Went
              </th>
              <th className="right" style={{ width: 70 }}>
                To go
              </th>
              <th style={{ width: 195 }}>Replied</th>
              <th style={{ width: 195 }}>Opened</th>
              <th style={{ width: 195 }}>Opted out</th>
            </tr>
          </thead>
          <tbody>
            {broadcasts.map((row) => (
              <tr key={row.id}>
                <td>
                  <Glyph name={row.channel} />{' '}
                  <Link href={`/campaigns/broadcasts/${row.id}`} className="strong" prefetch={false}>
                    {row.name}
                  </Link>
                  <span className="soft small cut" style={{ display: 'block', maxWidth: 420 }}>
                    {row.words.subject || row.words.text || 'no message yet'}
                  </span>
                </td>
                <td>
                  {BROADCAST_STATE_WORDS[row.state]}
                  <span className="soft small" style={{ display: 'block' }}>
                    {row.started_at
                      ? when(new Date(row.started_at), now, zone, format)
                      : `made ${when(new Date(row.made_at), now, zone, format)}`}
                    {row.made_by && ` · ${row.made_by.name}`}
                  </span>
                </td>
                <td className="right num-cell">{row.counts.sent.toLocaleString('en-US')}</td>
                <td className="right num-cell">{row.counts.waiting.toLocaleString('en-US')}</td>
                <td>
                  <Rate n={row.counts.answered} of={row.counts.sent} what="replied within a week" />
                </td>
                <td>
                  {CHANNELS[row.channel].isTracked ? (
                    <Rate n={row.counts.opened} of={row.counts.sent} what="opened" />
                  ) : (
                    <span className="soft">not known</span>
                  )}
                </td>
                <td>
                  <Rate n={row.counts.opted_out} of={row.counts.sent} what="opted out" />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {making && (
        <NewNamed
          title="New broadcast"
          label="Internal name"
          does="Create draft"
          channels={SEND_CHANNELS}
          team={false}
          list="broadcasts"
          page="/campaigns/broadcasts"
          create={(named, headers) => ask('POST /broadcasts', { body: { ...named, selection: {} }, headers })}
          onClose={() => setMaking(false)}
        />
      )}
    </>
  );
}
