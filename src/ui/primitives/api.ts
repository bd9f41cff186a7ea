/** Asking our own API from a page: JSON in and out, a problem as one error with its sentence and its fields. */
export interface FieldProblem {
  field: string;
  message: string;
}

export class Problem extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
    readonly fields: FieldProblem[] = [],
  ) {
    super(message);
  }
}

/** @throws Problem, also when nobody answers */
export const ask = <T>(path: string, method = 'GET', body?: object, headers: Record<string, string> = {}): Promise<T> =>
  send<T>(path, {
    method,
    headers: { ...(body ? { 'content-type': 'application/json' } : {}), ...headers },
    body: body ? JSON.stringify(body) : undefined,
  });

/** Sends a file as it is. @throws Problem, whose sentence says what is wrong with the file */
export async function sendFile<T>(path: string, file: Blob, init: RequestInit = {}): Promise<T> {
  try {
    return await send<T>(path, { method: 'POST', ...init, body: file });
  } catch (error) {
    const [first] = error instanceof Problem ? error.fields : [];
    if (!(error instanceof Problem) || !first) throw error;
    throw new Problem(error.code, `${error.message} It ${first.message}.`, error.status, error.fields);
  }
}
/** A picture into the account's own storage. */
export const sendPicture = (file: Blob): Promise<{ id: string; url: string }> => sendFile('/pictures', file);

async function send<T>(path: string, init: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, init);
  } catch {
    throw new Problem('unreachable', 'Urraca cannot be reached. What you typed is still here; try again in a moment.', 0);
  }
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => ({}));
  if (response.ok) return answer as T;
  const problem = answer as { code?: string; detail?: string; errors?: FieldProblem[] };
  if (problem.code === 'login_required') window.location.reload();
  throw new Problem(
    problem.code ?? 'internal',
    problem.detail ?? 'Something failed on our side; try again.',
    response.status,
    problem.errors,
  );
}

/** A key for a POST that may be tried again without being done twice. */
export const freshKey = (): Record<string, string> => ({ 'idempotency-key': crypto.randomUUID() });
export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : 'Something failed; try again.');
