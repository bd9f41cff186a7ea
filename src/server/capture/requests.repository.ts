/** The last requests to a door for programs, with their answers. They are gathered for a moment and written together: a lead does not wait for its line here. */
import type { DoorRequestView } from '@/core/capture';
import { storableJson } from '@/core/capture/schemas';
import type { Scope } from '@/core/accounts';
import { notFound } from '@/core/shared';
import { now, reader } from '../shared';
import type { Door } from './doors.repository';

export interface DoorRequest {
  door: Pick<Door, 'id' | 'accountId'>;
  contentType: string;
  body: string;
  status: number;
  answer: unknown;
  sandbox: boolean;
  tookMs: number;
}

/** So many are kept of each door, and so much of each body. */
const KEPT = 100;
const MOST_SIGNS = 20_000;
const GATHER_MS = 200;
/** Under a flood the oldest that are not yet written are left out. */
const MOST_WAITING = 2_000;

let waiting: DoorRequest[] = [];
let writing: Promise<void> | null = null;

/** Notes a request. It can be read a fifth of a second later. */
export function noteRequest(request: DoorRequest): void {
  waiting.push(request);
  if (waiting.length > MOST_WAITING) waiting.shift();
  writing ??= new Promise<void>((resolve) => setTimeout(resolve, GATHER_MS).unref()).then(async () => {
    const batch = waiting;
    waiting = [];
    writing = null;
    await write(batch).catch(() => undefined);
  });
}

/** Writes what was noted until now. */
export async function finishRequests(): Promise<void> {
  const batch = waiting;
  waiting = [];
  await write(batch);
}

async function write(batch: DoorRequest[]): Promise<void> {
  if (!batch.length) return;
  const at = await now();
  await reader().run(
    `with added as (
       insert into door_requests (account_id, door_id, at, content_type, body, status, answer, sandbox, took_ms)
       select account_id, door_id, $4, content_type, body, status, answer, sandbox, took_ms from jsonb_to_recordset($1::jsonb) as x (account_id bigint, door_id bigint, content_type text, body text, status int, answer jsonb, sandbox boolean, took_ms int)
       returning 1
     ) delete from door_requests r using unnest($2::bigint[]) d(id)
       where r.door_id = d.id and r.id <= (select id from door_requests where door_id = d.id order by id desc offset $3 limit 1)`,
    [
      storableJson(
        batch.map(({ door, contentType, body, status, answer, sandbox, tookMs }) => ({
          account_id: door.accountId,
          door_id: door.id,
          content_type: contentType.slice(0, 200),
          body: body.slice(0, MOST_SIGNS),
          status,
          answer,
          sandbox,
          took_ms: Math.round(tookMs),
        })),
      ),
      [...new Set(batch.map(({ door }) => door.id))],
      KEPT,
      at,
    ],
  );
}

/** The last hundred requests to a door, the latest first. @throws AppError not_found */
export async function listRequests(scope: Scope, doorId: string): Promise<DoorRequestView[]> {
  await finishRequests();
  const door = await reader().first('select 1 from doors where id = $1 and account_id = $2 and active', [
    doorId,
    scope.accountId,
  ]);
  if (!door) throw notFound('door');
  return reader().rows<DoorRequestView>(
    `select id, at, content_type, body, status, answer, sandbox, took_ms from door_requests where door_id = $1 and account_id = $2 order by id desc limit ${KEPT}`,
    [doorId, scope.accountId],
  );
}
