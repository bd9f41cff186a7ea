'use client';
/** What a page is beside its blocks: its name and address, source and tags, the texts of permissions, its open house or its search. */
import type { PublicPage, PermissionTexts } from '@/core/pages';
import { AskFor, MapView } from '../market';
import { HomeField, UserField } from './block-fields';
import type { PageDraft } from './shapes';
import { Checkbox, FieldGroup, Input, Stack, Text, Textarea, CountField } from '../kit';

const CHANNEL_WORDS = { text: 'to text', call: 'to call', email: 'to email' } as const;

export function Settings({ draft, onChange }: { draft: PageDraft; onChange: (draft: PageDraft) => void }) {
  const { page } = draft;
  const put = (change: Partial<PublicPage>) => onChange({ ...draft, page: { ...page, ...change } });
  const line = (name: 'name' | 'slug' | 'source' | 'tags', label: string, hint?: string) => (
    <Stack as="label" gap={0.5} small>
      {label}
      <Input
        width="100%"
        maxLength={name === 'slug' ? 60 : 200}
        value={draft[name]}
        placeholder={hint}
        onChange={(event) => onChange({ ...draft, [name]: event.target.value })}
      />
    </Stack>
  );
  return (
    <>
      {page.kind === 'sign_in' && (
        <FieldGroup>
          <legend>The open house</legend>
          <HomeField label="Home" none="none chosen" value={page.listing} onChange={(listing) => put({ listing })} />
          <UserField label="Host" value={page.host_id} onChange={(host_id) => put({ host_id })} />
          <Checkbox checked={page.to_host} onChange={(event) => put({ to_host: event.target.checked })}>
            visitors go to the host, not through the ladder
          </Checkbox>
        </FieldGroup>
      )}
      {page.kind === 'search' && (
        <FieldGroup>
          <legend>Homes to show</legend>
          <AskFor criteria={page.criteria} onChange={(criteria) => put({ criteria })} />
          <MapView
            height={240}
            ring={page.criteria.within ?? null}
            onRing={(ring) => put({ criteria: { ...page.criteria, within: ring ?? undefined } })}
          />
          <HomeField label="Cover" none="no cover" value={page.cover} onChange={(cover) => put({ cover })} />
          <Stack as="label" gap={0.5} small>
            Ask for details after{' '}
            <CountField
              label="Homes before asking for details"
              max={50}
              width={70}
              value={page.gate_after}
              onChange={(gate_after) => put({ gate_after })}
            />{' '}
            homes{page.gate_after === 0 && ' (never)'}
          </Stack>
        </FieldGroup>
      )}
      <FieldGroup>
        <legend>Consent, as visitors read it</legend>
        {(Object.keys(CHANNEL_WORDS) as (keyof PermissionTexts)[]).map((channel) => (
          <div key={channel}>
            <Checkbox
              checked={page.permissions[channel] !== null}
              onChange={(event) => put({ permissions: { ...page.permissions, [channel]: event.target.checked ? '' : null } })}
            >
              ask {CHANNEL_WORDS[channel]}
            </Checkbox>
            {page.permissions[channel] !== null && (
              <Textarea
                width="100%"
                rows={2}
                maxLength={1_000}
                aria-label={`What they agree to when we ask ${CHANNEL_WORDS[channel]}`}
                value={page.permissions[channel]}
                onChange={(event) => put({ permissions: { ...page.permissions, [channel]: event.target.value } })}
              />
            )}
          </div>
        ))}
        <Text as="p" tone="soft" small>
          What visitors agree to is saved word for word with their permission.
        </Text>
      </FieldGroup>
      <FieldGroup>
        <legend>Name and address</legend>
        {line('name', 'Name')}
        {line('slug', 'Web address, after /p/')}
        {line('source', 'Lead source', 'the page’s name')}
        {line('tags', 'Tags for its leads, separated by commas')}
      </FieldGroup>
    </>
  );
}
