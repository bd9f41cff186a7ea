'use client';
/** One mail: what it says beside what was recognised, completed by a person and taken in, or set aside. What is corrected is learned. */
import { capitalized } from '@/core/shared';
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CONTACT_ROLES, ROLE_NAMES } from '@/core/contacts';
import type { ExtractedField } from '@/core/mail';
import { ask, freshKey, type ApiAnswer } from '../primitives';
import { Marking, MEANINGS, type MailField } from './marking';
import {
  Button,
  Dialog,
  FormDialog,
  SelectFormField,
  Split,
  Stack,
  Text,
  TextareaFormField,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';

type InFull = ApiAnswer<'GET /lead-mails/{id}'>;

/** @param contactId the contact that the mail became, when it was taken in already: then the reading is corrected for the next one */
export function MailDialog({ id, contactId, onClose }: { id: string; contactId?: string; onClose: () => void }) {
  const { data } = useQuery({
    queryKey: ['lead-mails', 'one', id],
    queryFn: () => ask('GET /lead-mails/{id}', { params: { id } }),
  });
  if (data) return <Reading mail={data} contactId={contactId} onClose={onClose} />;
  return (
    <Dialog title="Email" width="md" onClose={onClose}>
      Opening…
    </Dialog>
  );
}

/** What a lesson of the sender's next mail is taken from, when it is typed otherwise than it was read. */
const TYPED: [ExtractedField, MailField][] = [
  ['first_name', 'first_name'],
  ['last_name', 'last_name'],
  ['email', 'emails'],
  ['phone', 'phones'],
  ['message', 'message'],
];
const severally = (text: string): string[] => text.split(/[,;\s]*[,;]\s*/).filter(Boolean);

function readingOf({ inquiry: { person, roles = [], message } }: InFull) {
  return {
    first_name: person.first_name ?? '',
    last_name: person.last_name ?? '',
    emails: (person.emails ?? []).join(', '),
    phones: (person.phones ?? []).join(', '),
    role: roles[0] ?? 'buyer',
    message: message ?? '',
  };
}
type Read = ReturnType<typeof readingOf>;
type Marks = { field: ExtractedField; text: string }[];

/** What was marked, and what was typed otherwise than it was read and stands in the mail. */
const lessons = (now: Read, first: Read, marks: Marks, body: string): Marks => [
  ...marks,
  ...TYPED.filter(
    ([, field]) =>
      now[field] !== first[field] &&
      now[field].trim() &&
      body.includes(now[field].trim()) &&
      !marks.some((mark) => MEANINGS.find(([name]) => name === mark.field)?.[2].includes(field)),
  ).map(([field, name]) => ({ field, text: now[name].trim() })),
];

function Reading({ mail, contactId, onClose }: { mail: InFull; contactId?: string; onClose: () => void }) {
  const first = readingOf(mail);
  const [marks, setMarks] = useState<Marks>([]);
  const [key] = useState(freshKey);
  const queries = useQueryClient();
  const toast = useToast();
  const after = (words: string, undo?: () => void) => {
    void queries.invalidateQueries();
    toast.tell(words, undo);
    onClose();
  };
  const params = { id: mail.id };
  const correct = async (now: Read, contact: string) => {
    const learned = lessons(now, first, marks, mail.body);
    const { first_name, last_name } = now;
    if (learned.length) await ask('POST /lead-mails/{id}/teach', { params, body: { marks: learned }, headers: key });
    if (first_name !== first.first_name || last_name !== first.last_name)
      await ask('PATCH /contacts/{id}', { params: { id: contact }, body: { first_name, last_name } });
    return 'Saved. The next email from this sender will be read this way.';
  };
  const addLead = async (now: Read) => {
    const { first_name, last_name, emails, phones, role, message } = now;
    const { routing } = await ask('POST /lead-mails/{id}/convert', {
      params,
      body: {
        ...mail.inquiry,
        person: { first_name, last_name, emails: severally(emails), phones: severally(phones) },
        roles: [role],
        message: message || null,
        marks: lessons(now, first, marks, mail.body),
      },
      headers: key,
    });
    return `Added. ${routing.because}`;
  };
  const reading = useSaveForm({
    values: first,
    draft: `mail_${mail.id}`,
    fieldOf: (field) => /^person\.(emails|phones)/.exec(field)?.[1],
    save: (now) => (contactId ? correct(now, contactId) : addLead(now)),
    onSaved: (words) => after(words),
  });
  const move = (state: 'waiting' | 'set_aside') => ask('PATCH /lead-mails/{id}', { params, body: { state } });
  const back = useMutation({ mutationFn: () => move('waiting'), onSuccess: () => void queries.invalidateQueries() });
  const aside = useMutation({
    mutationFn: () => move('set_aside'),
    onSuccess: () => after('Marked as not a lead.', () => back.mutate()),
    onError: toast.fail,
  });
  const put = (field: MailField, text: string) => reading.form.setValue(field, text, { shouldDirty: true });
  const mark = (field: ExtractedField, text: string) => {
    setMarks([...marks.filter((one) => one.field !== field), { field, text }]);
    if (field !== 'name') return put(MEANINGS.find(([name]) => name === field)![2][0]!, text);
    const [head = '', ...rest] = text.split(/\s+/);
    put('first_name', head);
    put('last_name', rest.join(' '));
  };
  const now = reading.form.watch();
  const taken = contactId !== undefined;
  return (
    <FormDialog
      title={mail.subject || 'No subject'}
      width="md"
      form={reading}
      does={taken ? 'Save correction' : 'Add as a lead'}
      cancel="Later"
      onClose={onClose}
      note={
        mail.state === 'waiting' && (
          <Button onClick={() => aside.mutate()} disabled={aside.isPending}>
            Not a lead
          </Button>
        )
      }
    >
      <Text as="p" tone="soft" small>
        From {mail.from.name} {mail.from.address}. {mail.because} Select anything in the email that was misread or missed. The
        next email from this sender will be read the same way.
      </Text>
      <Split side="minmax(0, 0.66fr)">
        <Marking
          body={mail.body}
          known={[...TYPED.map(([, field]) => now[field]), ...marks.map(({ text }) => text)]}
          onMark={mark}
        />
        <Stack gap={3}>
          <TextFormField name="first_name" label="First name" />
          <TextFormField name="last_name" label="Last name" />
          <TextFormField name="emails" label="Email" disabled={taken} />
          <TextFormField name="phones" label="Phone" disabled={taken} />
          {!taken && (
            <SelectFormField name="role" label="Role">
              {CONTACT_ROLES.map((role) => (
                <option key={role} value={role}>
                  {capitalized(ROLE_NAMES[role])}
                </option>
              ))}
            </SelectFormField>
          )}
          <TextareaFormField name="message" label="Their message" disabled={taken} />
          {taken && (
            <Text as="p" tone="soft" small>
              The contact’s name is corrected too. Addresses and the message stay as they came.
            </Text>
          )}
        </Stack>
      </Split>
    </FormDialog>
  );
}
