'use client';
/** Files that go out: those of the last week, and those that come back by themselves. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { rhythmWords, type ExportView, type ScheduleView } from '@/core/exports';
import type { Format } from '@/core/format';
import { type Jsoned } from '@/core/shared';
import { ask, useZone, useFormat } from '../primitives';
import { Button, Dialog, Heading, LinkButton, Row, Text, useToast } from '../kit';

type Export = Jsoned<ExportView>;
type Schedule = Jsoned<ScheduleView>;
const GOING = ['waiting', 'running'];
const KINDS: Record<ExportView['format'], string> = {
  csv: 'CSV',
  xlsx: 'XLSX',
  vcf: 'vCards',
  labels: 'Labels',
  cards: 'QR cards',
};

/** How a file went, in words: `4,012 people, sent to Ines Kolar`. */
function outcome({ state, done, total, error, email, mailed_at, mail_error, by }: Export, format: Format): string {
  if (state === 'failed') return error ?? 'Failed.';
  if (GOING.includes(state)) return `${format.number(done)} of ${format.number(total)}`;
  const sent = mail_error ? `, not sent: ${mail_error}` : mailed_at ? `, sent to ${by}` : email ? ', on its way by email' : '';
  return `${format.count(done, 'person', 'people')}${sent}`;
}

export function ExportsDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Exports" width="md" onClose={onClose}>
      <Schedules />
      <Files />
    </Dialog>
  );
}

function Schedules() {
  const zone = useZone();
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const { data: schedules } = useQuery({
    queryKey: ['exports', 'schedules'],
    queryFn: async () => (await ask('GET /export-schedules')).items,
  });
  const remove = useMutation({
    mutationFn: ({ id }: Schedule) => ask('DELETE /export-schedules/{id}', { params: { id } }),
    onSuccess: (_, { name }) => {
      toast.tell(`“${name}” is no longer scheduled. Existing files stay available for a week.`);
      void queries.invalidateQueries({ queryKey: ['exports'] });
    },
    onError: toast.fail,
  });
  return (
    <section aria-label="Scheduled">
      <Row ruled="head" spread>
        <Heading>Scheduled</Heading>
      </Row>
      {schedules?.length === 0 && (
        <Text as="p" tone="soft" small>
          None yet. Select everyone in a segment, choose Export, and set how often.
        </Text>
      )}
      {schedules?.map((one) => (
        <Row ruled spread wrap={false} gap={3} key={one.id}>
          <span>
            <b>{one.name}</b>{' '}
            <Text tone="soft" small>
              {KINDS[one.format]}, {rhythmWords(one, format.clockTime)}
              {one.email && `, by email to ${one.by}`}
            </Text>
            <Text block tone="soft" small>
              Next {format.dayAndTime(new Date(one.next_at), zone)}.{' '}
              {one.last &&
                (one.last.state === 'failed'
                  ? `Last run failed: ${one.last.error}`
                  : `Last run ${format.count(one.last.done, 'person', 'people')}${one.last.mail_error ? `, not sent: ${one.last.mail_error}` : ''}.`)}
              {one.error && ` ${one.error}`}
            </Text>
          </span>
          <Button size="small" aria-label={`Stop ${one.name}`} onClick={() => remove.mutate(one)}>
            Stop
          </Button>
        </Row>
      ))}
    </section>
  );
}

function Files() {
  const zone = useZone();
  const format = useFormat();
  const { data: files } = useQuery({
    queryKey: ['exports', 'files'],
    queryFn: async () => (await ask('GET /exports', { query: { limit: 50 } })).items,
    refetchInterval: ({ state }) => (state.data?.some((file) => GOING.includes(file.state)) ? 1_000 : false),
  });
  return (
    <section aria-label="Last 7 days">
      <Row ruled="head" spread>
        <Heading>Last 7 days</Heading>
      </Row>
      {files?.length === 0 && (
        <Text as="p" tone="soft" small>
          No exports in the last 7 days.
        </Text>
      )}
      {files?.map((file) => (
        <Row ruled spread wrap={false} gap={3} key={file.id}>
          <span>
            <b>{KINDS[file.format]}</b>{' '}
            <Text small tone={file.state === 'failed' ? 'late' : undefined}>
              {outcome(file, format)}
            </Text>
            <Text block tone="soft" small>
              {format.dayAndTime(new Date(file.made_at), zone)}, {file.by ?? 'a program'}
            </Text>
          </span>
          {file.state === 'done' && (
            <LinkButton size="small" href={`/api/v1/exports/${file.id}/file`} download>
              Download
            </LinkButton>
          )}
        </Row>
      ))}
    </section>
  );
}
