/**
 * The process that serves pages and the API: Next behind an HTTP server of ours, which knows who asks, refuses addresses that cannot be
 * read, and ends within five seconds when it is asked to, whatever streams are open.
 */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { parseArgs } from 'node:util';
import next from 'next';
import { isBrokenAddress } from './address';
import { clientMarker } from './client';

/** What is being answered may be finished within this time; streams of events are ended at once. */
const FINISH_MS = 3_000;
/** Longer than the idle time of proxies, so that none of them meets a connection that is being closed. */
const KEEP_ALIVE_MS = 75_000;

function refuse(request: IncomingMessage, response: ServerResponse): void {
  const isApi = request.url?.startsWith('/api/') ?? false;
  const detail = 'This address cannot be read.';
  response.writeHead(400, {
    'content-type': isApi ? 'application/problem+json' : 'text/plain; charset=utf-8',
    'cache-control': 'no-store',
    connection: 'close',
  });
  response.end(
    isApi
      ? JSON.stringify({
          type: 'https://urraca.example/problems/input_unreadable',
          title: 'input unreadable',
          status: 400,
          detail,
          code: 'input_unreadable',
        })
      : `${detail}\n`,
  );
}

async function main(): Promise<void> {
  const { values } = parseArgs({ options: { host: { type: 'string', short: 'H' }, port: { type: 'string', short: 'p' } } });
  const hostname = values.host ?? process.env.HOST ?? '127.0.0.1';
  const port = Number(values.port ?? process.env.PORT ?? 3000);
  const app = next({ dev: false, hostname, port });
  await app.prepare();
  const answer = app.getRequestHandler();
  const mark = clientMarker(process.env.TRUSTED_PROXIES ?? '');
  /* A browser that came once by TLS comes by nothing else (RFC 6797). */
  const overTls = process.env.PUBLIC_URL?.startsWith('https:') ?? false;
  const open = new Set<ServerResponse>();
  const server = createServer((request, response) => {
    open.add(response);
    response.once('close', () => open.delete(response));
    if (isBrokenAddress(request.url ?? '')) return refuse(request, response);
    mark(request);
    if (overTls) response.setHeader('strict-transport-security', 'max-age=31536000; includeSubDomains');
    answer(request, response).catch((error: unknown) => {
      console.error(error);
      if (!response.headersSent) response.writeHead(500);
      response.end();
    });
  });
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.listen(port, hostname, () => console.log(`web ready at http://${hostname}:${port}`));

  let stopping = false;
  const isStream = (response: ServerResponse): boolean =>
    String(response.getHeader('content-type') ?? '').startsWith('text/event-stream');
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    setTimeout(() => process.exit(0), FINISH_MS).unref();
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    for (const response of open) {
      if (isStream(response)) response.socket?.destroy();
      else response.once('close', () => server.closeIdleConnections());
    }
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
