'use client';
/** Bringing a file in: choose it, see what was recognised, correct it, start, and take it back if it was the wrong one. */
import { useState } from 'react';
import { useRouter, useSearchParams } from 'next/navigation';
import { useQuery } from '@tanstack/react-query';
import { ask, Problem, useZone, useFormat } from '../primitives';
import { ImportDesk } from './import-desk';
import type { Import } from './shapes';
import { Button, DropArea, EmptyState, FileButton, Heading, LinkButton, Row, Text, useToast } from '../kit';

export function ImportArea({ users, office }: { users: { id: string; name: string }[]; office: boolean }) {
  const params = useSearchParams();
  const router = useRouter();
  const id = params.get('import');
  const open = (next: string | null) => router.push(next ? `/contacts/import?import=${next}` : '/contacts/import');
  return (
    <section aria-label="Import a file">
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>Import a file</Heading>
          <Text as="p" tone="soft" small>
            CSV, XLSX, ODS, or vCard. Nothing changes until you’ve reviewed it.
          </Text>
        </div>
        <LinkButton href="/contacts">Back to contacts</LinkButton>
      </Row>
      {id ? (
        <ImportDesk key={id} id={id} users={users} office={office} onClose={() => open(null)} />
      ) : (
        <Start onSent={(made) => open(made.id)} onOpen={open} />
      )}
    </section>
  );
}

function Start({ onSent, onOpen }: { onSent: (made: Import) => void; onOpen: (id: string) => void }) {
  const [over, setOver] = useState(false);
  const [sent, setSent] = useState<number | null>(null);
  const toast = useToast();
  const send = async (file: File | undefined) => {
    if (!file) return;
    setSent(0);
    try {
      onSent(await upload(file, setSent));
    } catch (error) {
      setSent(null);
      toast.fail(error);
    }
  };
  return (
    <>
      <DropArea
        as="div"
        over={over}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void send(event.dataTransfer.files[0]);
        }}
      >
        {sent === null ? (
          <>
            <p>Drop a file here</p>
            <FileButton
              look="main"
              label="File of contacts"
              accept=".csv,.txt,.tsv,.xlsx,.ods,.vcf"
              onFile={(file) => void send(file)}
            >
              Choose a file
            </FileButton>
          </>
        ) : (
          <p role="status">
            Sending… <progress value={sent} max={1} aria-label="Sent" />
          </p>
        )}
      </DropArea>
      <Earlier onOpen={onOpen} />
    </>
  );
}

/** Sends a file with its progress, which fetch does not tell. */
function upload(file: File, onProgress: (share: number) => void): Promise<Import> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', `/api/v1/imports?name=${encodeURIComponent(file.name.slice(-200))}`);
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.upload.onprogress = ({ loaded, total }) => onProgress(total ? loaded / total : 0);
    request.onerror = () => reject(new Problem('unreachable', 'The upload failed. Nothing was saved; try again.', 0));
    request.onload = () => {
      const answer = JSON.parse(request.responseText || '{}') as Import & { code?: string; detail?: string };
      if (request.status < 300) resolve(answer);
      else reject(new Problem(answer.code ?? 'internal', answer.detail ?? 'Couldn’t use the file. Try again.', request.status));
    };
    request.send(file);
  });
}

const STATES: Record<Import['state'], string> = {
  uploading: 'interrupted',
  looking: 'reading',
  ready: 'ready to review',
  refused: 'not read',
  waiting: 'starting',
  running: 'importing',
  done: 'imported',
  cancelled: 'canceled',
  failed: 'failed',
  undoing: 'undoing',
  undone: 'undone',
};

function Earlier({ onOpen }: { onOpen: (id: string) => void }) {
  const format = useFormat();
  const zone = useZone();
  const { data } = useQuery({
    queryKey: ['imports'],
    queryFn: async () => (await ask('GET /imports', { query: { limit: 30 } })).items,
  });
  if (!data?.length) return <EmptyState>No imports yet.</EmptyState>;
  return (
    <>
      <Row ruled="head" spread>
        <Heading>Past imports</Heading>
      </Row>
      {data.map((one) => (
        <Row ruled spread wrap={false} gap={3} key={one.id}>
          <span>
            <Button look="text" onClick={() => onOpen(one.id)}>
              {one.file_name}
            </Button>{' '}
            <Text tone="soft" small>
              {STATES[one.state]}, {format.dayAndTime(new Date(one.made_at), zone)}
              {one.by ? `, ${one.by}` : ''}
            </Text>
          </span>
          <Text tone="soft" small>
            {one.made + one.changed > 0 && `${format.number(one.made)} new, ${format.number(one.changed)} completed`}
          </Text>
        </Row>
      ))}
    </>
  );
}
