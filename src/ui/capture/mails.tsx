'use client';
/** Mails that nobody could read for sure: what they say beside what was recognised, completed by a person and taken in, or set aside. */
import { useRef, useState } from 'react';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, type ContactRole } from '@/core/contacts';
import type { ExtractedField } from '@/core/mail';
import { ask, freshKey, type ApiAnswer } from '../primitives';
import { highlight } from './highlight';
import {
  Ago,
  Button,
  DialogBody,
  EmptyState,
  ErrorMessage,
  FormEnd,
  Heading,
  ListRow,
  RawText,
  Row,
  Split,
  Stack,
  Text,
  useToast,
} from '../kit';
type InFull = ApiAnswer<'GET /lead-mails/{id}'>;
type Shown = 'waiting' | 'set_aside';

/** @param office only whoever runs the office sees mails that belong to nobody yet */
export function MailsToReview({ office }: { office: boolean }) {
  const [shown, setShown] = useState<Shown>('waiting');
  const [open, setOpen] = useState<string | null>(null);
  const mails = (state: Shown) => () => ask('GET /lead-mails', { query: { state, limit: 50 } });
  const waiting = useQuery({ queryKey: ['lead-mails', 'waiting'], queryFn: mails('waiting'), enabled: office });
  const aside = useQuery({ queryKey: ['lead-mails', 'set_aside'], queryFn: mails('set_aside'), enabled: office });
  const counts = { waiting: waiting.data?.items.length ?? 0, set_aside: aside.data?.items.length ?? 0 };
  if (!office || (!counts.waiting && !counts.set_aside)) return null;
  const rows = (shown === 'waiting' ? waiting : aside).data?.items ?? [];
  return (
    <Stack as="section" aria-label="Emails to review" gap={0}>
      <Row ruled="head" spread>
        <Heading>
          Emails to review{' '}
          {counts.waiting > 0 && (
            <Text strong tone="late">
              {counts.waiting}
            </Text>
          )}
        </Heading>
        <Button size="tiny" onClick={() => setShown(shown === 'waiting' ? 'set_aside' : 'waiting')}>
          {shown === 'waiting' ? `Not leads: ${counts.set_aside}` : 'Back to emails to review'}
        </Button>
      </Row>
      {rows.length === 0 && <EmptyState>{shown === 'waiting' ? 'Nothing to review.' : 'None.'}</EmptyState>}
      {rows.map((row) => (
        <ListRow key={row.id} ruled chosen={false} onChoose={() => setOpen(row.id)} end={<Ago at={row.arrived_at} />}>
          <Text block cut dir="auto">
            <b>{row.subject || 'No subject'}</b>
          </Text>
          <Text block tone="soft" small cut>
            {row.from.name || row.from.address}, door “{row.door}” · {row.because}
          </Text>
        </ListRow>
      ))}
      {open && <MailDialog id={open} onClose={() => setOpen(null)} />}
    </Stack>
  );
}

/** @param contactId the contact that the mail became, when it was taken in already: then the reading is corrected for the next one */
export function MailDialog({ id, contactId, onClose }: { id: string; contactId?: string; onClose: () => void }) {
  const { data } = useQuery({
    queryKey: ['lead-mails', 'one', id],
    queryFn: () => ask('GET /lead-mails/{id}', { params: { id } }),
  });
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="mail-title">
      {data ? <Reading mail={data} contactId={contactId} onClose={onClose} /> : <DialogBody>Opening…</DialogBody>}
    </Dialog>
  );
}

type Field = 'first_name' | 'last_name' | 'emails' | 'phones' | 'message';
/** What a marked text may be, and the field of the lesson. */
const MEANINGS: [ExtractedField, string, Field[]][] = [
  ['name', 'Full name', ['first_name', 'last_name']],
  ['first_name', 'First name', ['first_name']],
  ['last_name', 'Last name', ['last_name']],
  ['email', 'Email', ['emails']],
  ['phone', 'Phone', ['phones']],
  ['message', 'Their message', ['message']],
];
const TYPED: [ExtractedField, Field][] = [
  ['first_name', 'first_name'],
  ['last_name', 'last_name'],
  ['email', 'emails'],
  ['phone', 'phones'],
  ['message', 'message'],
];

