/** The worker's side of an advance: the row that says how far time has come, under a lock so that one advance runs at a time. */
import { publish, reader, transact, type Tx } from '../shared';

export async function beginAdvance(id: string): Promise<{ goal: Date | null; state: string } | null> {
  return reader().first<{ goal: Date | null; state: string }>(
    `update advances set state = 'running' where id = $1 and state in ('waiting','running') returning goal, state`,
    [id],
  );
}

export async function reportAdvance(id: string, reached: Date, done: number): Promise<void> {
  await transact(async (tx) => {
    await tx.run('update advances set reached = $2, done = $3 where id = $1', [id, reached, done]);
    await tellClock(tx);
  });
}

export async function endAdvance(id: string, reached: Date, done: number, error: string | null): Promise<void> {
  await transact(async (tx) => {
    await tx.run(
      `update advances set state = case when $4::text is null then 'done' else 'failed' end, reached = $2, done = $3, error = $4 where id = $1`,
      [id, reached, done, error],
    );
    await tellClock(tx);
  });
}

/** Tells every page of every account that the clock moved. */
async function tellClock(tx: Tx): Promise<void> {
  for (const { id } of await tx.rows<{ id: string }>('select id from accounts'))
    await publish(tx, { accountId: id, topic: 'clock', ownerId: null });
}
