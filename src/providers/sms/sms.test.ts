/** Texts to a carrier that takes several at once, and to one that does not. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { httpCarrier } from '.';

const servers: Server[] = [];
/** A carrier; `seen` is what it was asked, each request by the keys in it. */
async function carrier(together: boolean): Promise<{ url: string; seen: string[] }> {
  const seen: string[] = [];
  const server = createServer((request, response) => {
    let text = '';
    request.setEncoding('utf8').on('data', (part) => (text += part));
    request.on('end', () => {
      const body = JSON.parse(text) as { key: string } | { key: string }[];
      seen.push(
        [body]
          .flat()
          .map(({ key }) => key)
          .join(),
      );
      const taken = ({ key }: { key: string }) => ({ status: 201, receipt: `took ${key}` });
      if (!Array.isArray(body)) response.writeHead(201).end(JSON.stringify(taken(body)));
      else if (together) response.end(JSON.stringify(body.map(taken)));
      else response.writeHead(422).end('{"detail":"one at a time"}');
    });
  });
  servers.push(server);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, seen };
}
const texts = ['a', 'b', 'c'].map((key) => ({ key, from: '+13605550101', to: '+15645550123', body: 'hello' }));
const accepted = texts.map(({ key }) => ({ result: 'accepted', receipt: `took ${key}` }));

afterAll(() => {
  for (const server of servers) {
    server.closeAllConnections();
    server.close();
  }
});

it('takes one request for all of them', async () => {
  const { url, seen } = await carrier(true);
  await expect(httpCarrier({ url, authorization: null }).sendTogether(texts)).resolves.toEqual(accepted);
  expect(seen).toEqual(['a,b,c']);
});

it('asks for each where the carrier takes one at a time', async () => {
  const { url, seen } = await carrier(false);
  await expect(httpCarrier({ url, authorization: null }).sendTogether(texts)).resolves.toEqual(accepted);
  expect(seen.sort()).toEqual(['a', 'a,b,c', 'b', 'c']);
});
