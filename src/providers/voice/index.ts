/** Calls. The phone network dials and reports by webhook; we ask it to dial and to hang up. */
import type { ProviderAnswer } from '@/core/messages';
import { handOver, type HttpService } from '../shared';

export interface VoiceProvider {
  /** `say` is read aloud to whoever answers. */
  place(call: { key: string; from: string; to: string; say?: string }): Promise<ProviderAnswer>;
  hangUp(key: string): Promise<ProviderAnswer>;
}

/** A phone network with a plain JSON interface: `POST {url}/calls`, `POST {url}/calls/{key}/hangup`. */
export const httpPhoneNetwork = (service: HttpService | null): VoiceProvider => ({
  place: (call) => handOver(service, '/calls', call, { 'idempotency-key': call.key }),
  hangUp: (key) => handOver(service, `/calls/${encodeURIComponent(key)}/hangup`, {}),
});
