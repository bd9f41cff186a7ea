/** The settings of an account with their defaults. */
import { CONVERSATION_SECONDS } from '../calling';
import { DEFAULT_GUARDRAILS } from '../campaigns';

export interface Settings {
  quietTo: string;
  quietFrom: string;
  conversationSeconds: number;
  /** Roles that use tags but make no new ones. */
  tagBarred: string[];
  /** An inquiry is tagged with its town and postal code. */
  tagPlaces: boolean;
}
export const DEFAULT_SETTINGS: Settings = {
  ...DEFAULT_GUARDRAILS,
  conversationSeconds: CONVERSATION_SECONDS,
  tagBarred: [],
  tagPlaces: false,
};