function Reading({ mail, contactId, onClose }: { mail: InFull; contactId?: string; onClose: () => void }) {
  const { person, roles = [], message } = mail.inquiry;
  const first = {
    first_name: person.first_name ?? '',
    last_name: person.last_name ?? '',
    emails: (person.emails ?? []).join(', '),
    phones: (person.phones ?? []).join(', '),
    role: roles[0] ?? 'buyer',
    message: message ?? '',
  };
  const [form, setSaid] = useState(first);
  const [marks, setMarks] = useState<{ field: ExtractedField; text: string }[]>([]);
  const [key] = useState(freshKey);
  const queries = useQueryClient();
  const toast = useToast();
  const after = (words: string, undo?: () => void) => {
    void queries.invalidateQueries();
    toast.tell(words, undo);
    onClose();
  };
  const list = (text: string) => text.split(/[,;\s]*[,;]\s*/).filter(Boolean);
  /** What was marked, and what was typed otherwise than it was read and stands in the mail. */
  const rules = () => [
    ...marks,
    ...TYPED.filter(
      ([, field]) =>
        form[field] !== first[field] &&
        form[field].trim() &&
        mail.body.includes(form[field].trim()) &&
        !marks.some((mark) => MEANINGS.find(([name]) => name === mark.field)?.[2].includes(field)),
    ).map(([field, name]) => ({ field, text: form[name].trim() })),
  ];
  const take = useMutation({
    mutationFn: async () => {
      if (contactId) {
        const { first_name, last_name } = form;
        if (rules().length)
          await ask('POST /lead-mails/{id}/teach', { params: { id: mail.id }, body: { marks: rules() }, headers: key });
        if (first_name !== first.first_name || last_name !== first.last_name)
          await ask('PATCH /contacts/{id}', { params: { id: contactId }, body: { first_name, last_name } });
        return 'Saved. The next email from this sender will be read this way.';
      }
      const { routing } = await ask('POST /lead-mails/{id}/convert', {
        params: { id: mail.id },
        body: {
          ...mail.inquiry,
          person: {
            first_name: form.first_name,
            last_name: form.last_name,
            emails: list(form.emails),
            phones: list(form.phones),
          },
          roles: [form.role],
          message: form.message || null,
          marks: rules(),
        },
        headers: key,
      });
      return `Added. ${routing.because}`;
    },
    onSuccess: (words) => after(words),
  });
  const move = (state: Shown) => ask('PATCH /lead-mails/{id}', { params: { id: mail.id }, body: { state } });
  const back = useMutation({ mutationFn: () => move('waiting'), onSuccess: () => void queries.invalidateQueries() });
  const aside = useMutation({
    mutationFn: () => move('set_aside'),
    onSuccess: () => after('Marked as not a lead.', () => back.mutate()),
    onError: toast.fail,
  });
  const mark = (field: ExtractedField, text: string) => {
    setMarks([...marks.filter((one) => one.field !== field), { field, text }]);
    const [head = '', ...rest] = text.split(/\s+/);
    if (field === 'name') setSaid({ ...form, first_name: head, last_name: rest.join(' ') });
    else setSaid({ ...form, [MEANINGS.find(([name]) => name === field)![2][0]!]: text });
  };
  const field = (name: Field, label: string, more: object = {}) => (
    <TextField
      size="small"
      label={label}
      value={form[name]}
      onChange={(event) => setSaid({ ...form, [name]: event.target.value })}
      {...more}
    />
  );
  return (
    <DialogBody
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        take.mutate();
      }}
    >
      <Heading level={1} id="mail-title" dir="auto">
        {mail.subject || 'No subject'}
      </Heading>
      <Text as="p" tone="soft" small>
        From {mail.from.name} {mail.from.address}. {mail.because} Select anything in the email that was misread or missed. The
        next email from this sender will be read the same way.
      </Text>
      <Split side="minmax(0, 0.66fr)">
        <Marking
          body={mail.body}
          known={[form.first_name, form.last_name, form.emails, form.phones, form.message, ...marks.map(({ text }) => text)]}
          onMark={mark}
        />
        <Stack gap={3}>
          {field('first_name', 'First name')}
          {field('last_name', 'Last name')}
          {field('emails', 'Email', { disabled: contactId !== undefined })}
          {field('phones', 'Phone', { disabled: contactId !== undefined })}
          {!contactId && (
            <TextField
              select
              size="small"
              label="Role"
              value={form.role}
              slotProps={{ select: { native: true } }}
              onChange={(event) => setSaid({ ...form, role: event.target.value as ContactRole })}
            >
              {CONTACT_ROLES.map((role) => (
                <option key={role} value={role}>
                  {role}
                </option>
              ))}
            </TextField>
          )}
          {field('message', 'Their message', { multiline: true, minRows: 3, maxRows: 8, disabled: contactId !== undefined })}
          {contactId && (
            <Text as="p" tone="soft" small>
              The contact’s name is corrected too. Addresses and the message stay as they came.
            </Text>
          )}
        </Stack>
      </Split>
      <ErrorMessage error={take.error} />
      <FormEnd does={contactId ? 'Save correction' : 'Add as a lead'} busy={take.isPending} cancel="Later" onCancel={onClose}>
        {mail.state === 'waiting' && (
          <Button onClick={() => aside.mutate()} disabled={aside.isPending}>
            Not a lead
          </Button>
        )}
      </FormEnd>
    </DialogBody>
  );
}

/** The mail as it came; what one marks in it can be given a meaning. */
function Marking({
  body,
  known,
  onMark,
}: {
  body: string;
  known: string[];
  onMark: (field: ExtractedField, text: string) => void;
}) {
  const words = useRef<HTMLPreElement>(null);
  const [marked, setMarked] = useState('');
  const look = () => {
    const selection = window.getSelection();
    const inside = selection?.anchorNode && words.current?.contains(selection.anchorNode);
    setMarked(inside ? selection.toString().trim() : '');
  };
  return (
    <div>
      <RawText dir="auto" ref={words} onMouseUp={look} onKeyUp={look} tabIndex={0} aria-label="Original email">
        {highlight(
          body,
          known.filter((one) => one.length > 1),
        )}
      </RawText>
      <Row above={1} role="group" aria-label="What the selected text is">
        {marked ? (
          <>
            <Text small>“{marked.length > 30 ? `${marked.slice(0, 30)}…` : marked}” is</Text>
            {MEANINGS.map(([field, name]) => (
              <Button
                key={field}
                size="tiny"
                onClick={() => {
                  onMark(field, marked);
                  setMarked('');
                }}
              >
                {name}
              </Button>
            ))}
          </>
        ) : (
          <Text tone="soft" small>
            Select text to say what it is.
          </Text>
        )}
      </Row>
    </div>
  );
}
