/** The settings of an account with their defaults. */
import { CONVERSATION_SECONDS } from '../calling';
import { DEFAULT_GUARDRAILS } from '../campaigns';

export interface Settings {
  quietTo: string;
  quietFrom: string;
  conversationSeconds: number;
}
export const DEFAULT_SETTINGS: Settings = { ...DEFAULT_GUARDRAILS, conversationSeconds: CONVERSATION_SECONDS };
