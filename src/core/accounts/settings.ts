/** The settings of an account with their defaults. */
import { CONVERSATION_SECONDS } from '../calling';
import { DEFAULT_GUARDRAILS, type Guardrails } from '../campaigns';

export interface Settings extends Guardrails {
  /** What a letter costs to print and post, in cents. */
  letterCents: number;
  /** Where the brokerage receives mail; every commercial email names it (15 USC 7704(a)(5)). Empty until it is set. */
  postalAddress: string;
  /** All campaigns stand still, at once. */
  campaignsHeld: boolean;
  conversationSeconds: number;
  /** Roles that use tags but make no new ones. */
  tagBarred: string[];
  /** An inquiry is tagged with its town and postal code. */
  tagPlaces: boolean;
}
export const DEFAULT_SETTINGS: Settings = {
  ...DEFAULT_GUARDRAILS,
  postalAddress: '',
  campaignsHeld: false,
  letterCents: 110,
  conversationSeconds: CONVERSATION_SECONDS,
  tagBarred: [],
  tagPlaces: false,
};

/** The settings as pages and API name them. */
export const settingsView = (settings: Settings) => ({
  quiet_to: settings.quietTo,
  quiet_from: settings.quietFrom,
  conversation_seconds: settings.conversationSeconds,
  tag_barred: settings.tagBarred,
  tag_places: settings.tagPlaces,
  cap_day: settings.capDay,
  cap_week: settings.capWeek,
  cap_month: settings.capMonth,
  text_gap_hours: settings.textGapHours,
  holidays: settings.holidays,
  postal_address: settings.postalAddress,
  campaigns_held: settings.campaignsHeld,
  letter_cents: settings.letterCents,
});
export type SettingsView = ReturnType<typeof settingsView>;
