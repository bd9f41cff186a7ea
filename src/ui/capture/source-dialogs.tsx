'use client';
/** What is asked before a lead source changes: its name, which other one it is, for which others its rung is copied. */
import { useState } from 'react';
import { ask, freshKey, useFormat } from '../primitives';
import {
  Button,
  CheckboxGroup,
  Dialog,
  Disclosure,
  Field,
  FormDialog,
  ListLine,
  Select,
  SelectFormField,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';
import { useAfterSources, useCopyRung, useSources, type Source } from './use-sources';

export function NewSourceDialog({ sources, onClose }: { sources: Source[]; onClose: () => void }) {
  const after = useAfterSources();
  const toast = useToast();
  const copy = useCopyRung();
  const form = useSaveForm({
    values: { name: '', like: '' },
    save: async ({ name, like }) => ({ ...(await ask('POST /sources', { body: { name }, headers: freshKey() })), like }),
    onSaved: ({ id, name, like }) => {
      const rungId = sources.find((one) => one.id === like)?.routes[0]?.rung?.id;
      after();
      toast.tell(`“${name}” is on the list.`);
      if (rungId) copy.mutate({ rungId, sourceIds: [id] }, { onError: toast.fail });
      onClose();
    },
  });
  const models = sources.filter(({ routes }) => routes[0]?.rung);
  return (
    <FormDialog title="Add a lead source" form={form} does="Add" may={form.form.watch('name').trim() !== ''} onClose={onClose}>
      <TextFormField name="name" label="Name" help="As it stands in its leads, or as you call it." autoFocus />
      <SelectFormField name="like" label="Its leads go">
        <option value="">by the ladder as it is</option>
        {models.map(({ id, name, routes }) => (
          <option key={id} value={id}>
            {`like ${name}: to ${routes[0]!.to}`}
          </option>
        ))}
      </SelectFormField>
    </FormDialog>
  );
}

export function MergeDialog({ source, others, onClose }: { source: Source; others: Source[]; onClose: () => void }) {
  const format = useFormat();
  const { merge } = useSources();
  const [into, setInto] = useState('');
  const target = others.find(({ id }) => id === into);
  return (
    <Dialog
      title={`Merge “${source.name}”`}
      onClose={onClose}
      onSubmit={() => merge.mutate({ id: source.id, into }, { onSuccess: onClose })}
      does={target ? `Merge into ${target.name}` : 'Merge'}
      may={Boolean(target)}
      busy={merge.isPending}
      error={merge.error}
      note={
        <Text tone="soft" small>
          You can undo this.
        </Text>
      }
    >
      <Field label="It’s the same as">
        {(control) => (
          <Select {...control} autoFocus value={into} onChange={({ target: { value } }) => setInto(value)}>
            <option value="">choose a source</option>
            {others
              .filter(({ id }) => id !== source.id)
              .map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
          </Select>
        )}
      </Field>
      {target && (
        <p>
          {format.count(source.people, 'person', 'people')} and every lead, door, segment, and rung of “{source.name}” will be
          called “{target.name}”, now and from now on.
        </p>
      )}
    </Dialog>
  );
}

export function CopyRungDialog({ source, others, onClose }: { source: Source; others: Source[]; onClose: () => void }) {
  const copy = useCopyRung();
  const [chosen, setChosen] = useState<string[]>([]);
  const route = source.routes[0]!;
  return (
    <Dialog
      title={`Copy the rung of “${source.name}”`}
      onClose={onClose}
      onSubmit={() => copy.mutate({ rungId: route.rung!.id, sourceIds: chosen }, { onSuccess: onClose })}
      does="Copy"
      may={chosen.length > 0}
      busy={copy.isPending}
      error={copy.error}
      note={
        <Text tone="soft" small>
          You can undo this.
        </Text>
      }
    >
      <p>
        Rung {route.rung!.position}, “{route.rung!.who}”, sends leads to {route.to}. Each source you pick gets the same rung of
        its own, above this one:
      </p>
      <CheckboxGroup
        label="Lead sources"
        options={others.filter(({ id }) => id !== source.id).map(({ id, name }) => ({ value: id, label: name }))}
        chosen={chosen}
        onChange={setChosen}
      />
    </Dialog>
  );
}

/** Names that are others now, or none. */
export function MergedNames({
  sources,
  busy,
  onSplit,
  onKeep,
}: {
  sources: Source[];
  busy: boolean;
  onSplit: (mergeId: string) => void;
  onKeep: (id: string) => void;
}) {
  const format = useFormat();
  const gone = sources.filter(({ state }) => state === 'merged' || state === 'none');
  if (!gone.length) return null;
  return (
    <Disclosure>
      <summary>{format.count(gone.length, 'name that isn’t', 'names that aren’t')} on the list</summary>
      {gone.map(({ id, name, state, into_name, merge_id }) => (
        <ListLine
          key={id}
          end={
            state === 'none' ? (
              <Button size="tiny" aria-label={`${name} is a lead source`} disabled={busy} onClick={() => onKeep(id)}>
                It’s one of ours
              </Button>
            ) : (
              merge_id && (
                <Button size="tiny" aria-label={`Separate ${name}`} disabled={busy} onClick={() => onSplit(merge_id)}>
                  Separate
                </Button>
              )
            )
          }
        >
          <Text dir="auto">{name}</Text>
          <Text tone="soft" small block>
            {state === 'none' ? 'not a lead source' : `now called “${into_name}”`}
          </Text>
        </ListLine>
      ))}
    </Disclosure>
  );
}
