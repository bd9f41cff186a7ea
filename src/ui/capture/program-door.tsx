'use client';
/** A door for programs: the last requests with their answers, where fields stand in what comes, and the switch to try without effect. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { DoorRequestView } from '@/core/capture';
import type { BodyField, Mapping } from '@/core/mail';
import type { Jsoned } from '@/core/shared';
import { Ago, ask } from '../primitives';
import type { DoorJson } from './shapes';
import { BareButton, Button, Checkbox, ErrorMessage, FormEnd, Input, Select, useToast } from '../kit';

type Request = Jsoned<DoorRequestView>;

const FIELD_NAMES: Record<BodyField, string> = {
  name: 'full name',
  first_name: 'first name',
  last_name: 'last name',
  email: 'e-mail',
  phone: 'phone',
  message: 'what they ask about',
  role: 'role (buyer, seller, renter)',
  source: 'lead source',
  city: 'town',
  postal_code: 'postal code',
  street: 'their street',
  listing_id: 'MLS number',
  listing_address: 'listing address',
  listing_price: 'listing price',
  price_min: 'price from',
  price_max: 'price to',
  bedrooms: 'bedrooms',
  tags: 'tags',
  language: 'language',
  assigned_to: 'their agent’s email',
  may_text: 'OK to text (yes or no)',
  may_call: 'OK to call (yes or no)',
  may_email: 'OK to email (yes or no)',
  on_the_phone: 'already on the phone (yes or no)',
};
const FIELDS = Object.entries(FIELD_NAMES) as [BodyField, string][];

export function ProgramDoor({ door }: { door: DoorJson }) {
  const [open, setOpen] = useState(false);
  return (
    <span className="small beside">
      {door.sandbox && <span className="tag late">test mode: nothing is saved</span>}
      <Button size="tiny" onClick={() => setOpen(true)}>
        Requests and fields
      </Button>
      {open && (
        <Dialog open onClose={() => setOpen(false)} fullWidth maxWidth="lg" aria-labelledby="program-door-title">
          <Inside door={door} onClose={() => setOpen(false)} />
        </Dialog>
      )}
    </span>
  );
}

function Inside({ door, onClose }: { door: DoorJson; onClose: () => void }) {
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
    <form
      className="dialog"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h1 id="program-door-title">Defaults for “{door.name}”</h1>
      <p className="soft">
        It accepts JSON and forms
        {door.address && (
          <>
            {' '}
            at <code>{door.address}</code>
          </>
        )}
        . Urraca reads the field names. Choose a request to set the rest.
      </p>
      <label className="choice">
        <Checkbox checked={sandbox} onChange={(event) => setSandbox(event.target.checked)} /> Test mode: everything is matched,
        routed, and answered, but nothing is saved or sent
      </label>
      <ErrorMessage error={error} />
      {requests?.length === 0 && (
        <p className="empty">
          No requests yet. Send one to the address, with <code>?sandbox=true</code> at the end to test without saving. It will
          show up here with its response.
        </p>
      )}
      <Always mapping={mapping} onChange={setMapping} />
      {current && (
        <div className="requests">
          <ol aria-label="Recent requests">
            {requests!.map((one) => (
              <li key={one.id}>
                <BareButton
                  className={`row${one.id === current.id ? ' sel' : ''}`}
                  aria-current={one.id === current.id}
                  onClick={() => setChosen(one.id)}
                >
                  <span className={one.status < 300 ? 'good' : 'late'}>
                    {one.status < 300 ? (one.sandbox ? 'tried' : 'taken') : one.status}
                  </span>{' '}
                  <span className="soft small">
                    <Ago at={one.at} />
                  </span>
                </BareButton>
              </li>
            ))}
          </ol>
          <Reading key={current.id} door={door} request={current} mapping={mapping} onChange={setMapping} />
        </div>
      )}
      <ErrorMessage error={save.error} named />
      <FormEnd does="Save" busy={save.isPending} onCancel={onClose} />
    </form>
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
    <div className="secret" style={{ minWidth: 0 }}>
      {body === null ? (
        <>
          <p className="late">Not readable as JSON or a form.</p>
          <pre className="raw">{request.body.slice(0, 2_000) || '(empty)'}</pre>
        </>
      ) : (
        <table className="grid">
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
                <td className="soft">{place}</td>
                <td dir="auto">{value.slice(0, 120)}</td>
                <td>
                  <Select
                    aria-label={`What ${place} is`}
                    value={fieldAt(place)}
                    onChange={(event) => say(place, event.target.value)}
                  >
                    <option value="">no change read</option>
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
        </table>
      )}
      {read.data && (
        <>
          <h2 style={{ margin: '12px 0 4px' }}>How we would read it</h2>
          {read.data.errors.length > 0 && (
            <p className="late" role="status">
              {read.data.errors.map(({ field, message }) => `${field} ${message}`).join('; ')}
            </p>
          )}
          <pre className="raw">{JSON.stringify(read.data.inquiry, null, 2)}</pre>
        </>
      )}
      <h2 style={{ margin: '12px 0 4px' }}>
        Response{' '}
        <span className="soft">
          ({request.status}, {request.took_ms} ms)
        </span>
      </h2>
      <pre className="raw">{JSON.stringify(request.answer, null, 2)}</pre>
    </div>
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
    <div className="beside">
      {fixed.map(([field, words]) => (
        <span key={field} className="beside small">
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
        </span>
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
    </div>
  );
}
