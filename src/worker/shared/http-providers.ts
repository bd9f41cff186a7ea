/** The providers that are reached over HTTP, each by its client; one that is not connected says so of whatever it is given. */
import { httpPostHouse } from '@/providers/post';
import { httpRegistry } from '@/providers/registry';
import type { HttpService } from '@/providers/shared';
import { httpCarrier } from '@/providers/sms';
import { httpPhoneNetwork } from '@/providers/voice';
import type { ServiceName } from '@/server/shared';

const CLIENTS = {
  sms: httpCarrier,
  voice: httpPhoneNetwork,
  post: httpPostHouse,
  registry: httpRegistry,
} as const satisfies Record<ServiceName, (service: HttpService | null) => object>;

export type HttpProviders = { [Name in ServiceName]: ReturnType<(typeof CLIENTS)[Name]> };
export const connectHttpProviders = (services: Record<ServiceName, HttpService | null>): HttpProviders => ({
  sms: CLIENTS.sms(services.sms),
  voice: CLIENTS.voice(services.voice),
  post: CLIENTS.post(services.post),
  registry: CLIENTS.registry(services.registry),
});
