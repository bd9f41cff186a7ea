'use client';
/** One import: looked through, corrected, under way, done. */
import { useEffect, useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { DOUBTS, type DoubtReason, type FileFormat } from '@/core/imports';
import { ask, freshKey, useFormat } from '../primitives';
import { Columns } from './columns';
import { Choices } from './choices';
import { PreviewTable } from './preview-table';
import type { Import } from './shapes';
import {
  Button,
  Callout,
  Dialog,
  Disclosure,
  EmptyState,
  Heading,
  LinkButton,
  Panel,
  Progress,
  Row,
  Skeleton,
  Text,
  useToast,
} from '../kit';

const GOING = ['uploading', 'looking', 'waiting', 'running', 'undoing'];

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
  const format = useFormat();
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
  if (error)
    return (
      <Text as="p" tone="late">
        {error.message}
      </Text>
    );
  if (!data) return <Skeleton lines={8} height={28} label="Loading import" />;
  return (
    <>
      <Row ruled="head" spread above={4}>
        <Heading>
          {data.file_name}{' '}
          <Text tone="soft" small>
            {'kind' in data.format ? formatWords(data.format as FileFormat) : ''}
          </Text>
        </Heading>
        <Button look="text" onClick={onClose}>
          Choose another file
        </Button>
      </Row>
      {data.state === 'looking' && (
        <EmptyState role="status">Reading the file… {data.total > 0 && `${format.number(data.total)} rows so far`}</EmptyState>
      )}
      {data.state === 'refused' && <Callout role="alert">{data.sentence}</Callout>}
      {data.state === 'ready' && data.look && (
        <>
          <Found look={data.look} />
          <Choices data={data} users={users} busy={change.isPending} onChange={(options) => change.mutate({ options })} />
          <Row above={3.5}>
            <Button look="main" disabled={act.isPending || change.isPending} onClick={() => act.mutate('start')}>
              Import {format.count(data.look.rows, 'contact', 'contacts')}
            </Button>
            <Button onClick={() => act.mutate('cancel')}>Cancel</Button>
          </Row>
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
      {['waiting', 'running', 'undoing'].includes(data.state) && (
        <ImportProgress data={data} onCancel={() => act.mutate('cancel')} />
      )}
      {['done', 'cancelled', 'failed', 'undone'].includes(data.state) && <Result data={data} onUndo={() => act.mutate('undo')} />}
    </>
  );
}

/** What was found in the file, in a sentence or five. */
function Found({ look }: { look: NonNullable<Import['look']> }) {
  const format = useFormat();
  return (
    <Callout role="status">
      {format.count(look.rows, 'person', 'people')}. {format.number(look.accepted)} ready, {format.number(look.doubtful_count)}{' '}
      with problems.{' '}
      <Text tone="soft">
        {look.known > 0 && `${format.count(look.known, 'is already a contact', 'are already contacts')}. `}
        {look.twice > 0 && `${format.number(look.twice)} are in the file more than once and are imported once. `}
        {(look.sharing ?? 0) > 0 &&
          `${format.number(look.sharing!)} share a phone or email with someone of another name, and each stays a contact of their own. `}
        {look.partners > 0 &&
          `${format.count(look.partners, 'partner becomes a contact', 'partners become contacts')} of their own. `}
        {look.permissions > 0
          ? `Permissions of ${format.number(look.permissions)} are imported, with this file as evidence.`
          : 'The file has no permissions, so none are imported.'}
      </Text>
    </Callout>
  );
}

function Doubts({ data }: { data: Import }) {
  const format = useFormat();
  const { doubtful, doubtful_count } = data.look!;
  if (!doubtful.length) return null;
  return (
    <Disclosure>
      <summary>{format.count(doubtful_count, 'row', 'rows')} with problems, each with its reason</summary>
      {doubtful.map((one) => (
        <Row ruled spread wrap={false} gap={3} small key={one.row}>
          <span>
            Row {format.number(one.row)}: {one.why}
          </span>
          <Text tone="soft">{DOUBTS[one.reason as DoubtReason]}</Text>
        </Row>
      ))}
      {doubtful_count > doubtful.length && (
        <Text as="p" tone="soft" small>
          And {format.number(doubtful_count - doubtful.length)} more in the download of skipped rows.
        </Text>
      )}
    </Disclosure>
  );
}

function ImportProgress({ data, onCancel }: { data: Import; onCancel: () => void }) {
  const format = useFormat();
  const undoing = data.state === 'undoing';
  const done = undoing ? data.undone + data.undo_left_alone : data.read;
  return (
    <Panel role="status">
      <Row>
        <b>{undoing ? 'Undoing' : 'Importing'}</b>
        <Progress done={done} of={data.total} label="Progress" />
        <Text tone="soft">
          {format.number(done)} of {format.number(data.total)}
        </Text>
        {!undoing && <Button onClick={onCancel}>Cancel</Button>}
      </Row>
      <Text as="p" tone="soft" small>
        You can leave this page; the import continues.
      </Text>
    </Panel>
  );
}

function Result({ data, onUndo }: { data: Import; onUndo: () => void }) {
  const format = useFormat();
  const [asking, setAsking] = useState(false);
  return (
    <Panel>
      {asking && (
        <Dialog
          title={`Undo the import of ${data.file_name}?`}
          does="Undo import"
          warn
          onClose={() => setAsking(false)}
          onSubmit={() => {
            setAsking(false);
            onUndo();
          }}
        >
          <p>
            {format.count(data.made, 'new contact is', 'new contacts are')} deleted, and{' '}
            {format.count(data.changed, 'contact goes', 'contacts go')} back to how they were. Contacts someone has worked with
            since stay as they are.
          </p>
        </Dialog>
      )}
      {data.error && (
        <Text as="p" tone="late">
          {data.error}
        </Text>
      )}
      {data.state === 'undone' ? (
        <p>
          Undone: {format.number(data.undone)} rows.
          {data.undo_left_alone > 0 &&
            ` ${format.number(data.undo_left_alone)} contacts stay, because someone has worked with them since.`}
        </p>
      ) : (
        <p>
          <b>{format.number(data.made)} new</b>, {format.number(data.changed)} updated, {format.number(data.same)} unchanged,{' '}
          {format.number(data.left_out)} skipped.
          {data.state === 'cancelled' && ` Canceled after ${format.number(data.read)} of ${format.number(data.total)} rows.`}
          {data.doubtful > 0 && ` Of ${format.number(data.doubtful)} rows with problems, what’s readable was imported.`}
        </p>
      )}
      <Row above={3}>
        {data.left_out > 0 && data.state !== 'undone' && (
          <LinkButton href={`/api/v1/imports/${data.id}/skipped`} download>
            Download skipped rows
          </LinkButton>
        )}
        {data.state !== 'undone' && data.made + data.changed > 0 && (
          <Button look="warn" onClick={() => setAsking(true)}>
            Undo import
          </Button>
        )}
      </Row>
    </Panel>
  );
}
