'use client';
/** Lead sources in one list: where the leads of each go, when the last one came and how it went; made, merged, told from what is none. */
import { useState } from 'react';
import NextLink from 'next/link';
import type { SourceView } from '@/core/capture';
import type { SourceRoute } from '@/core/routing';
import type { Jsoned } from '@/core/shared';
import { useFormat } from '../primitives';
import { Ago, Button, Chip, Dialog, MenuButton, Section, Skeleton, Table, Text } from '../kit';
import { Trace } from '../routing';
import { CopyRungDialog, MergeDialog, MergedNames, NewSourceDialog } from './source-dialogs';
import { useSources, type Source } from './use-sources';

export function Sources() {
  const { sources, split, keep, dismiss } = useSources();
  const [adding, setAdding] = useState(false);
  const [merging, setMerging] = useState<Source | null>(null);
  const [copying, setCopying] = useState<Source | null>(null);
  const [shown, setShown] = useState<Source | null>(null);
  if (!sources) return <Skeleton lines={4} label="Loading lead sources" />;
  const real = sources.filter(({ state }) => state === 'known' || state === 'proposed');
  return (
    <Section
      id="sources"
      tabIndex={-1}
      title="Sources"
      end={
        <Button size="tiny" onClick={() => setAdding(true)}>
          Add a source
        </Button>
      }
    >
      {real.length === 0 ? (
        <Text tone="soft" small>
          No lead sources yet. Each one shows up here with its first lead, or you add it.
        </Text>
      ) : (
        <Table cards aria-label="Lead sources" widths={[180, null, 150, 80, 100]}>
          <thead>
            <tr>
              <th scope="col">Source</th>
              <th scope="col">Leads go to</th>
              <th scope="col">Last lead</th>
              <th scope="col" data-numeric="">
                30 days
              </th>
              <th scope="col">
                <Text unseen>Actions</Text>
              </th>
            </tr>
          </thead>
          <tbody>
            {real.map((source) => (
              <SourceLine
                key={source.id}
                source={source}
                onLast={() => setShown(source)}
                choices={[
                  ...(source.state === 'proposed'
                    ? [{ key: 'keep', name: 'It’s one of ours', onChoose: () => keep.mutate(source.id) }]
                    : []),
                  { key: 'merge', name: 'Merge into another…', disabled: real.length < 2, onChoose: () => setMerging(source) },
                  {
                    key: 'copy',
                    name: 'Copy its rung…',
                    disabled: real.length < 2 || !source.routes[0]?.rung,
                    onChoose: () => setCopying(source),
                  },
                  { key: 'none', name: 'Not a lead source', apart: true, onChoose: () => dismiss.mutate(source) },
                ]}
              />
            ))}
          </tbody>
        </Table>
      )}
      <MergedNames sources={sources} busy={split.isPending} onSplit={(id) => split.mutate(id)} onKeep={(id) => keep.mutate(id)} />
      {adding && <NewSourceDialog sources={real} onClose={() => setAdding(false)} />}
      {merging && <MergeDialog source={merging} others={real} onClose={() => setMerging(null)} />}
      {copying && <CopyRungDialog source={copying} others={real} onClose={() => setCopying(null)} />}
      {shown?.last_lead && <LastLead source={shown} lead={shown.last_lead} onClose={() => setShown(null)} />}
    </Section>
  );
}

function SourceLine({
  source,
  choices,
  onLast,
}: {
  source: Source;
  choices: React.ComponentProps<typeof MenuButton>['choices'];
  onLast: () => void;
}) {
  const format = useFormat();
  const { name, state, people, routes, last_lead, leads_30_days, quiet } = source;
  return (
    <tr>
      <td>
        <Text strong dir="auto">
          {name}
        </Text>{' '}
        {state === 'proposed' && <Chip>new</Chip>}
        <Text tone="soft" small block>
          {format.count(people, 'person', 'people')}
        </Text>
      </td>
      <td data-label="Leads go to">
        <Route routes={routes} />
      </td>
      <td data-label="Last lead">
        {last_lead ? (
          <Button look="link" aria-label={`Last lead of ${name}: ${last_lead.name}, how it went`} onClick={onLast}>
            <Ago at={last_lead.at} />
          </Button>
        ) : (
          <Text tone="soft">none yet</Text>
        )}
        {quiet && (
          <Text tone="late" small block title={quiet}>
            quiet
          </Text>
        )}
      </td>
      <td data-label="30 days" data-numeric="">
        {format.number(leads_30_days)}
      </td>
      <td>
        <MenuButton size="tiny" choices={choices} aria-label={`More for ${name}`}>
          More
        </MenuButton>
      </td>
    </tr>
  );
}

/** Where they go when nothing else is known, and that it may depend on what the lead says. */
function Route({ routes }: { routes: Jsoned<SourceRoute>[] }) {
  const [first, ...others] = routes;
  if (!first) return null;
  const added = [first.campaign, first.lender, ...first.tags.map((tag) => `#${tag}`)].filter(Boolean);
  return (
    <div>
      <Text title={first.rung ? `Rung ${first.rung.position}: ${first.rung.who}` : 'No rung fits'}>
        {first.to}
        {first.rung && <Text tone="soft"> · rung {first.rung.position}</Text>}
      </Text>
      {added.length > 0 && (
        <Text tone="soft" small block>
          {added.join(' · ')}
        </Text>
      )}
      {others.length > 0 && (
        <Text tone="soft" small block title={others.map(({ to, rung }) => (rung ? `${to}: ${rung.who}` : to)).join('\n')}>
          or{' '}
          {others
            .map(({ to }) => to)
            .filter((to, at, all) => all.indexOf(to) === at && to !== first.to)
            .join(', ') || 'by another rung'}
          , by what they ask for
        </Text>
      )}
    </div>
  );
}

function LastLead({
  source,
  lead,
  onClose,
}: {
  source: Source;
  lead: NonNullable<Jsoned<SourceView>['last_lead']>;
  onClose: () => void;
}) {
  return (
    <Dialog title={`Last lead from ${source.name}`} onClose={onClose} width="sm">
      <p>
        <NextLink href={`/contacts/${lead.contact_id}`}>{lead.name}</NextLink>, <Ago at={lead.at} />.
      </p>
      {source.quiet && <Text tone="late">{source.quiet}</Text>}
      <Trace inquiryId={lead.inquiry_id} />
    </Dialog>
  );
}
