'use client';
/** What somebody tells of themselves: name, photo, numbers, zone, languages, licenses, signature; a lender also how they are told of new clients. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { TOLD_BY, US_ZONES, type License, type ProfileView, type ToldBy } from '@/core/accounts';
import type { Hours, Jsoned } from '@/core/shared';
import { ask, sendPicture } from '../primitives';
import {
  Button,
  Checkbox,
  CheckboxesFormField,
  Dialog,
  Field,
  FileButton,
  FormDialog,
  Input,
  Portrait,
  Row,
  SelectFormField,
  Skeleton,
  Stack,
  Text,
  TextareaFormField,
  TextFormField,
  TypedFormField,
  useSaveForm,
  useToast,
} from '../kit';
import { HoursFields } from '../segments';
import { StatesField } from './states-field';

const OFFICE_HOURS: Hours = { days: [1, 2, 3, 4, 5], from: '09:00', to: '18:00' };

/** @param lender they are told of new clients, by what they choose */
export function ProfileDialog({ userId, lender, onClose }: { userId: string; lender: boolean; onClose: () => void }) {
  const { data: profile } = useQuery({
    queryKey: ['profile', userId],
    queryFn: () => ask('GET /users/{id}/profile', { params: { id: userId } }),
  });
  if (!profile)
    return (
      <Dialog title="Profile" onClose={onClose}>
        <Skeleton lines={6} label="Loading the profile" />
      </Dialog>
    );
  return <ProfileForm profile={profile} lender={lender} onClose={onClose} />;
}

function ProfileForm({ profile, lender, onClose }: { profile: Jsoned<ProfileView>; lender: boolean; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const form = useSaveForm({
    values: {
      first_name: profile.first_name,
      last_name: profile.last_name,
      title: profile.title,
      phone: profile.phone,
      time_zone: profile.time_zone,
      languages: profile.languages.join(', '),
      signature: profile.signature,
      licenses: profile.licenses,
      hours: profile.hours,
      photo_id: profile.photo_id,
      told_by: profile.told_by,
      second_phone: profile.phones[0]?.number ?? null,
    },
    save: ({ languages, second_phone, ...body }) =>
      ask('PATCH /users/{id}/profile', {
        params: { id: profile.id },
        body: {
          ...body,
          languages: [
            ...new Set(
              languages
                .split(',')
                .map((one) => one.trim())
                .filter(Boolean),
            ),
          ],
          phones: second_phone ? [{ label: 'other', number: second_phone }] : [],
        },
      }),
    onSaved: () => {
      toast.tell('Profile saved.');
      for (const key of ['profile', 'users']) void queries.invalidateQueries({ queryKey: [key] });
      onClose();
    },
  });
  const { licenses, photo_id, told_by, time_zone, hours } = form.form.watch();
  const put = <Name extends 'licenses' | 'photo_id' | 'hours'>(
    name: Name,
    value: License[] | string | null | ToldBy[] | Hours[],
  ) => form.form.setValue(name, value as never, { shouldDirty: true });
  return (
    <FormDialog title="Profile" form={form} does="Save" width="sm" onClose={onClose}>
      <Photo id={photo_id} name={`${profile.first_name} ${profile.last_name}`} onChange={(id) => put('photo_id', id)} />
      <Row>
        <TextFormField name="first_name" label="First name" maxLength={80} />
        <TextFormField name="last_name" label="Last name" maxLength={80} />
      </Row>
      <TextFormField name="title" label="Title" maxLength={80} help="Such as Broker Associate." />
      <Row>
        <TypedFormField is="phone" name="phone" label="Phone" />
        <TypedFormField is="phone" name="second_phone" label="Other phone" />
      </Row>
      <SelectFormField name="time_zone" label="Time zone">
        {[...new Set([time_zone, ...US_ZONES.map(({ zone }) => zone)])].map((zone) => (
          <option key={zone} value={zone}>
            {US_ZONES.find((one) => one.zone === zone)?.name ?? zone.replaceAll('_', ' ')}
          </option>
        ))}
      </SelectFormField>
      <TextFormField name="languages" label="Languages" help="With commas between: English, Spanish." />
      <Stack gap={2}>
        <Checkbox checked={hours.length > 0} onChange={({ target }) => put('hours', target.checked ? [OFFICE_HOURS] : [])}>
          I work set hours
        </Checkbox>
        {!lender && hours[0] && (
          <Text small tone="soft">
            Outside of them, rosters skip you unless they have other hours for you.
          </Text>
        )}
        {hours[0] && <HoursFields hours={hours[0]} onChange={(next) => put('hours', [next])} />}
      </Stack>
      {!lender && <Licenses licenses={licenses} onChange={(next) => put('licenses', next)} />}
      <TextareaFormField
        name="signature"
        label="Email signature"
        rows={4}
        help="Goes at the end of emails you write yourself. Templates and campaigns use it where they say agent_signature."
      />
      {lender && (
        <CheckboxesFormField
          name="told_by"
          label="Tell me of new clients by"
          options={TOLD_BY.map((way) => ({
            value: way,
            label: way,
            /* One of them stays. */
            disabled: told_by.length === 1 && told_by[0] === way,
          }))}
        />
      )}
    </FormDialog>
  );
}

function Photo({ id, name, onChange }: { id: string | null; name: string; onChange: (id: string | null) => void }) {
  const toast = useToast();
  const send = useMutation({
    mutationFn: async (file: File) => (await sendPicture(file)).id,
    onSuccess: onChange,
    onError: toast.fail,
  });
  return (
    <Row>
      {id && <Portrait src={`/pictures/${id}`} alt={`Photo of ${name}`} />}
      <FileButton size="tiny" accept="image/png,image/jpeg,image/webp" onFile={(file) => send.mutate(file)}>
        {send.isPending ? 'Uploading…' : id ? 'Choose another photo' : 'Add a photo'}
      </FileButton>
      {id && (
        <Button size="tiny" look="text" onClick={() => onChange(null)}>
          Remove photo
        </Button>
      )}
    </Row>
  );
}

/** A number for each state that somebody is licensed in. */
function Licenses({ licenses, onChange }: { licenses: License[]; onChange: (licenses: License[]) => void }) {
  return (
    <Stack gap={2}>
      <StatesField
        label="Licensed in"
        chosen={licenses.map(({ state }) => state)}
        onChange={(states) =>
          onChange(states.map((state) => licenses.find((one) => one.state === state) ?? { state, number: '' }))
        }
      />
      {licenses.map(({ state, number }) => (
        <Field key={state} label={`License number, ${state}`}>
          {(control) => (
            <Input
              {...control}
              value={number}
              maxLength={40}
              onChange={({ target }) =>
                onChange(licenses.map((one) => (one.state === state ? { ...one, number: target.value } : one)))
              }
            />
          )}
        </Field>
      ))}
    </Stack>
  );
}
