'use client';
/** The phones or emails of a contact where they stand: added, changed, put in order, marked wrong, removed, each with Undo. */
import { useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import { Ellipsis, Pencil } from 'lucide-react';
import { ADDRESS_USES, type AddressUse, type AddressView } from '@/core/contacts';
import {
  BareButton,
  FactLine,
  MenuButton,
  Row,
  SelectFormField,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
  type MenuChoice,
} from '../kit';
import { addressNote, addressText, NOUN, sentAddress, USE_NAMES, type AddressList, type SentAddress } from './address-words';
import { FormInPlace } from './form-in-place';
import { useSaveFact } from './in-place';
import type { ContactInFull } from './types';

interface AddressLinesProps {
  contact: ContactInFull;
  of: AddressList;
  readOnly: boolean;
}

export function AddressLines({ contact, of, readOnly }: AddressLinesProps) {
  const [open, setOpen] = useState<string | null>(null);
  const save = useSaveFact(contact);
  const toast = useToast();
  const points = contact.addresses[of];
  const before = points.map(sentAddress);
  const send = (list: SentAddress[]) => save({ [of]: list });
  const change = useMutation({ mutationFn: send, onError: toast.fail });
  const told = (words: string) => toast.tell(words, () => change.mutate(before));
  const put = (list: SentAddress[], words: string) =>
    void change.mutateAsync(list).then(
      () => told(words),
      () => undefined,
    );
  const done = (words: string) => {
    setOpen(null);
    told(words);
  };
  return (
    <>
      {points.map((point, at) =>
        open === point.value ? (
          <AddressForm
            key={point.value}
            of={of}
            first={before[at]!}
            place={at}
            send={(address) => send(before.with(at, address))}
            onSaved={() => done('Saved.')}
            onClose={() => setOpen(null)}
          />
        ) : (
          <AddressLine
            key={point.value}
            of={of}
            point={point}
            readOnly={readOnly}
            onOpen={() => setOpen(point.value)}
            choices={choicesFor(before, at, point, put)}
          />
        ),
      )}
      {open === 'new' ? (
        <AddressForm
          of={of}
          first={{ value: '', kind: of === 'phones' ? 'cell' : null, label: null }}
          place={before.length}
          send={(address) => send([...before, address])}
          onSaved={() => done(`${NOUN[of]} added.`)}
          onClose={() => setOpen(null)}
        />
      ) : (
        (!readOnly || !points.length) && (
          <FactLine label={points.length ? '' : NOUN[of]}>
            {readOnly ? (
              '–'
            ) : (
              <BareButton onClick={() => setOpen('new')}>
                <Text tone="soft">Add {NOUN[of].toLowerCase()}</Text>
              </BareButton>
            )}
          </FactLine>
        )
      )}
    </>
  );
}

/** What can be done with one of them by a click. */
function choicesFor(
  all: SentAddress[],
  at: number,
  point: AddressView,
  put: (list: SentAddress[], words: string) => void,
): MenuChoice[] {
  const one = all[at]!;
  const text = addressText(point);
  const [noun, wrong] = point.value.includes('@') ? ['emails', 'Wrong email'] : ['phones', 'Wrong number'];
  const others = all.toSpliced(at, 1);
  return [
    ...(at > 0
      ? [{ key: 'first', name: 'Make it the first', onChoose: () => put([one, ...others], `${text} comes first now.`) }]
      : []),
    ...(at > 1
      ? [{ key: 'up', name: 'Move up', onChoose: () => put(others.toSpliced(at - 1, 0, one), `${text} moved up.`) }]
      : []),
    point.state === 'good'
      ? {
          key: 'wrong',
          name: wrong,
          note: `We won’t use it. Other ${noun} stay.`,
          onChoose: () => put(all.with(at, { ...one, state: 'wrong' }), `${text} marked wrong.`),
        }
      : {
          key: 'good',
          name: 'It works again',
          onChoose: () => put(all.with(at, { ...one, state: 'good' }), `${text} can be used again.`),
        },
    { key: 'remove', name: 'Remove', onChoose: () => put(others, `${text} removed.`) },
  ];
}

const STATE_WORDS = { good: '', wrong: 'wrong', bounced: 'bounced' };

function AddressLine({
  of,
  point,
  readOnly,
  onOpen,
  choices,
}: {
  of: AddressList;
  point: AddressView;
  readOnly: boolean;
  onOpen: () => void;
  choices: MenuChoice[];
}) {
  const label = point.kind ? `${USE_NAMES[point.kind]}` : NOUN[of];
  const text = addressText(point);
  const note = addressNote(point);
  const words = (
    <>
      <Text secret>{text}</Text>
      {point.state !== 'good' && (
        <Text tone="late" small>
          {' '}
          {STATE_WORDS[point.state]}
        </Text>
      )}
    </>
  );
  const more = (
    <MenuButton look="text" size="tiny" aria-label={`More for ${text}`} title="More" choices={choices}>
      <Ellipsis size={16} aria-hidden="true" />
    </MenuButton>
  );
  return (
    <FactLine label={label} end={!readOnly && more}>
      {readOnly ? (
        words
      ) : (
        <BareButton title={`Change: ${text}`} onClick={onOpen}>
          {words}
          <Pencil size={12} aria-hidden="true" />
        </BareButton>
      )}
      {note && (
        <Text tone="soft" small block>
          {note}
        </Text>
      )}
    </FactLine>
  );
}

function AddressForm({
  of,
  first,
  place,
  send,
  onSaved,
  onClose,
}: {
  of: AddressList;
  first: SentAddress;
  /** Which of the list it is: what the server says is wrong with another one is no field of this form. */
  place: number;
  send: (address: SentAddress) => Promise<void>;
  onSaved: () => void;
  onClose: () => void;
}) {
  const form = useSaveForm({
    values: { value: first.value, kind: first.kind ?? '', label: first.label ?? '' },
    save: ({ value, kind, label }) => {
      const state = value.trim() === first.value ? first.state : undefined;
      return send({ value, kind: (kind || null) as AddressUse | null, label: label.trim() || null, ...(state && { state }) });
    },
    fieldOf: (field) => (field.startsWith(`${of}.${place}`) ? 'value' : undefined),
    onSaved,
  });
  return (
    <FormInPlace label={first.value ? `Change ${first.value}` : `Add ${NOUN[of].toLowerCase()}`} form={form} onClose={onClose}>
      <TextFormField
        name="value"
        label={NOUN[of]}
        autoFocus
        placeholder={of === 'phones' ? '(360) 555-0142' : 'oda@harbor.example'}
      />
      <Row gap={2} align="start">
        <SelectFormField name="kind" label="Kind">
          <option value="">Not said</option>
          {ADDRESS_USES.map((use) => (
            <option key={use} value={use}>
              {USE_NAMES[use]}
            </option>
          ))}
        </SelectFormField>
        <TextFormField name="label" label="Label" placeholder="Front desk, summer…" />
      </Row>
    </FormInPlace>
  );
}
