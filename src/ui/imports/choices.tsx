'use client';
/** What holds for all people of a file: who is here already, doubtful rows, stage, agent, source, tags. */
import { useState } from 'react';
import type { ImportOptions } from '@/core/imports';
import { NO_WORDS, useVocabulary } from '../primitives';
import type { Import } from './shapes';
import { Columns, Input, Select, Stack } from '../kit';

const MATCHES: [ImportOptions['on_match'], string][] = [
  ['fill', 'fill in blanks'],
  ['update', 'overwrite with the file'],
  ['skip', 'leave them as they are'],
  ['new', 'add as new contacts'],
];

export function Choices({
  data,
  users,
  busy,
  onChange,
}: {
  data: Import;
  users: { id: string; name: string }[];
  busy: boolean;
  onChange: (options: Partial<ImportOptions>) => void;
}) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const [tags, setTags] = useState(data.options.tags.join(', '));
  const [source, setSource] = useState(data.options.source ?? '');
  const { options } = data;
  return (
    <Columns least={240} gap={3.5} above={3.5}>
      <Stack as="label" gap={1} small>
        Existing contacts
        <Select
          value={options.on_match}
          disabled={busy}
          onChange={(event) => onChange({ on_match: event.target.value as ImportOptions['on_match'] })}
        >
          {MATCHES.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Select>
      </Stack>
      <Stack as="label" gap={1} small>
        Rows with problems
        <Select
          value={options.doubtful}
          disabled={busy}
          onChange={(event) => onChange({ doubtful: event.target.value as ImportOptions['doubtful'] })}
        >
          <option value="take">import what’s readable</option>
          <option value="leave">skip them so you can fix them</option>
        </Select>
      </Stack>
      <Stack as="label" gap={1} small>
        Stage for new contacts
        <Select value={options.stage ?? ''} disabled={busy} onChange={(event) => onChange({ stage: event.target.value || null })}>
          <option value="">New, unless the file says otherwise</option>
          {vocabulary.names.stage
            ?.filter(({ value }) => value !== 'archived')
            .map(({ value, name }) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
        </Select>
      </Stack>
      <Stack as="label" gap={1} small>
        Agent
        <Select
          value={options.owner_id ?? ''}
          disabled={busy}
          onChange={(event) => onChange({ owner_id: event.target.value || null })}
        >
          <option value="">me, unless the file says otherwise</option>
          {users.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      </Stack>
      <Stack as="label" gap={1} small>
        Tags for everyone
        <Input
          value={tags}
          placeholder="spring list"
          onChange={(event) => setTags(event.target.value)}
          onBlur={() =>
            onChange({
              tags: tags
                .split(',')
                .map((tag) => tag.trim())
                .filter(Boolean),
            })
          }
        />
      </Stack>
      <Stack as="label" gap={1} small>
        Lead source
        <Input
          value={source}
          placeholder="unless the file says otherwise"
          onChange={(event) => setSource(event.target.value)}
          onBlur={() => onChange({ source: source.trim() || null })}
        />
      </Stack>
    </Columns>
  );
}
