'use client';
/** Writing the chosen to a file: the format and when; then its progress, then the file. What was asked as a question may come back by itself. */
import type { ContactSelection } from '@/core/changes';
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { rhythmWords, SHEETS, type ExportFormat, type Rhythm, type SheetKey } from '@/core/exports';
import { ask, freshKey, useFormat } from '../primitives';
import { When } from './export-when';
import { Checkbox, Dialog, Field, LinkButton, Radio, Row, Select, Stack, Text, useToast, CountField } from '../kit';

const FORMATS: [ExportFormat, string][] = [
  ['csv', 'CSV, for any spreadsheet'],
  ['xlsx', 'XLSX workbook'],
  ['vcf', 'vCards 4.0, for address books'],
  ['labels', 'Address labels, PDF'],
  ['cards', 'Cards with a QR code for phones, PDF'],
];

interface ExportValues {
  format: ExportFormat;
  sheet: SheetKey;
  /** The first label of the first sheet that is empty, from 1. */
  start: number;
  together: boolean;
  rhythm: Rhythm | null;
  name: string;
  email: boolean;
}
const FIRST: ExportValues = {
  format: 'csv',
  sheet: 'thirty',
  start: 1,
  together: true,
  rhythm: null,
  name: '',
  email: false,
};
const isOnSheets = ({ format }: ExportValues): boolean => format === 'labels' || format === 'cards';

export function ExportDialog({ selection, count, onClose }: { selection: ContactSelection; count: number; onClose: () => void }) {
  const [values, setValues] = useState(FIRST);
  const [id, setId] = useState<string | null>(null);
  const { format, rhythm, name, email } = values;
  const set = (change: Partial<ExportValues>) => setValues({ ...values, ...change });
  const options = isOnSheets(values) ? { sheet: values.sheet, start: values.start - 1, per_household: values.together } : {};
  const formats = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const order = useMutation({
    mutationFn: () => ask('POST /exports', { body: { format, selection, options, email }, headers: freshKey() }),
    onSuccess: (made) => {
      setId(made.id);
      void queries.invalidateQueries({ queryKey: ['exports'] });
    },
  });
  const schedule = useMutation({
    mutationFn: () =>
      ask('POST /export-schedules', {
        body: { name, format, options, question: selection.question ?? {}, ...rhythm!, email },
        headers: freshKey(),
      }),
    onSuccess: () => {
      toast.tell(
        `“${name}” is written ${rhythmWords(rhythm!, formats.clockTime)}. You’ll find it in Contacts under Database → Exports.`,
      );
      void queries.invalidateQueries({ queryKey: ['exports'] });
      onClose();
    },
  });
  const title = `Export ${formats.count(count, 'contact', 'contacts')}`;
  if (id) return <ExportProgress id={id} title={title} count={count} onClose={onClose} />;
  return (
    <Dialog
      title={title}
      width="sm"
      onClose={onClose}
      onSubmit={() => (rhythm ? schedule : order).mutate()}
      does={rhythm ? `Schedule ${rhythmWords(rhythm, formats.clockTime)}` : 'Create file'}
      busy={order.isPending || schedule.isPending}
      may={rhythm === null || name.trim() !== ''}
      error={order.error ?? schedule.error}
    >
      <Stack gap={0.5} scroll={260} role="radiogroup" aria-label="Format">
        {FORMATS.map(([key, words]) => (
          <Radio key={key} name="format" checked={format === key} onChange={() => set({ format: key })}>
            {words}
          </Radio>
        ))}
      </Stack>
      {isOnSheets(values) && <SheetFields values={values} set={set} />}
      {/* People named one by one are the same next week; only a question finds others. */}
      {selection.question !== undefined && !selection.except?.length && (
        <When rhythm={rhythm} name={name} onRhythm={(next) => set({ rhythm: next })} onName={(next) => set({ name: next })} />
      )}
      <Checkbox checked={email} onChange={({ target }) => set({ email: target.checked })}>
        Email it to me too
      </Checkbox>
      <Recorded />
    </Dialog>
  );
}

const Recorded = () => (
  <Text as="p" tone="soft" small>
    Exports are recorded in the audit log.
  </Text>
);

/** Which sheet is in the printer, and where on it to begin. */
function SheetFields({ values, set }: { values: ExportValues; set: (change: Partial<ExportValues>) => void }) {
  const { columns, rows } = SHEETS[values.sheet];
  return (
    <>
      <Field label="Sheet">
        {(control) => (
          <Select {...control} value={values.sheet} onChange={({ target }) => set({ sheet: target.value as SheetKey })}>
            {Object.entries(SHEETS).map(([key, one]) => (
              <option key={key} value={key}>
                {one.name}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Field label="Start at label" help="On the first sheet, if some labels are used already.">
        {(control) => (
          <CountField
            {...control}
            label="Start at label"
            min={1}
            max={columns * rows}
            width={64}
            value={values.start}
            onChange={(start) => set({ start })}
          />
        )}
      </Field>
      {values.format === 'labels' && (
        <Checkbox checked={values.together} onChange={({ target }) => set({ together: target.checked })}>
          One label per household
        </Checkbox>
      )}
    </>
  );
}

/** A file while it is written, and once it is. */
function ExportProgress({ id, title, count, onClose }: { id: string; title: string; count: number; onClose: () => void }) {
  const format = useFormat();
  const { data } = useQuery({
    queryKey: ['export', id],
    queryFn: () => ask('GET /exports/{id}', { params: { id } }),
    refetchInterval: ({ state }) => (state.data && ['done', 'failed'].includes(state.data.state) ? false : 600),
  });
  return (
    <Dialog
      title={title}
      onClose={onClose}
      note={
        data?.state === 'done' && (
          <LinkButton look="main" href={`/api/v1/exports/${id}/file`} download onClick={onClose}>
            Download
          </LinkButton>
        )
      }
    >
      {data?.state === 'failed' ? (
        <Text as="p" tone="late" role="alert">
          {data.error}
        </Text>
      ) : data?.state === 'done' ? (
        <p role="status">
          {data.done === 1 ? '1 person is in the file. ' : `${format.number(data.done)} people are in the file. `}
          It’s available for a week{data.email ? ', and on its way to your inbox' : ''}.
        </p>
      ) : (
        <Row role="status">
          <progress value={data?.done ?? 0} max={Math.max(1, data?.total ?? count)} aria-label="Progress" />
          <Text tone="soft" small>
            {format.number(data?.done ?? 0)} written
          </Text>
        </Row>
      )}
      <Recorded />
    </Dialog>
  );
}
