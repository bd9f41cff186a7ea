/** The providers that are reached over HTTP: each its client, and the variable of the environment that says where it is. */
import { httpPostHouse } from '@/providers/post';
import { httpRegistry } from '@/providers/registry';
import { httpCarrier } from '@/providers/sms';
import { httpPhoneNetwork } from '@/providers/voice';

export const HTTP_PROVIDERS = {
  sms: { at: 'SMS_URL', connect: httpCarrier },
  voice: { at: 'VOICE_URL', connect: httpPhoneNetwork },
  post: { at: 'POST_URL', connect: httpPostHouse },
  registry: { at: 'REGISTRY_URL', connect: httpRegistry },
} as const;
type Entries = typeof HTTP_PROVIDERS;

/** A variable that says where one is. */
export type ProviderVariable = Entries[keyof Entries]['at'];
export const PROVIDER_VARIABLES: readonly ProviderVariable[] = Object.values(HTTP_PROVIDERS).map(({ at }) => at);

export type HttpProviders = { [Name in keyof Entries]: ReturnType<Entries[Name]['connect']> };
/** @param at where each is, by its variable */
export const connectHttpProviders = (at: Record<ProviderVariable, string>): HttpProviders =>
  Object.fromEntries(Object.entries(HTTP_PROVIDERS).map(([name, one]) => [name, one.connect(at[one.at])])) as HttpProviders;
