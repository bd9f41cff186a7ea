'use client';
/** One import: looked through, corrected, under way, done. */
import { useEffect } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { DOUBTS, type DoubtReason, type FileFormat } from '@/core/imports';
import { ask, freshKey } from '../primitives';
import { Columns } from './columns';
import { Choices } from './choices';
import { PreviewTable } from './preview-table';
import type { Import } from './shapes';
import '../contacts/contacts.css';
import { Button, LinkButton, useToast } from '../kit';

const GOING = ['uploading', 'looking', 'waiting', 'running', 'undoing'];
const many = (n: number): string => n.toLocaleString('en-US');

/** `CSV with semicolons, Windows-1252, headings in line 5`. */
function formatWords(format: FileFormat): string {
  const signs: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' };
  const kinds: Record<string, string> = { csv: 'CSV', xlsx: 'XLSX workbook', ods: 'ODS workbook', vcf: 'vCards' };
  return [
    `${kinds[format.kind] ?? format.kind}${format.delimiter ? ` with ${signs[format.delimiter] ?? format.delimiter}` : ''}${format.version ? ` ${format.version}` : ''}`,
    format.sheet && `sheet “${format.sheet}”`,
    format.encoding?.toUpperCase().replace('-BOM', ' with mark'),
    format.headingRow === null
      ? 'no headings, read from the values'
      : format.headingRow
        ? `headings in row ${format.headingRow}`
        : null,
  ]
    .filter(Boolean)
    .join(', ');
}

export function ImportDesk({
  id,
  users,
  office,
  onClose,
}: {
  id: string;
  users: { id: string; name: string }[];
  office: boolean;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const toast = useToast();
  const { data, error } = useQuery({
    queryKey: ['import', id],
    queryFn: () => ask('GET /imports/{id}', { params: { id } }),
    refetchInterval: ({ state }) => (!state.data || GOING.includes(state.data.state) ? 700 : false),
    staleTime: 0,
  });
  const going = data ? GOING.includes(data.state) : true;
  useEffect(() => {
    // What an ended import brought in or took back (people, tags, sources) is news to every other list.
    if (!going) void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'import' });
  }, [going, queries]);
  const after = (next: Import) => {
    queries.setQueryData(['import', id], next);
    void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'import' });
  };
  const act = useMutation({
    mutationFn: (what: 'start' | 'cancel' | 'undo') => ask(`POST /imports/{id}/${what}`, { params: { id }, headers: freshKey() }),
    onSuccess: after,
    onError: toast.fail,
  });
  const change = useMutation({
    mutationFn: (patch: object) => ask('PATCH /imports/{id}', { params: { id }, body: patch }),
    onSuccess: after,
    onError: toast.fail,
  });
  if (error) return <p className="late">{error.message}</p>;
  if (!data) return <p className="soft">Loading…</p>;
  return (
    <>
      <div className="group">
        <h2>
          {data.file_name}{' '}
          <span style={{ fontWeight: 400 }}>{'kind' in data.format ? formatWords(data.format as FileFormat) : ''}</span>
        </h2>
        <Button look="text" onClick={onClose}>
          another file
        </Button>
      </div>
      {data.state === 'looking' && (
        <p role="status" className="empty">
          Reading the file… {data.total > 0 && `${many(data.total)} rows so far`}
        </p>
      )}
      {data.state === 'refused' && (
        <p className="because" role="alert">
          {data.sentence}
        </p>
      )}
      {data.state === 'ready' && data.look && (
        <>
          <p className="because" role="status">
            {many(data.look.rows)} people. {many(data.look.accepted)} ready, {many(data.look.doubtful_count)} with problems.{' '}
            <span className="soft">
              {data.look.known > 0 && `${many(data.look.known)} are already contacts. `}
              {data.look.twice > 0 && `${many(data.look.twice)} are in the file more than once and are imported once. `}
              {data.look.partners > 0 && `${many(data.look.partners)} partners become their own contacts. `}
              {data.look.permissions > 0
                ? `Permissions of ${many(data.look.permissions)} are imported, with this file as evidence.`
                : 'The file has no permissions, so none are imported.'}
            </span>
          </p>
          <Choices data={data} users={users} busy={change.isPending} onChange={(options) => change.mutate({ options })} />
          <div className="line" style={{ margin: '14px 0' }}>
            <Button look="main" disabled={act.isPending || change.isPending} onClick={() => act.mutate('start')}>
              Import {many(data.look.rows)} people
            </Button>
            <Button onClick={() => act.mutate('cancel')}>Cancel</Button>
          </div>
          <PreviewTable people={data.look.people} doubts={data.look.doubtful} rows={data.look.rows} />
          <Doubts data={data} />
          {data.columns.length > 0 && (
            <Columns
              columns={data.columns}
              office={office}
              busy={change.isPending}
              onChange={(columns) => change.mutate({ columns })}
            />
          )}
        </>
      )}
      {['waiting', 'running', 'undoing'].includes(data.state) && <Progress data={data} onCancel={() => act.mutate('cancel')} />}
      {['done', 'cancelled', 'failed', 'undone'].includes(data.state) && <Result data={data} onUndo={() => act.mutate('undo')} />}
    </>
  );
}

