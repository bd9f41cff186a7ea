'use client';
/** Making something of which a channel and a name are known first; one goes on where it is written. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { CHANNELS, type Channel } from '@/core/contacts';
import { freshKey } from '../primitives';
import { Checkbox, DialogBody, ErrorMessage, FormEnd, Heading, Radio, Row } from '../kit';

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
  const [channel, setChannel] = useState<C>(channels[0]!);
  const [name, setName] = useState('');
  const [shared, setShared] = useState(team);
  const [key] = useState(freshKey);
  const router = useRouter();
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: () => create({ channel, name: name.trim(), ...(team ? { shared } : {}) }, key),
    onSuccess: ({ id }) => {
      void queries.invalidateQueries({ queryKey: [list] });
      router.push(`${page}/${id}`);
    },
  });
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="new-title">
      <DialogBody
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <Heading level={1} id="new-title">
          {title}
        </Heading>
        <Row role="radiogroup" aria-label="For what">
          {channels.map((one) => (
            <Radio key={one} name="channel" checked={channel === one} onChange={() => setChannel(one)}>
              {CHANNELS[one].template}
            </Radio>
          ))}
        </Row>
        <TextField
          autoFocus
          size="small"
          label={label}
          value={name}
          onChange={(event) => setName(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        {team && (
          <Checkbox checked={shared} onChange={(event) => setShared(event.target.checked)}>
            Share with the whole team
          </Checkbox>
        )}
        <ErrorMessage error={make.error} />
        <FormEnd does={does} busy={make.isPending} may={name.trim().length > 0} onCancel={onClose} />
      </DialogBody>
    </Dialog>
  );
}
