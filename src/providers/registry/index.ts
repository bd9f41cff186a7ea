/** The do-not-call registry: asked which of some numbers stand on it. */
import type { HttpService } from '../shared';

export interface RegistryProvider {
  /** @returns those that are registered @throws when it cannot be asked now */
  registered(numbers: readonly string[]): Promise<Set<string>>;
}

const DEADLINE_MS = 10_000;

/** A registry with a plain JSON interface: `POST {url}/registry {"numbers": […]}` answers `{"registered": […]}`. */
export const httpRegistry = (service: HttpService | null): RegistryProvider => ({
  registered: async (numbers) => {
    if (!service) throw new Error('the registry isn’t connected yet');
    const { url, authorization } = service;
    const response = await fetch(`${url}/registry`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(authorization && { authorization }) },
      body: JSON.stringify({ numbers }),
      signal: AbortSignal.timeout(DEADLINE_MS),
    });
    if (!response.ok) throw new Error(`the registry answered ${response.status}`);
    return new Set(((await response.json()) as { registered: string[] }).registered);
  },
});
