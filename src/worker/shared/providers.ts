/** The providers of this worker, made once from its settings. */
import { smtpMail, type MailProvider } from '@/providers/mail';
import { httpPostHouse, type PostProvider } from '@/providers/post';
import { httpRegistry, type RegistryProvider } from '@/providers/registry';
import { httpSimulator, type SimulatedWorld } from '@/providers/simulator';
import { httpCarrier, type SmsProvider } from '@/providers/sms';
import { httpPhoneNetwork, type VoiceProvider } from '@/providers/voice';
import { config } from '@/server/shared';
import type { WorkerSettings } from './settings';

export interface Providers {
  sms: SmsProvider;
  voice: VoiceProvider;
  mail: MailProvider;
  post: PostProvider;
  registry: RegistryProvider;
  /** The simulated world, when time is simulated too. */
  simulator: SimulatedWorld | null;
}

export const connectProviders = (settings: WorkerSettings): Providers => ({
  sms: httpCarrier(settings.SMS_URL),
  voice: httpPhoneNetwork(settings.VOICE_URL),
  mail: smtpMail(settings.SMTP_URL, config().mailDomain),
  post: httpPostHouse(settings.POST_URL),
  registry: httpRegistry(settings.REGISTRY_URL),
  simulator: settings.SIMULATOR_URL && config().clock === 'simulated' ? httpSimulator(settings.SIMULATOR_URL) : null,
});
