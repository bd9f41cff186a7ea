'use client';
/** Making something of which a channel and a name are known first; one goes on where it is written. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useQueryClient } from '@tanstack/react-query';
import { CHANNELS, type Channel } from '@/core/contacts';
import { freshKey } from '../primitives';
import { CheckboxFormField, FormDialog, RadioFormField, TextFormField, useSaveForm } from '../kit';

interface Props<C extends Channel> {
  title: string;
  /** What its name is for. */
  label: string;
  does: string;
  channels: readonly C[];
  /** Also asks whether it is for the whole team. */
  team: boolean;
  /** The name under which the list is kept, and below which page it is written then. */
  list: string;
  page: string;
  create: (named: { channel: C; name: string; shared?: boolean }, key: Record<string, string>) => Promise<{ id: string }>;
  onClose: () => void;
}

export function NewNamed<C extends Channel>({ title, label, does, channels, team, list, page, create, onClose }: Props<C>) {
  const [key] = useState(freshKey);
  const router = useRouter();
  const queries = useQueryClient();
  const named = useSaveForm({
    values: { channel: channels[0]!, name: '', shared: team },
    save: ({ channel, name, shared }) => create({ channel: channel as C, name: name.trim(), ...(team ? { shared } : {}) }, key),
    onSaved: ({ id }) => {
      void queries.invalidateQueries({ queryKey: [list] });
      router.push(`${page}/${id}`);
    },
  });
  return (
    <FormDialog title={title} form={named} does={does} may={named.form.watch('name').trim() !== ''} onClose={onClose}>
      <RadioFormField
        name="channel"
        label="For what"
        options={channels.map((value) => ({ value, name: CHANNELS[value].template }))}
      />
      <TextFormField name="name" label={label} autoFocus maxLength={80} />
      {team && <CheckboxFormField name="shared" label="Share with the whole team" />}
    </FormDialog>
  );
}
