'use client';
/** What can be said of one block: a control for each of its fields. */
import type { ReactNode } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import {
  blockFields,
  blockValue,
  entryOf,
  FORM_FIELDS,
  type Block,
  type BlockFieldDef,
  type BlockFieldKind,
  type BlockValues,
  type FormField,
  type PublicPage,
} from '@/core/pages';
import { ask, sendPicture } from '../primitives';
import { Button, FileButton, Input, Row, Select, Stack, Text, Textarea, useToast } from '../kit';

const FIELD_NAMES: Record<FormField, string> = {
  last_name: 'last name',
  email: 'email',
  phone: 'phone',
  role: 'buy, sell or rent',
  city: 'city',
  message: 'question',
  agent: 'whether they work with an agent',
};

interface FieldProps<K extends BlockFieldKind> {
  field: BlockFieldDef;
  value: BlockValues[K];
  page: PublicPage;
  onChange: (value: BlockValues[K]) => void;
}
/** The control of each kind of field. */
const CONTROLS: { [K in BlockFieldKind]: (props: FieldProps<K>) => ReactNode } = {
  line: ({ field, value, onChange }) => (
    <Stack as="label" gap={0.5} small>
      {field.label}
      <Input width="100%" maxLength={field.most} value={value} onChange={(event) => onChange(event.target.value)} />
    </Stack>
  ),
  words: ({ field, value, onChange }) => (
    <Textarea
      width="100%"
      rows={3}
      aria-label={field.label}
      maxLength={field.most}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  ),
  picture: PictureField,
  user: ({ field, value, onChange }) => <UserField label={field.label} value={value} onChange={onChange} />,
  listing: ({ field, value, page, onChange }) => (
    <HomeField
      label={field.label}
      none={page.kind === 'sign_in' ? 'the home that is open' : 'none'}
      value={value}
      onChange={onChange}
    />
  ),
  asks: ({ field, value, onChange }) => (
    <Row above={1} role="group" aria-label={field.label}>
      <Text tone="soft" small>
        asks for the first name and
      </Text>
      {FORM_FIELDS.map((one) => (
        <Button
          key={one}
          size="tiny"
          pressed={value.includes(one)}
          onClick={() => onChange(FORM_FIELDS.filter((other) => value.includes(other) !== (other === one)))}
        >
          {FIELD_NAMES[one]}
        </Button>
      ))}
    </Row>
  ),
};

export function BlockFields({ block, page, onChange }: { block: Block; page: PublicPage; onChange: (block: Block) => void }) {
  const { hint } = entryOf(block.kind);
  return (
    <Stack gap={2} above={1.5}>
      {hint && (
        <Text as="p" tone="soft" small>
          {hint}
        </Text>
      )}
      {blockFields(block.kind).map(([name, field]) => {
        const Control = CONTROLS[field.is] as (props: FieldProps<BlockFieldKind>) => ReactNode;
        return (
          <Control
            key={name}
            field={field}
            value={blockValue(block, name)}
            page={page}
            onChange={(value) => onChange({ ...block, [name]: value })}
          />
        );
      })}
    </Stack>
  );
}

function PictureField({ field, value, onChange }: FieldProps<'picture'>) {
  const toast = useToast();
  const send = useMutation({
    mutationFn: async (file: File) => (await sendPicture(file)).id,
    onSuccess: onChange,
    onError: toast.fail,
  });
  return (
    <FileButton size="tiny" accept="image/png,image/jpeg,image/gif,image/webp" onFile={(file) => send.mutate(file)}>
      {send.isPending ? 'Uploading…' : value ? 'Choose another picture' : field.label}
    </FileButton>
  );
}

/** One of the agents, or nobody. */
export function UserField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string | null;
  onChange: (id: string | null) => void;
}) {
  const { data: users = [] } = useQuery({
    queryKey: ['users'],
    queryFn: async () => (await ask('GET /users')).items,
    staleTime: 60_000,
  });
  return (
    <Stack as="label" gap={0.5} small>
      {label}{' '}
      <Select value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
        <option value="">no one</option>
        {users
          .filter(({ role }) => role !== 'lender' && role !== 'caller')
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </Select>
    </Stack>
  );
}

/** One of the homes on the market, or none. */
export function HomeField({
  label,
  none,
  value,
  onChange,
}: {
  label: string;
  none: string;
  value: string | null;
  onChange: (number: string | null) => void;
}) {
  const { data: homes = [] } = useHomes();
  const known = homes.some(({ number }) => number === value);
  return (
    <Stack as="label" gap={0.5} small>
      {label}{' '}
      <Select width="100%" value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
        <option value="">{none}</option>
        {value && !known && <option value={value}>{value}</option>}
        {homes.map(({ number, address }) => (
          <option key={number} value={number}>
            {address}
          </option>
        ))}
      </Select>
    </Stack>
  );
}

/** The homes on the market, those with an open house first. */
export const useHomes = () =>
  useQuery({
    queryKey: ['listings', 'all'],
    queryFn: async () => (await ask('GET /listings', { query: { limit: 500 } })).items,
    staleTime: 60_000,
    select: (homes) => [...homes].sort((a, b) => Number(!a.open_from) - Number(!b.open_from) || (a.address < b.address ? -1 : 1)),
  });
