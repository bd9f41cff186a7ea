/** How the providers are doing: fine, slow, failing now and then (before or after taking the message), or down. */
export const WEATHERS = ['fine', 'slow', 'failing', 'down'] as const;
export type Weather = (typeof WEATHERS)[number];
export const SERVICES = ['text', 'call', 'email', 'letter'] as const;
export type Service = (typeof SERVICES)[number];

export class Sky {
  private readonly over = new Map<Service, Weather>();
  private turn = 0;
  slowMs = 1_500;

  set(weather: Partial<Record<Service | 'all', Weather>>): void {
    for (const service of SERVICES) {
      const next = weather[service] ?? weather.all;
      if (next) this.over.set(service, next);
    }
  }

  get(): Record<Service, Weather> {
    return Object.fromEntries(SERVICES.map((service) => [service, this.over.get(service) ?? 'fine'])) as Record<Service, Weather>;
  }

  /**
   * Runs a hand-over under the weather: `take` keeps the message. Failing lets two of three through, loses one of
   * the failures before it is kept and one after, so that a sender learns nothing from an error.
   */
  async under<T>(service: Service, take: () => T, fail: () => T): Promise<T> {
    const weather = this.get()[service];
    if (weather === 'down') return fail();
    if (weather === 'slow') await new Promise((resolve) => setTimeout(resolve, this.slowMs));
    if (weather === 'failing') {
      this.turn += 1;
      if (this.turn % 6 === 0) return fail();
      if (this.turn % 6 === 3) {
        take();
        return fail();
      }
    }
    return take();
  }
}
