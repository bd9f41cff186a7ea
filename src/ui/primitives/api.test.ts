import { addressOf, ask, Problem, type ApiAnswer } from './api';

const asked: { url: string; method?: string; body?: unknown }[] = [];
const answering = (status: number, body: unknown) => {
  globalThis.fetch = ((url: string, { method, body: sent }: RequestInit) => {
    asked.push({ url, method, body: sent && JSON.parse(String(sent)) });
    return Promise.resolve(new Response(status === 204 ? null : JSON.stringify(body), { status }));
  }) as typeof fetch;
};
beforeEach(() => (asked.length = 0));

test('an address has its parameters and what is asked, and nothing that is not', () => {
  expect(addressOf('/contacts/{id}/notes', { id: '7/8' }, undefined)).toBe('/contacts/7%2F8/notes');
  expect(addressOf('/contacts', {}, { limit: 6, q: 'Fenn & Co', cursor: undefined })).toBe('/contacts?limit=6&q=Fenn+%26+Co');
  expect(addressOf('/contacts', {}, new URLSearchParams({ stage: 'new' }))).toBe('/contacts?stage=new');
  expect(addressOf('/contacts', {}, {})).toBe('/contacts');
});

test('an operation is asked by its method and path, with its body', async () => {
  answering(200, { version: '3' });
  const saved: ApiAnswer<'PUT /ladder'> = await ask('PUT /ladder', { body: { version: '2', rungs: [], own_listing: false } });
  expect(saved.version).toBe('3');
  expect(asked).toEqual([{ url: '/api/v1/ladder', method: 'PUT', body: { version: '2', rungs: [], own_listing: false } }]);
});

test('what an operation does not take is not compiled', () => {
  answering(204, null);
  /* @ts-expect-error -- there is no such operation */
  void ask('GET /nowhere');
  /* @ts-expect-error -- its parameter is missing */
  void ask('GET /contacts/{id}');
  /* @ts-expect-error -- this is no state of a campaign */
  void ask('PATCH /campaigns/{id}', { params: { id: '1' }, body: { state: 'flying' } });
  expect(asked).toHaveLength(3);
});

test('a problem is one error with its sentence and its fields', async () => {
  answering(422, {
    code: 'input_invalid',
    detail: 'Check your input.',
    errors: [{ field: 'name', message: 'is missing' }],
  });
  const problem: unknown = await ask('POST /tags', { body: { name: '' } }).catch((error: unknown) => error);
  expect(problem).toBeInstanceOf(Problem);
  expect(problem).toMatchObject({
    code: 'input_invalid',
    message: 'Check your input.',
    status: 422,
    fields: [{ field: 'name', message: 'is missing' }],
  });
});

test('when nobody answers, it says that what was typed is still here', async () => {
  globalThis.fetch = () => Promise.reject(new TypeError('refused'));
  await expect(ask('GET /today')).rejects.toThrow('Can’t reach Urraca. What you typed is still here; try again in a moment.');
});
