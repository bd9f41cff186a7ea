'use client';
/** Writing the chosen to a file: the format and when; then its progress, then the file. What was asked as a question may come back by itself. */
import type { ContactSelection } from '@/core/changes';
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { rhythmWords, SHEETS, type ExportFormat, type Rhythm, type SheetKey } from '@/core/exports';
import { ask, freshKey } from '../primitives';
import { When } from './export-when';
import { Button, Checkbox, DialogBody, Heading, Input, LinkButton, Radio, Row, Select, Stack, Text, useToast } from '../kit';

const FORMATS: [ExportFormat, string][] = [
  ['csv', 'CSV, for any spreadsheet'],
  ['xlsx', 'XLSX workbook'],
  ['vcf', 'vCards 4.0, for address books'],
  ['labels', 'Address labels, PDF'],
  ['cards', 'Cards with a QR code for phones, PDF'],
];
export function ExportDialog({ selection, count, onClose }: { selection: ContactSelection; count: number; onClose: () => void }) {
  const [format, setFormat] = useState<ExportFormat>('csv');
  const [sheet, setSheet] = useState<SheetKey>('thirty');
  const [start, setStart] = useState(1);
  const [together, setTogether] = useState(true);
  const [rhythm, setRhythm] = useState<Rhythm | null>(null);
  const [name, setName] = useState('');
  const [email, setEmail] = useState(false);
  const [id, setId] = useState<string | null>(null);
  const onSheets = format === 'labels' || format === 'cards';
  /** People named one by one are the same next week; only a question finds others. */
  const mayComeBack = selection.question !== undefined && !selection.except?.length;
  const options = onSheets ? { sheet, start: start - 1, per_household: together } : {};
  const queries = useQueryClient();
  const toast = useToast();
  const order = useMutation({
    mutationFn: () => ask('POST /exports', { body: { format, selection, options, email }, headers: freshKey() }),
    onSuccess: (made) => {
      setId(made.id);
      void queries.invalidateQueries({ queryKey: ['exports'] });
    },
    onError: toast.fail,
  });
  const schedule = useMutation({
    mutationFn: () =>
      ask('POST /export-schedules', {
        body: { name, format, options, question: selection.question ?? {}, ...rhythm!, email },
        headers: freshKey(),
      }),
    onSuccess: () => {
      toast.tell(`“${name}” is written ${rhythmWords(rhythm!)}. You’ll find it under Database → Exports.`);
      void queries.invalidateQueries({ queryKey: ['exports'] });
      onClose();
    },
    onError: toast.fail,
  });
  const { data } = useQuery({
    queryKey: ['export', id],
    queryFn: () => ask('GET /exports/{id}', { params: { id: id! } }),
    enabled: id !== null,
    refetchInterval: ({ state }) => (state.data && ['done', 'failed'].includes(state.data.state) ? false : 600),
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="export-title" fullWidth maxWidth="xs">
      <DialogBody
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (rhythm) schedule.mutate();
          else order.mutate();
        }}
      >
        <Heading level={1} id="export-title">
          Export {count.toLocaleString('en-US')}
        </Heading>
        {!id && (
          <>
            <Stack gap={0.5} scroll={260}>
              {FORMATS.map(([key, words]) => (
                <Radio key={key} name="format" checked={format === key} onChange={() => setFormat(key)}>
                  {words}
                </Radio>
              ))}
            </Stack>
            {onSheets && (
              <>
                <label>
                  Sheet:{' '}
                  <Select value={sheet} onChange={(event) => setSheet(event.target.value as SheetKey)}>
                    {Object.entries(SHEETS).map(([key, one]) => (
                      <option key={key} value={key}>
                        {one.name}
                      </option>
                    ))}
                  </Select>
                </label>
                <label>
                  Start at label{' '}
                  <Input
                    type="number"
                    min={1}
                    max={SHEETS[sheet].columns * SHEETS[sheet].rows}
                    value={start}
                    aria-label="First empty label"
                    width={64}
                    onChange={(event) => setStart(Math.max(1, Number(event.target.value)))}
                  />{' '}
                  of the first sheet
                </label>
                {format === 'labels' && (
                  <Checkbox checked={together} onChange={(event) => setTogether(event.target.checked)}>
                    One label per household
                  </Checkbox>
                )}
              </>
            )}
            {mayComeBack && <When rhythm={rhythm} name={name} onRhythm={setRhythm} onName={setName} />}
            <Checkbox checked={email} onChange={(event) => setEmail(event.target.checked)}>
              Email it to me too
            </Checkbox>
          </>
        )}
        {id && data?.state !== 'done' && data?.state !== 'failed' && (
          <Row role="status">
            <progress value={data?.done ?? 0} max={Math.max(1, data?.total ?? count)} aria-label="Progress" />
            <Text tone="soft" small>
              {(data?.done ?? 0).toLocaleString('en-US')} written
            </Text>
          </Row>
        )}
        {data?.state === 'failed' && (
          <Text as="p" tone="late">
            {data.error}
          </Text>
        )}
        {data?.state === 'done' && (
          <p role="status">
            {data.done.toLocaleString('en-US')} people are in the file. It’s available for a week
            {data.email ? ', and on its way to your inbox' : ''}.
          </p>
        )}
        <Row>
          {!id && (
            <Button
              type="submit"
              look="main"
              disabled={order.isPending || schedule.isPending || (rhythm !== null && !name.trim())}
            >
              {rhythm ? `Schedule ${rhythmWords(rhythm)}` : 'Create file'}
            </Button>
          )}
          {data?.state === 'done' && (
            <LinkButton look="main" href={`/api/v1/exports/${id}/file`} download onClick={onClose}>
              Download
            </LinkButton>
          )}
          <Button onClick={onClose}>Close</Button>
        </Row>
        <Text as="p" tone="soft" small>
          Exports are recorded in the audit log.
        </Text>
      </DialogBody>
    </Dialog>
  );
}
