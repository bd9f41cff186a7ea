'use client';
/** A door for programs: the last requests with their answers, where fields stand in what comes, and the switch to try without effect. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { DoorRequestView } from '@/core/capture';
import type { BodyField, Mapping } from '@/core/mail';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';
import { FIELD_NAMES, FIELDS } from './field-names';
import type { DoorJson } from './shapes';
import {
  Ago,
  Button,
  Checkbox,
  Chip,
  Dialog,
  EmptyState,
  ErrorMessage,
  Heading,
  Input,
  ListRow,
  RawText,
  Row,
  Select,
  Split,
  Stack,
  Table,
  Text,
  useToast,
} from '../kit';

type Request = Jsoned<DoorRequestView>;

export function ProgramDoor({ door }: { door: DoorJson }) {
  const [open, setOpen] = useState(false);
  return (
    <Row as="span" small above={1}>
      {door.sandbox && <Chip>test mode: nothing is saved</Chip>}
      <Button size="tiny" onClick={() => setOpen(true)}>
        Requests and fields
      </Button>
      {open && <ProgramDoorDialog door={door} onClose={() => setOpen(false)} />}
    </Row>
  );
}

function ProgramDoorDialog({ door, onClose }: { door: DoorJson; onClose: () => void }) {
  const { data: requests, error } = useQuery({
    queryKey: ['doors', door.id, 'requests'],
    queryFn: async () => (await ask('GET /doors/{id}/requests', { params: { id: door.id } })).items,
    refetchInterval: 3_000,
  });
  const [chosen, setChosen] = useState<string | null>(null);
  const [mapping, setMapping] = useState<Mapping>(door.mapping as Mapping);
  const [sandbox, setSandbox] = useState(door.sandbox);
  const queries = useQueryClient();
  const toast = useToast();
  const save = useMutation({
    mutationFn: () => ask('PATCH /doors/{id}', { params: { id: door.id }, body: { mapping, sandbox } }),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ['doors'] });
      toast.tell(
        sandbox
          ? 'Saved. Requests are answered as usual but not saved until you turn test mode off.'
          : 'Saved. Applies to everything that comes in from now on.',
      );
      onClose();
    },
  });
  const current = requests?.find(({ id }) => id === chosen) ?? requests?.[0] ?? null;
  return (
    <Dialog
      title={`Requests and fields of “${door.name}”`}
      width="lg"
      onClose={onClose}
      onSubmit={() => save.mutate()}
      dirty={sandbox !== door.sandbox || JSON.stringify(mapping) !== JSON.stringify(door.mapping)}
      busy={save.isPending}
      error={save.error}
    >
      <Text as="p" tone="soft">
        It accepts JSON and forms
        {door.address && (
          <>
            {' '}
            at <code>{door.address}</code>
          </>
        )}
        . Urraca reads the field names. Choose a request to set the rest.
      </Text>
      <Checkbox checked={sandbox} onChange={(event) => setSandbox(event.target.checked)}>
        Test mode: everything is matched, routed, and answered, but nothing is saved or sent
      </Checkbox>
      <ErrorMessage error={error} />
      {requests?.length === 0 && (
        <EmptyState>
          No requests yet. Send one to the address, with <code>?sandbox=true</code> at the end to test without saving. It will
          show up here with its response.
        </EmptyState>
      )}
      <Always mapping={mapping} onChange={setMapping} />
      {current && (
        <Split side="minmax(0, 2.6fr)">
          <Stack as="ol" plain gap={0.5} scroll={420} aria-label="Recent requests">
            {requests!.map((one) => (
              <li key={one.id}>
                <ListRow chosen={one.id === current.id} onChoose={() => setChosen(one.id)}>
                  <Text tone={one.status < 300 ? 'good' : 'late'}>
                    {one.status < 300 ? (one.sandbox ? 'tested' : 'accepted') : one.status}
                  </Text>{' '}
                  <Ago at={one.at} />
                </ListRow>
              </li>
            ))}
          </Stack>
          <Reading key={current.id} door={door} request={current} mapping={mapping} onChange={setMapping} />
        </Split>
      )}
    </Dialog>
  );
}

/** One request: its places with what each is, what would be read now, and what it was answered. */
function Reading({
  door,
  request,
  mapping,
  onChange,
}: {
  door: DoorJson;
  request: Request;
  mapping: Mapping;
  onChange: (mapping: Mapping) => void;
}) {
  const body = bodyOf(request);
  const read = useQuery({
    queryKey: ['doors', door.id, 'read', request.id, JSON.stringify(mapping)],
    queryFn: () => ask('POST /doors/{id}/read', { params: { id: door.id }, body: { body, mapping } }),
    enabled: body !== null,
    placeholderData: (before) => before,
    staleTime: Infinity,
  });
  const fieldAt = (place: string): string =>
    Object.entries(mapping).find(([, taken]) => 'place' in taken && taken.place === place)?.[0] ?? '';
  const say = (place: string, field: string) => {
    const rest = Object.fromEntries(
      Object.entries(mapping).filter(([name, taken]) => name !== field && !('place' in taken && taken.place === place)),
    );
    onChange(field ? { ...rest, [field]: { place } } : rest);
  };
  return (
    <Text block secret>
      {body === null ? (
        <>
          <Text as="p" tone="late">
            Not readable as JSON or a form.
          </Text>
          <RawText>{request.body.slice(0, 2_000) || '(empty)'}</RawText>
        </>
      ) : (
        <Table>
          <thead>
            <tr>
              <th scope="col">Where</th>
              <th scope="col">What came</th>
              <th scope="col">Is</th>
            </tr>
          </thead>
          <tbody>
            {read.data?.places.slice(0, 60).map(({ place, value }) => (
              <tr key={place}>
                <td data-soft="">{place}</td>
                <td dir="auto">{value.slice(0, 120)}</td>
                <td>
                  <Select
                    aria-label={`What ${place} is`}
                    value={fieldAt(place)}
                    onChange={(event) => say(place, event.target.value)}
                  >
                    <option value="">as Urraca reads it</option>
                    {FIELDS.map(([field, name]) => (
                      <option key={field} value={field}>
                        {name}
                      </option>
                    ))}
                  </Select>
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      {read.data && (
        <>
          <Heading>How we would read it</Heading>
          {read.data.errors.length > 0 && (
            <Text as="p" tone="late" role="status">
              {read.data.errors.map(({ field, message }) => `${field} ${message}`).join('; ')}
            </Text>
          )}
          <RawText>{JSON.stringify(read.data.inquiry, null, 2)}</RawText>
        </>
      )}
      <Heading>
        Response{' '}
        <Text tone="soft">
          ({request.status}, {request.took_ms} ms)
        </Text>
      </Heading>
      <RawText>{JSON.stringify(request.answer, null, 2)}</RawText>
    </Text>
  );
}

/** A body as the door saw it; null for what is neither JSON nor a form. */
function bodyOf({ body, content_type }: Request): unknown {
  if (/urlencoded/i.test(content_type)) return Object.fromEntries(new URLSearchParams(body));
  try {
    const parsed: unknown = JSON.parse(body);
    return typeof parsed === 'object' ? parsed : null;
  } catch {
    return null;
  }
}

/** Fields that are always the same by this door. */
function Always({ mapping, onChange }: { mapping: Mapping; onChange: (mapping: Mapping) => void }) {
  const fixed = Object.entries(mapping).flatMap(([field, taken]) =>
    'words' in taken ? [[field as BodyField, taken.words] as const] : [],
  );
  return (
    <Row above={1}>
      {fixed.map(([field, words]) => (
        <Row as="span" small above={1} key={field}>
          {FIELD_NAMES[field]} is always
          <Input
            aria-label={`What ${FIELD_NAMES[field]} always is`}
            value={words}
            onChange={(event) => onChange({ ...mapping, [field]: { words: event.target.value } })}
          />
          <Button
            size="tiny"
            aria-label={`${FIELD_NAMES[field]} varies`}
            onClick={() => onChange(Object.fromEntries(Object.entries(mapping).filter(([name]) => name !== field)))}
          >
            ×
          </Button>
        </Row>
      ))}
      <Select
        aria-label="Fixed value"
        value=""
        onChange={(event) => event.target.value && onChange({ ...mapping, [event.target.value]: { words: '' } })}
      >
        <option value="">Add a fixed value…</option>
        {FIELDS.filter(([field]) => !mapping[field]).map(([field, name]) => (
          <option key={field} value={field}>
            {name}
          </option>
        ))}
      </Select>
    </Row>
  );
}
