'use client';
/** Days off, from one day to another: leads go to others meanwhile. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { localInstant } from '@/core/shared';
import { ask, useNow, useZone } from '../primitives';
import { Button, FormDialog, Row, Text, TypedFormField, useSaveForm, useToast } from '../kit';
import { localDate } from '@/core/shared';

export function TimeOffDialog({ userId, onClose }: { userId: string; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const zone = useZone();
  const today = localDate(useNow(), zone);
  const { data: profile } = useQuery({
    queryKey: ['profile', userId],
    queryFn: () => ask('GET /users/{id}/profile', { params: { id: userId } }),
  });
  const away = (from: string | null, until: string | null) =>
    ask('PUT /users/{id}/away', { params: { id: userId }, body: { from, until } });
  const saved = (words: string) => {
    toast.tell(words);
    for (const key of ['profile', 'ladder', 'users']) void queries.invalidateQueries({ queryKey: [key] });
    onClose();
  };
  const form = useSaveForm({
    values: { from: today, until: today },
    /* Through the end of the last day, where they are. */
    save: ({ from, until }) => away(startOf(from, zone, 0), startOf(until, zone, 1)),
    onSaved: () => saved('Your time off is set. Leads go to others meanwhile.'),
  });
  const { from, until } = form.form.watch();
  const isOff = profile?.away_until && new Date(profile.away_until) > new Date(0);
  return (
    <FormDialog title="Time off" form={form} does="Set time off" may={Boolean(from && until && from <= until)} onClose={onClose}>
      <Row>
        <TypedFormField is="date" name="from" label="First day off" />
        <TypedFormField is="date" name="until" label="Last day off" />
      </Row>
      <Text as="p" tone="soft" small>
        Rosters skip you from the first day through the last.
      </Text>
      {isOff && (
        <div>
          <Button
            look="text"
            onClick={() => void away(null, null).then(() => saved('You’re back and getting leads.'), toast.fail)}
          >
            Cancel my time off
          </Button>
        </div>
      )}
    </FormDialog>
  );
}

const startOf = (day: string, zone: string, plus: number): string =>
  localInstant(new Date(`${day}T12:00:00Z`), zone, plus, '00:00').toISOString();
