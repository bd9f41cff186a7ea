'use client';
/** Writing the chosen to a file: the format, then its progress, then the file. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQuery } from '@tanstack/react-query';
import { SHEETS, type ExportFormat, type ExportView, type SheetKey } from '@/core/exports';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, useNotices } from '../primitives';

const FORMATS: [ExportFormat, string][] = [
  ['csv', 'CSV, for every spreadsheet'],
  ['xlsx', 'XLSX workbook'],
  ['vcf', 'vCards 4.0, for address books'],
  ['labels', 'Address labels, PDF'],
  ['cards', 'Cards with a QR code for phones, PDF'],
];
type Export = Jsoned<ExportView>;

export function ExportDialog({ selection, count, onClose }: { selection: object; count: number; onClose: () => void }) {
  const [format, setFormat] = useState<ExportFormat>('csv');
  const [sheet, setSheet] = useState<SheetKey>('thirty');
  const [start, setStart] = useState(1);
  const [together, setTogether] = useState(true);
  const onSheets = format === 'labels' || format === 'cards';
  const [id, setId] = useState<string | null>(null);
  const notices = useNotices();
  const order = useMutation({
    mutationFn: () =>
      ask<Export>(
        '/exports',
        'POST',
        { format, selection, options: onSheets ? { sheet, start: start - 1, per_household: together } : {} },
        freshKey(),
      ),
    onSuccess: (made) => setId(made.id),
    onError: notices.fail,
  });
  const { data } = useQuery({
    queryKey: ['export', id],
    queryFn: () => ask<Export>(`/exports/${id}`),
    enabled: id !== null,
    refetchInterval: ({ state }) => (state.data && ['done', 'failed'].includes(state.data.state) ? false : 600),
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="export-title" fullWidth maxWidth="xs">
      <div className="dialog">
        <h1 id="export-title">Export {count.toLocaleString('en-US')}</h1>
        {!id && (
          <div className="values">
            {FORMATS.map(([key, words]) => (
              <label key={key} className="choice">
                <input type="radio" name="format" checked={format === key} onChange={() => setFormat(key)} /> {words}
              </label>
            ))}
          </div>
        )}
        {!id && onSheets && (
          <>
            <label>
              Sheet:{' '}
              <select value={sheet} onChange={(event) => setSheet(event.target.value as SheetKey)}>
                {Object.entries(SHEETS).map(([key, one]) => (
                  <option key={key} value={key}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
            <label>
              Begin at label{' '}
              <input
                type="number"
                min={1}
                max={SHEETS[sheet].columns * SHEETS[sheet].rows}
                value={start}
                aria-label="First free label"
                style={{ width: 64 }}
                onChange={(event) => setStart(Math.max(1, Number(event.target.value)))}
              />{' '}
              of the first sheet
            </label>
            {format === 'labels' && (
              <label className="choice">
                <input type="checkbox" checked={together} onChange={(event) => setTogether(event.target.checked)} /> One label per
                household
              </label>
            )}
          </>
        )}
        {id && data?.state !== 'done' && data?.state !== 'failed' && (
          <div className="line" role="status">
            <progress value={data?.done ?? 0} max={Math.max(1, data?.total ?? count)} aria-label="Progress" />
            <span className="soft small">{(data?.done ?? 0).toLocaleString('en-US')} written</span>
          </div>
        )}
        {data?.state === 'failed' && <p className="late">{data.fault}</p>}
        {data?.state === 'done' && (
          <p role="status">{data.done.toLocaleString('en-US')} people are in the file. It is kept for a week.</p>
        )}
        <div className="line">
          {!id && (
            <button type="button" className="act main" disabled={order.isPending} onClick={() => order.mutate()}>
              Write the file
            </button>
          )}
          {data?.state === 'done' && (
            <a className="act main" href={`/api/v1/exports/${id}/file`} download onClick={onClose}>
              Download
            </a>
          )}
          <button type="button" className="act" onClick={onClose}>
            Close
          </button>
        </div>
        <p className="soft small">Brought in again, the file changes nothing. Who exported what stands in the audit.</p>
      </div>
    </Dialog>
  );
}
