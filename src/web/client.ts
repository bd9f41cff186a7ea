/** Who asks: the address of a request's client, which proxies of ours that are named may say for others and nobody else. */
import type { IncomingMessage } from 'node:http';
import proxyAddr from 'proxy-addr';

/** Headers by which a proxy speaks of a request; from anybody else they are only words. */
const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-port', 'x-forwarded-proto', 'x-real-ip'];
/** As `CLIENT_HEADER` of src/app/_http/client.ts, which reads it. */
const CLIENT_HEADER = 'x-urraca-client';

/**
 * @param proxies addresses or networks of trusted proxies, or names as `loopback`, with commas between; empty: nobody
 * @returns what marks a request with its client's address, taking off whatever it said of that itself
 */
export function clientMarker(proxies: string): (request: IncomingMessage) => void {
  const names = proxies
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  const trust = proxyAddr.compile(names);
  return (request) => {
    const direct = request.socket.remoteAddress ?? '';
    const client = direct ? proxyAddr(request, trust) : 'unknown';
    if (!direct || !trust(direct, 0)) for (const name of FORWARDED) delete request.headers[name];
    request.headers[CLIENT_HEADER] = client;
  };
}
