'use client';
/** A door's name, its source and what it gives to whoever comes in by it. */
import { capitalized } from '@/core/shared';
import { useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, ROLE_NAMES, type ContactRole } from '@/core/contacts';
import { ask, NO_WORDS, useVocabulary } from '../primitives';
import type { DoorJson } from './shapes';
import { CheckboxFormField, FormDialog, SelectFormField, TextFormField, useSaveForm, useToast } from '../kit';

const NONE = <option value="">none</option>;

export function DoorDialog({ door, onClose }: { door: DoorJson; onClose: () => void }) {
  const { name, source, defaults } = door;
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const queries = useQueryClient();
  const toast = useToast();
  const arranged = useSaveForm({
    values: {
      name,
      source: source ?? '',
      role: defaults.roles?.[0] ?? '',
      horizon: defaults.horizon ?? '',
      campaign_id: defaults.campaign_id ?? '',
      tags: (defaults.tags ?? []).join(', '),
      on_the_phone: defaults.on_the_phone ?? false,
    },
    draft: `door_${door.id}`,
    save: (values) =>
      ask('PATCH /doors/{id}', {
        params: { id: door.id },
        body: {
          name: values.name,
          source: values.source || null,
          defaults: {
            roles: values.role ? [values.role as ContactRole] : [],
            tags: values.tags.split(/\s*,\s*/).filter(Boolean),
            on_the_phone: values.on_the_phone,
            horizon: values.horizon || null,
            campaign_id: values.campaign_id || null,
          },
        },
      }),
    onSaved: () => {
      void queries.invalidateQueries({ queryKey: ['doors'] });
      toast.tell('Applies to everything that comes in from now on.');
      onClose();
    },
  });
  const words = (of: 'horizon' | 'campaign') =>
    vocabulary.names[of]?.map((one) => (
      <option key={one.value} value={one.value}>
        {one.name}
      </option>
    ));
  return (
    <FormDialog title={`Defaults for “${name}”`} form={arranged} onClose={onClose}>
      <TextFormField name="name" label="Name of the door" maxLength={80} />
      <TextFormField name="source" label="Lead source, if none is given" />
      <SelectFormField name="role" label="Role, if none is given">
        {NONE}
        {CONTACT_ROLES.map((role) => (
          <option key={role} value={role}>
            {capitalized(ROLE_NAMES[role])}
          </option>
        ))}
      </SelectFormField>
      <SelectFormField name="horizon" label="Horizon for new contacts">
        {NONE}
        {words('horizon')}
      </SelectFormField>
      <SelectFormField name="campaign_id" label="Campaign, unless a rung starts one">
        {NONE}
        {words('campaign')}
      </SelectFormField>
      <TextFormField name="tags" label="Tags, separated by commas" />
      <CheckboxFormField name="on_the_phone" label="They’re already on the phone with us: no first text" />
    </FormDialog>
  );
}
