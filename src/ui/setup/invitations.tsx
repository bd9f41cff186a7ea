'use client';
/** Inviting people to work here, and the invitations that nobody has accepted yet. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { INVITED_ROLES, type InvitedRole, type UserInvitationView } from '@/core/accounts';
import { capitalized, type Jsoned } from '@/core/shared';
import { ask, freshKey, useFormat, useNow, useZone, when } from '../primitives';
import {
  Button,
  Callout,
  FormDialog,
  ListLine,
  RadioFormField,
  Row,
  SelectFormField,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';
import { OfficeFormField } from './office-field';

type Invitation = Jsoned<UserInvitationView>;
const waysOf = (emailConnected: boolean) => [
  { value: 'email', name: emailConnected ? 'Send them an email' : 'Send them an email, once email is connected' },
  { value: 'link', name: 'Give me a link to pass on' },
];

export function Invitations() {
  const queries = useQueryClient();
  const toast = useToast();
  const [inviting, setInviting] = useState(false);
  const [link, setLink] = useState<string | null>(null);
  const { data } = useQuery({ queryKey: ['user invitations'], queryFn: () => ask('GET /user-invitations') });
  const { data: rosters } = useQuery({
    queryKey: ['ladder', 'rosters'],
    queryFn: async () => (await ask('GET /ladder')).rosters,
  });
  const heard = ({ link: made }: { link: string | null }) => {
    setLink(made);
    if (!made) toast.tell('The invitation is on its way.');
    void queries.invalidateQueries({ queryKey: ['user invitations'] });
  };
  const again = useMutation({
    mutationFn: ({ id, by }: { id: string; by: 'email' | 'link' }) =>
      ask('POST /user-invitations/{id}/resend', { params: { id }, body: { by }, headers: freshKey() }),
    onSuccess: heard,
    onError: toast.fail,
  });
  const revoke = useMutation({
    mutationFn: (id: string) => ask('DELETE /user-invitations/{id}', { params: { id } }),
    onSuccess: () => {
      toast.tell('Withdrawn. Its link no longer works.');
      void queries.invalidateQueries({ queryKey: ['user invitations'] });
    },
    onError: toast.fail,
  });
  return (
    <>
      {data?.items.map((one) => (
        <InvitationLine
          key={one.id}
          of={one}
          onAgain={(by) => again.mutate({ id: one.id, by })}
          onRevoke={() => revoke.mutate(one.id)}
        />
      ))}
      {link && (
        <Callout role="status">
          Copy the link now. It won’t be shown again: <code>{link}</code>{' '}
          <Button size="tiny" onClick={() => void navigator.clipboard.writeText(link).then(() => toast.tell('Copied.'))}>
            Copy
          </Button>
        </Callout>
      )}
      <Row above={3}>
        <Button look="main" onClick={() => setInviting(true)}>
          Invite people
        </Button>
      </Row>
      {inviting && data && rosters && (
        <InviteDialog
          rosters={rosters}
          emailConnected={data.email_connected}
          onInvited={(made) => {
            setInviting(false);
            heard(made);
          }}
          onClose={() => setInviting(false)}
        />
      )}
    </>
  );
}

function InvitationLine({
  of: one,
  onAgain,
  onRevoke,
}: {
  of: Invitation;
  onAgain: (by: 'email' | 'link') => void;
  onRevoke: () => void;
}) {
  const format = useFormat();
  const zone = useZone();
  const now = useNow();
  return (
    <ListLine
      end={
        <>
          <Text tone="soft">invited as {one.role}</Text>
          <Button size="tiny" aria-label={`${one.email}: send the invitation again`} onClick={() => onAgain('email')}>
            Send again
          </Button>
          <Button size="tiny" aria-label={`${one.email}: new link`} onClick={() => onAgain('link')}>
            New link
          </Button>
          <Button size="tiny" aria-label={`${one.email}: withdraw the invitation`} onClick={onRevoke}>
            Withdraw
          </Button>
        </>
      }
    >
      {one.name || one.email}{' '}
      {one.name && (
        <Text tone="soft" small>
          {one.email}
        </Text>
      )}
      <Text tone={one.ended || one.mail_error ? 'late' : 'soft'} small block>
        {one.ended ? 'The invitation ran out. Send it again.' : `Good until ${when(new Date(one.ends_at), now, zone, format)}`}
        {!one.ended && one.mail_error && `. The email hasn’t gone out: ${one.mail_error}. Use a link instead.`}
      </Text>
    </ListLine>
  );
}

const NOBODY: {
  email: string;
  first_name: string;
  last_name: string;
  role: InvitedRole;
  office_id: string;
  roster_id: string;
  by: 'email' | 'link';
} = { email: '', first_name: '', last_name: '', role: 'agent', office_id: '', roster_id: '', by: 'email' };

/** Where there is one roster they are on it; where no email goes out they get a link. */
function InviteDialog({
  rosters,
  emailConnected,
  onInvited,
  onClose,
}: {
  rosters: { id: string; name: string }[];
  emailConnected: boolean;
  onInvited: (made: { link: string | null }) => void;
  onClose: () => void;
}) {
  const [key] = useState(freshKey);
  const form = useSaveForm({
    values: {
      ...NOBODY,
      roster_id: rosters.length === 1 ? rosters[0]!.id : '',
      by: emailConnected ? ('email' as const) : ('link' as const),
    },
    draft: 'invite user',
    save: ({ office_id, roster_id, ...rest }) =>
      ask('POST /user-invitations', {
        body: { ...rest, office_id: office_id || null, roster_id: roster_id || null },
        headers: key,
      }),
    onSaved: onInvited,
  });
  return (
    <FormDialog title="Invite people" form={form} does="Invite" may={form.form.watch('email').trim() !== ''} onClose={onClose}>
      <TextFormField name="email" label="Email" inputMode="email" autoFocus maxLength={254} />
      <Row gap={3} wrap={false}>
        <TextFormField name="first_name" label="First name" maxLength={80} />
        <TextFormField name="last_name" label="Last name" maxLength={80} />
      </Row>
      <Row gap={3} wrap={false}>
        <SelectFormField name="role" label="Role">
          {INVITED_ROLES.map((role) => (
            <option key={role} value={role}>
              {capitalized(role)}
            </option>
          ))}
        </SelectFormField>
        <OfficeFormField />
      </Row>
      {rosters.length > 0 && form.form.watch('role') !== 'lender' && (
        <SelectFormField name="roster_id" label="Roster" help="Leads come to them from the roster as soon as they join.">
          <option value="">None yet</option>
          {rosters.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectFormField>
      )}
      <RadioFormField name="by" label="How they get it" options={waysOf(emailConnected)} />
    </FormDialog>
  );
}
