'use client';
/** A new lead mailbox or door for programs: who sends is all that is asked, its address follows. */
import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { ask, freshKey } from '../primitives';
import { Button, FormDialog, Row, TextFormField, useSaveForm } from '../kit';

const KINDS = {
  mail: {
    adds: 'Add a lead mailbox',
    label: 'Who sends these emails',
    like: 'Such as a portal’s name',
    help: 'You’ll get an email address. Give it to the portal, or forward its emails there.',
  },
  api: {
    adds: 'Add a door for programs',
    label: 'Who sends these leads',
    like: 'Such as “Our website”',
    help: 'You’ll get a web address that accepts JSON and forms. Urraca reads the fields, and you can correct it.',
  },
} as const;
type Kind = keyof typeof KINDS;

export function NewDoor() {
  const [kind, setKind] = useState<Kind | null>(null);
  return (
    <Row above={2.5}>
      {(Object.keys(KINDS) as Kind[]).map((one) => (
        <Button key={one} size="small" onClick={() => setKind(one)}>
          {KINDS[one].adds}
        </Button>
      ))}
      {kind && <NewDoorDialog kind={kind} onClose={() => setKind(null)} />}
    </Row>
  );
}

export function NewDoorDialog({ kind, onClose }: { kind: Kind; onClose: () => void }) {
  const { adds, label, like, help } = KINDS[kind];
  const [key] = useState(freshKey);
  const queries = useQueryClient();
  const door = useSaveForm({
    values: { name: '' },
    save: ({ name }) => ask('POST /doors', { body: { kind, name, source: name }, headers: key }),
    onSaved: () => {
      void queries.invalidateQueries({ queryKey: ['doors'] });
      onClose();
    },
  });
  return (
    <FormDialog title={adds} form={door} does="Create" may={door.form.watch('name').trim() !== ''} onClose={onClose}>
      <TextFormField name="name" label={label} placeholder={like} help={help} autoFocus maxLength={80} />
    </FormDialog>
  );
}
