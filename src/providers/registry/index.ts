/** The do-not-call registry: asked which of some numbers stand on it. */
export interface RegistryProvider {
  /** @returns those that are registered @throws when it cannot be asked now */
  registered(numbers: readonly string[]): Promise<Set<string>>;
}

const DEADLINE_MS = 10_000;

/** A registry with a plain JSON interface: `POST {url}/registry {"numbers": […]}` answers `{"registered": […]}`. */
export const httpRegistry = (url: string): RegistryProvider => ({
  registered: async (numbers) => {
    const response = await fetch(`${url}/registry`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ numbers }),
      signal: AbortSignal.timeout(DEADLINE_MS),
    });
    if (!response.ok) throw new Error(`the registry answered ${response.status}`);
    return new Set(((await response.json()) as { registered: string[] }).registered);
  },
});
