'use client';
/** Files that go out: those of the last week, and those that come back by themselves. */
import Dialog from '@mui/material/Dialog';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { rhythmWords, type ExportView, type ScheduleView } from '@/core/exports';
import { type Jsoned } from '@/core/shared';
import { ask, useZone, useFormat } from '../primitives';
import { Button, LinkButton, useToast } from '../kit';

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
function outcome({ state, done, total, error, email, mailed_at, mail_error, by }: Export): string {
  if (state === 'failed') return error ?? 'Failed.';
  if (GOING.includes(state)) return `${done.toLocaleString('en-US')} of ${total.toLocaleString('en-US')}`;
  const sent = mail_error ? `, not sent: ${mail_error}` : mailed_at ? `, sent to ${by}` : email ? ', on its way by email' : '';
  return `${done.toLocaleString('en-US')} ${done === 1 ? 'person' : 'people'}${sent}`;
}

export function ExportsDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="exports-title" fullWidth maxWidth="md">
      <div className="dialog">
        <h1 id="exports-title">Exports</h1>
        <Schedules />
        <Files />
        <div className="line">
          <Button onClick={onClose}>Close</Button>
        </div>
      </div>
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
      <div className="group">
        <h2>Scheduled</h2>
      </div>
      {schedules?.length === 0 && (
        <p className="soft small">None yet. Select everyone in a segment, choose Export, and set how often.</p>
      )}
      {schedules?.map((one) => (
        <div key={one.id} className="pair">
          <span>
            <b>{one.name}</b>{' '}
            <span className="soft small">
              {KINDS[one.format]}, {rhythmWords(one)}
              {one.email && `, by email to ${one.by}`}
            </span>
            <span className="soft small" style={{ display: 'block' }}>
              Next {format.dayAndTime(new Date(one.next_at), zone)}.{' '}
              {one.last &&
                (one.last.state === 'failed'
                  ? `Last run failed: ${one.last.error}`
                  : `Last run ${one.last.done.toLocaleString('en-US')} people${one.last.mail_error ? `, not sent: ${one.last.mail_error}` : ''}.`)}
              {one.error && ` ${one.error}`}
            </span>
          </span>
          <Button size="small" onClick={() => remove.mutate(one)}>
            Stop
          </Button>
        </div>
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
      <div className="group">
        <h2>Last 7 days</h2>
      </div>
      {files?.length === 0 && <p className="soft small">No exports in the last 7 days.</p>}
      {files?.map((file) => (
        <div key={file.id} className="pair">
          <span>
            <b>{KINDS[file.format]}</b> <span className={file.state === 'failed' ? 'late small' : 'small'}>{outcome(file)}</span>
            <span className="soft small" style={{ display: 'block' }}>
              {format.dayAndTime(new Date(file.made_at), zone)}, {file.by ?? 'a program'}
            </span>
          </span>
          {file.state === 'done' && (
            <LinkButton size="small" href={`/api/v1/exports/${file.id}/file`} download>
              Download
            </LinkButton>
          )}
        </div>
      ))}
    </section>
  );
}
