'use client';
/** Broadcasts in a table: to how many, how far, and what became of each. */
import { useState } from 'react';
import { CHANNELS, SEND_CHANNELS } from '@/core/contacts';
import { BROADCAST_STATE_WORDS } from '@/core/messages';
import { ask, Glyph, useNow, useZone, when, useFormat } from '../primitives';
import { CampaignTabs, NewNamed, Rate } from '../templates';
import { useBroadcasts, type Broadcast } from './shapes';
import { Button, EmptyState, Heading, LinkButton, Row, Table, Text } from '../kit';

export function BroadcastsArea({ first }: { first: Broadcast[] }) {
  const format = useFormat();
  const { data: broadcasts } = useBroadcasts(first);
  const [making, setMaking] = useState(false);
  const now = useNow();
  const zone = useZone();
  return (
    <>
      <CampaignTabs />
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>Broadcasts</Heading>
          <Text as="p" tone="soft">
            One message to many contacts, each addressed by name. Your guardrails apply.
          </Text>
        </div>
        <Button look="main" onClick={() => setMaking(true)}>
          New broadcast
        </Button>
      </Row>
      {broadcasts.length === 0 ? (
        <EmptyState>No broadcasts yet. Start one here, or select people in Contacts and choose “Broadcast…”.</EmptyState>
      ) : (
        <Table cards aria-label="Broadcasts">
          <thead>
            <tr>
              <th>Broadcast</th>
              <th>State</th>
              <th data-numeric="">Sent</th>
              <th data-numeric="">Left to send</th>
              <th>Replied</th>
              <th>Opened</th>
              <th>Opted out</th>
            </tr>
          </thead>
          <tbody>
            {broadcasts.map((row) => (
              <tr key={row.id}>
                <td>
                  <Glyph name={row.channel} />{' '}
                  <LinkButton look="link" href={`/campaigns/broadcasts/${row.id}`}>
                    <Text strong>{row.name}</Text>
                  </LinkButton>
                  <Text block tone="soft" small cut>
                    {row.words.subject || row.words.text || 'no message yet'}
                  </Text>
                </td>
                <td data-label="State">
                  <span>
                    {BROADCAST_STATE_WORDS[row.state]}
                    <Text block tone="soft" small>
                      {row.started_at
                        ? when(new Date(row.started_at), now, zone, format)
                        : `created ${when(new Date(row.made_at), now, zone, format)}`}
                      {row.made_by && ` · ${row.made_by.name}`}
                    </Text>
                  </span>
                </td>
                <td data-numeric="" data-strong="" data-label="Sent">
                  {format.number(row.counts.sent)}
                </td>
                <td data-numeric="" data-strong="" data-label="Left to send">
                  {format.number(row.counts.waiting)}
                </td>
                <td data-label="Replied">
                  <Rate n={row.counts.answered} of={row.counts.sent} what="replied within a week" />
                </td>
                <td data-label="Opened">
                  {CHANNELS[row.channel].isTracked ? (
                    <Rate n={row.counts.opened} of={row.counts.sent} what="opened" />
                  ) : (
                    <Text tone="soft">not known</Text>
                  )}
                </td>
                <td data-label="Opted out">
                  <Rate n={row.counts.opted_out} of={row.counts.sent} what="opted out" />
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
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
