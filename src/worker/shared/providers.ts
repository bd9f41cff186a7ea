/** The providers of this worker, made once from its settings. */
import { smtpMail, type MailProvider } from '@/providers/mail';
import { httpSimulator, type SimulatedWorld } from '@/providers/simulator';
import { config } from '@/server/shared';
import { connectHttpProviders, type HttpProviders } from './http-providers';
import type { WorkerSettings } from './settings';

export interface Providers extends HttpProviders {
  mail: MailProvider;
  /** The simulated world, when time is simulated too. */
  simulator: SimulatedWorld | null;
}

export const connectProviders = (settings: WorkerSettings): Providers => ({
  ...connectHttpProviders(settings),
  mail: smtpMail(settings.SMTP_URL, config().mailDomain),
  simulator: settings.SIMULATOR_URL && config().clock === 'simulated' ? httpSimulator(settings.SIMULATOR_URL) : null,
});
