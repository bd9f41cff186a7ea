/** Server-sent events: what changed, for a page that is open. Carries ids only, and only of what the person may see. */
import { concerns, isMine } from '@/core/accounts';
import { problem } from '@/app/_http/problem';
import { principalOf, sessionToken } from '@/app/_http/principal';
import { userOf } from '@/app/_http/route';
import { personOfSession } from '@/server/accounts';
import { subscribe } from '@/server/shared';

const KEEP_ALIVE_MS = 20_000;

export async function GET(request: Request): Promise<Response> {
  try {
    const user = userOf(await principalOf(request));
    const token = (await sessionToken()) ?? '';
    const text = new TextEncoder();
    let end = () => {};
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const send = (line: string) => {
          try {
            controller.enqueue(text.encode(line));
          } catch {
            end();
          }
        };
        const unsubscribe = subscribe((event) => {
          if (event === 'everything') send('event: everything\ndata: {}\n\n');
          else if (concerns(user, event))
            send(
              `data: ${JSON.stringify({ topic: event.topic, contactId: event.contactId, callId: event.callId, mine: isMine(user, event) })}\n\n`,
            );
        });
        /** A session that ended in the meantime ends its stream too. */
        const alive = setInterval(
          () =>
            void personOfSession(token).then(
              (still) => (still ? send(': here\n\n') : end()),
              () => {},
            ),
          KEEP_ALIVE_MS,
        );
        end = () => {
          clearInterval(alive);
          unsubscribe();
          end = () => {};
          try {
            controller.close();
          } catch {
            /* closed by the other side */
          }
        };
        request.signal.addEventListener('abort', () => end());
        send('retry: 1500\n\n');
      },
      cancel: () => end(),
    });
    return new Response(stream, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
    });
  } catch (error) {
    return problem(error);
  }
}
