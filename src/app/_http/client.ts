/** Where a request comes from, as the process that serves us has found out (src/web); nothing that a client says itself is believed. */

/** The header that our own process sets on every request, whatever came in it. */
export const CLIENT_HEADER = 'x-urraca-client';

export const clientIn = (headers: { get(name: string): string | null }): string =>
  headers.get(CLIENT_HEADER)?.slice(0, 60) || 'here';
/** Where somebody logs in from, and by what. */
export const loginClientIn = (headers: { get(name: string): string | null }): { from: string; agent: string } => ({
  from: clientIn(headers),
  agent: headers.get('user-agent') ?? '',
});
/** The address of a request's client. */
export const addressOf = (request: Request): string => clientIn(request.headers);
