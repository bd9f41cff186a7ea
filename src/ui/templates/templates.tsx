'use client';
/** Templates by channel, each with what its wording brought; A/B tests between them. */
import { capitalized } from '@/core/shared';
import { useState } from 'react';
import { CHANNEL_KEYS, CHANNELS, type Channel } from '@/core/contacts';
import { countVariants } from '@/core/messages';
import { ask, Glyph, useFormat } from '../primitives';
import { AbTests } from './ab-tests';
import { useTemplates, type Template } from './fields';
import { NewNamed } from './new-named';
import { Rate } from './rates';
import { CampaignTabs } from './tabs';
import { Button, Checkbox, EmptyState, Heading, LinkButton, Row, Table, Text } from '../kit';

const heading = (channel: Channel): string => capitalized(`${CHANNELS[channel].template}s`);

export function TemplatesArea({ first, office }: { first: Template[]; office: boolean }) {
  const format = useFormat();
  const { data: templates = first } = useTemplates(first);
  const [making, setMaking] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const choose = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <>
      <CampaignTabs />
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>Templates</Heading>
          <Text as="p" tone="soft">
            For campaign touches and broadcasts. Results are counted for each wording.
          </Text>
        </div>
        <Button look="main" onClick={() => setMaking(true)}>
          New template
        </Button>
      </Row>
      {templates.length === 0 && <EmptyState>No templates yet. Create your first from what you write most often.</EmptyState>}
      {CHANNEL_KEYS.map((channel) => {
        const rows = templates.filter((one) => one.channel === channel);
        if (!rows.length) return null;
        return (
          <section key={channel} aria-label={heading(channel)}>
            <Table cards widths={[...(office ? [50] : []), null, 90, 130, 130, 150]}>
              <thead>
                <tr>
                  {office && (
                    <th>
                      <Text unseen>In an A/B test</Text>
                    </th>
                  )}
                  <th>
                    <Glyph name={channel} /> {heading(channel)}
                  </th>
                  <th data-numeric="">Sent</th>
                  <th>Replied</th>
                  <th>Opted out</th>
                  <th>Used by</th>
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <tr key={row.id}>
                    {office && (
                      <td>
                        {!CHANNELS[channel].isTask && (
                          <Checkbox
                            aria-label={`${row.name} in an A/B test`}
                            checked={chosen.has(row.id)}
                            onChange={() => choose(row.id)}
                          />
                        )}
                      </td>
                    )}
                    <td>
                      <LinkButton look="link" href={`/campaigns/templates/${row.id}`}>
                        <Text strong>{row.name}</Text>
                      </LinkButton>
                      <Text block tone="soft" small cut>
                        {row.findings.errors > 0 && <Text tone="late">has errors · </Text>}
                        {!row.shared && 'yours · '}
                        {row.words.subject || row.words.text}
                      </Text>
                      {(countVariants(row.words.text) > 1 || row.day_cap) && (
                        <Text tone="soft" small>
                          {countVariants(row.words.text) > 1 && `${format.number(countVariants(row.words.text))} wordings`}
                          {row.day_cap &&
                            ` at most ${format.number(row.day_cap)} a day, ${format.number(row.sent_today)} sent today`}
                        </Text>
                      )}
                    </td>
                    <td data-numeric="" data-strong="" data-label="Sent">
                      {format.number(row.brought.sent)}
                    </td>
                    <td data-label="Replied">
                      <Rate n={row.brought.answered} of={row.brought.sent} what="replied within a week" />
                    </td>
                    <td data-label="Opted out">
                      <Rate n={row.brought.opted_out} of={row.brought.sent} what="opted out within a week" />
                    </td>
                    <td data-label="Used by">
                      {row.campaigns ? (
                        `${row.campaigns} ${row.campaigns === 1 ? 'campaign' : 'campaigns'}`
                      ) : (
                        <Text tone="soft">nothing yet</Text>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table>
          </section>
        );
      })}
      <AbTests templates={templates} chosen={chosen} office={office} onMade={() => setChosen(new Set())} />
      {making && (
        <NewNamed
          title="New template"
          label="Name"
          does="Create"
          channels={CHANNEL_KEYS}
          team={office}
          list="templates"
          page="/campaigns/templates"
          create={(named, headers) =>
            ask('POST /templates', { body: { ...named, words: CHANNELS[named.channel].first }, headers })
          }
          onClose={() => setMaking(false)}
        />
      )}
    </>
  );
}
