'use client';
/** Tags: how many have each, who made it, renamed and recoloured in place, deleted with what takes its place. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { TAG_COLORS } from '@/core/tags';
import { TagChip } from '../changes';
import { ask } from '../primitives';
import { useTags, type Tag } from '../segments';
import { Block } from './block';
import { RemoveDialog } from './remove-dialog';
import type { SettingsView } from '@/core/accounts';
import { Button, Checkbox, FormEnd, Input, Radio, useToast } from '../kit';

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
      {tags?.length === 0 && <p className="soft">None yet. Create tags as you tag contacts.</p>}
      {(all || text ? found : found?.slice(0, SHOWN))?.map((tag) => (
        <Line key={tag.id} tag={tag} tags={tags!} />
      ))}
      {!all && !text && tags && tags.length > SHOWN && (
        <Button look="text" onClick={() => setAll(true)}>
          all {tags.length}…
        </Button>
      )}
      <Rules settings={settings} />
    </Block>
  );
}

function Line({ tag, tags }: { tag: Tag; tags: Tag[] }) {
  const [open, setOpen] = useState<'edit' | 'delete' | null>(null);
  return (
    <>
      <div className="pair">
        <span>
          <TagChip name={tag.name} color={tag.color} />{' '}
          <span className="soft small">
            {tag.uses.toLocaleString('en-US')} {tag.uses === 1 ? 'person' : 'people'}
            {tag.made_by && `, created by ${tag.made_by}`}
            {tag.locked && ', locked'}
          </span>
        </span>
        <span style={{ display: 'flex', gap: 6 }}>
          <Button size="small" onClick={() => setOpen('edit')}>
            Change
          </Button>
          <Button size="small" disabled={tag.locked} onClick={() => setOpen('delete')}>
            Delete…
          </Button>
        </span>
      </div>
      {open === 'edit' && <Edit tag={tag} onClose={() => setOpen(null)} />}
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

function Edit({ tag, onClose }: { tag: Tag; onClose: () => void }) {
  const [name, setName] = useState(tag.name);
  const [color, setColor] = useState<string>(tag.color);
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: (patch: object) => ask('PATCH /tags/{id}', { params: { id: tag.id }, body: patch }),
    onSuccess: () => {
      void queries.invalidateQueries();
      onClose();
    },
    onError: toast.fail,
  });
  return (
    <Dialog open onClose={onClose} aria-label={`Change ${tag.name}`} fullWidth maxWidth="xs">
      <form
        className="dialog"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate({ ...(name !== tag.name ? { name } : {}), color });
        }}
      >
        <h1>Edit tag</h1>
        <div className="box">
          <Input
            autoFocus
            aria-label="Name"
            value={name}
            disabled={tag.locked}
            onChange={(event) => setName(event.target.value)}
            maxLength={60}
            width="100%"
          />
        </div>
        <div className="line" role="radiogroup" aria-label="Color">
          {TAG_COLORS.map((one) => (
            <label key={one} className="choice">
              <Radio name="color" checked={color === one} onChange={() => setColor(one)} /> <TagChip name={one} color={one} />
            </label>
          ))}
        </div>
        <FormEnd does="Keep" busy={save.isPending} may={Boolean(name.trim()) && !tag.locked} onCancel={onClose}>
          <Button onClick={() => save.mutate({ locked: !tag.locked })}>{tag.locked ? 'Unlock' : 'Lock'}</Button>
        </FormEnd>
      </form>
    </Dialog>
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
    <div style={{ marginTop: 10 }}>
      {(['agent', 'caller'] as const).map((role) => (
        <label key={role} className="choice small">
          <Checkbox
            checked={!rules.tag_barred.includes(role)}
            onChange={(event) =>
              set({
                tag_barred: event.target.checked ? rules.tag_barred.filter((one) => one !== role) : [...rules.tag_barred, role],
              })
            }
          />{' '}
          {role}s can create tags
        </label>
      ))}
      <label className="choice small">
        <Checkbox checked={rules.tag_places} onChange={(event) => set({ tag_places: event.target.checked })} /> Tag inquiries with
        their city and ZIP code
      </label>
    </div>
  );
}
