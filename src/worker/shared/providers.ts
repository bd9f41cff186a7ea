/** The providers of this worker, made once from its environment. */
import { smtpMail, type MailProvider } from '@/providers/mail';
import { httpSimulator, type SimulatedWorld } from '@/providers/simulator';
import { mailRouteOf } from '@/server/accounts';
import { config } from '@/server/shared';
import { connectHttpProviders, type HttpProviders } from './http-providers';

export interface Providers extends HttpProviders {
  mail: MailProvider;
  /** The simulated world, when time is simulated too. */
  simulator: SimulatedWorld | null;
}

export function connectProviders(): Providers {
  const { services, simulatorUrl, clock } = config();
  return {
    ...connectHttpProviders(services),
    mail: smtpMail(mailRouteOf),
    simulator: simulatorUrl && clock === 'simulated' ? httpSimulator(simulatorUrl) : null,
  };
}