function Doubts({ data }: { data: Import }) {
  const { doubtful, doubtful_count } = data.look!;
  if (!doubtful.length) return null;
  return (
    <details className="doubts">
      <summary>
        {many(doubtful_count)} doubtful {doubtful_count === 1 ? 'row' : 'rows'}, each with its reason
      </summary>
      {doubtful.map((one) => (
        <div key={one.row} className="pair small">
          <span>
            Row {many(one.row)}: {one.why}
          </span>
          <span className="soft">{DOUBTS[one.reason as DoubtReason]}</span>
        </div>
      ))}
      {doubtful_count > doubtful.length && (
        <p className="soft small">And {many(doubtful_count - doubtful.length)} more in the download of skipped rows.</p>
      )}
    </details>
  );
}

function Progress({ data, onCancel }: { data: Import; onCancel: () => void }) {
  const undoing = data.state === 'undoing';
  const done = undoing ? data.undone + data.undo_left_alone : data.read;
  return (
    <div className="panel" style={{ padding: '16px 20px', marginTop: 12 }} role="status">
      <div className="line">
        <b>{undoing ? 'Undoing' : 'Importing'}</b>
        <progress value={done} max={Math.max(1, data.total)} style={{ flex: 1 }} aria-label="Progress" />
        <span className="soft">
          {many(done)} of {many(data.total)}
        </span>
        {!undoing && <Button onClick={onCancel}>Cancel</Button>}
      </div>
      <p className="soft small">You can leave this page; the import continues.</p>
    </div>
  );
}

function Result({ data, onUndo }: { data: Import; onUndo: () => void }) {
  return (
    <div className="panel" style={{ padding: '16px 20px', marginTop: 12 }}>
      {data.error && <p className="late">{data.error}</p>}
      {data.state === 'undone' ? (
        <p>
          Undone: {many(data.undone)} rows.
          {data.undo_left_alone > 0 &&
            ` ${many(data.undo_left_alone)} contacts stay, because someone has worked with them since.`}
        </p>
      ) : (
        <p>
          <b>{many(data.made)} new</b>, {many(data.changed)} updated, {many(data.same)} unchanged, {many(data.left_out)} skipped.
          {data.state === 'cancelled' && ` Canceled after ${many(data.read)} of ${many(data.total)} rows.`}
          {data.doubtful > 0 && ` Of ${many(data.doubtful)} rows with problems, what’s readable was imported.`}
        </p>
      )}
      <div className="line" style={{ marginTop: 12 }}>
        {data.left_out > 0 && data.state !== 'undone' && (
          <LinkButton href={`/api/v1/imports/${data.id}/skipped`} download>
            Download skipped rows
          </LinkButton>
        )}
        {data.state !== 'undone' && data.made + data.changed > 0 && (
          <Button look="warn" onClick={onUndo}>
            Undo import
          </Button>
        )}
      </div>
    </div>
  );
}
