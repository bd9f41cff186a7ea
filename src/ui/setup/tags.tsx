'use client';
/** Tags: how many have each, who made it, renamed and recoloured in place, deleted with what takes its place. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { TAG_COLORS } from '@/core/tags';
import { TagChip } from '../changes';
import { ask, useFormat } from '../primitives';
import { useTags, type Tag } from '../segments';
import { Block } from './block';
import { RemoveDialog } from './remove-dialog';
import type { SettingsView } from '@/core/accounts';
import {
  Button,
  Checkbox,
  CHIP_COLORS,
  FormDialog,
  Input,
  ListLine,
  Skeleton,
  Stack,
  Swatches,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';

const SHOWN = 14;

export function Tags({ settings }: { settings: Pick<SettingsView, 'tag_barred' | 'tag_places'> }) {
  const { data: tags } = useTags();
  const [all, setAll] = useState(false);
  const [text, setText] = useState('');
  const found = tags?.filter(({ name }) => name.toLowerCase().includes(text.toLowerCase()));
  return (
    <Block title="Tags" note="For anything stage, horizon, and role don’t cover. Renaming or recoloring updates everywhere.">
      {tags && tags.length > SHOWN && (
        <Input
          width={220}
          aria-label="Find a tag"
          placeholder="Find a tag"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      )}
      {!tags && <Skeleton lines={6} label="Loading tags" />}
      {tags?.length === 0 && <Text tone="soft">None yet. Create tags as you tag contacts.</Text>}
      {text && found?.length === 0 && <Text tone="soft">No matches.</Text>}
      {(all || text ? found : found?.slice(0, SHOWN))?.map((tag) => (
        <TagLine key={tag.id} tag={tag} tags={tags!} />
      ))}
      {!all && !text && tags && tags.length > SHOWN && (
        <div>
          <Button size="small" onClick={() => setAll(true)}>
            Show all {tags.length}
          </Button>
        </div>
      )}
      <Rules settings={settings} />
    </Block>
  );
}

function TagLine({ tag, tags }: { tag: Tag; tags: Tag[] }) {
  const [open, setOpen] = useState<'edit' | 'delete' | null>(null);
  const format = useFormat();
  return (
    <>
      <ListLine
        end={
          <>
            <Button size="small" aria-label={`Edit ${tag.name}`} onClick={() => setOpen('edit')}>
              Edit
            </Button>
            <Button size="small" aria-label={`Delete ${tag.name}`} disabled={tag.locked} onClick={() => setOpen('delete')}>
              Delete…
            </Button>
          </>
        }
      >
        <TagChip name={tag.name} color={tag.color} />{' '}
        <Text tone="soft" small>
          {format.count(tag.uses, 'person', 'people')}
          {tag.made_by && `, created by ${tag.made_by}`}
          {tag.locked && ', locked'}
        </Text>
      </ListLine>
      {open === 'edit' && <TagDialog tag={tag} onClose={() => setOpen(null)} />}
      {open === 'delete' && (
        <RemoveDialog
          name={tag.name}
          remove={(replace_by) => ask('DELETE /tags/{id}', { params: { id: tag.id }, query: { replace_by } })}
          people={tag.uses}
          others={tags.filter(({ id }) => id !== tag.id).map(({ id, name }) => ({ key: id, name }))}
          none="lose it"
          instead={(name) => `get “${name}” instead`}
          button={(people, to) => (to ? `Merge it into “${to}”` : `Remove it from ${people}`)}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}

function TagDialog({ tag, onClose }: { tag: Tag; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const put = (patch: object) => ask('PATCH /tags/{id}', { params: { id: tag.id }, body: patch });
  const saved = () => {
    void queries.invalidateQueries();
    onClose();
  };
  const edit = useSaveForm({
    values: { name: tag.name, color: tag.color },
    save: ({ name, color }) => put({ ...(name !== tag.name ? { name } : {}), color }),
    onSaved: saved,
  });
  const lock = useMutation({ mutationFn: () => put({ locked: !tag.locked }), onSuccess: saved, onError: toast.fail });
  const { name, color } = edit.form.watch();
  return (
    <FormDialog
      title="Edit tag"
      form={edit}
      may={name.trim() !== '' && !tag.locked}
      onClose={onClose}
      note={<Button onClick={() => lock.mutate()}>{tag.locked ? 'Unlock' : 'Lock'}</Button>}
    >
      <TextFormField name="name" label="Name" autoFocus disabled={tag.locked} maxLength={60} />
      <Swatches
        label="Color"
        colors={TAG_COLORS.map((one) => ({ key: one, look: CHIP_COLORS[one]! }))}
        chosen={color}
        onPick={(next) => edit.form.setValue('color', next, { shouldDirty: true })}
      />
    </FormDialog>
  );
}

function Rules({ settings }: { settings: Pick<SettingsView, 'tag_barred' | 'tag_places'> }) {
  const [rules, setRules] = useState(settings);
  const toast = useToast();
  const save = useMutation({
    mutationFn: (patch: Partial<typeof settings>) => ask('PATCH /settings', { body: patch }),
    onError: toast.fail,
  });
  const set = (patch: Partial<typeof settings>) => {
    setRules({ ...rules, ...patch });
    save.mutate(patch);
  };
  return (
    <Stack gap={1} above={3}>
      {(['agent', 'caller'] as const).map((role) => (
        <Checkbox
          key={role}
          checked={!rules.tag_barred.includes(role)}
          onChange={(event) =>
            set({
              tag_barred: event.target.checked ? rules.tag_barred.filter((one) => one !== role) : [...rules.tag_barred, role],
            })
          }
        >
          {role === 'agent' ? 'Agents' : 'Callers'} can create tags
        </Checkbox>
      ))}
      <Checkbox checked={rules.tag_places} onChange={(event) => set({ tag_places: event.target.checked })}>
        Tag inquiries with their city and ZIP code
      </Checkbox>
    </Stack>
  );
}
