/** What pages and API answers show of contacts. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { Channel } from '../channels';
import type { ActivityData, ActivityKind, Direction } from './activity';
import type { FieldInput } from '../fields';
import type { ContactRole, DateKind, Horizon, Stage } from './vocabulary';

/** A day that returns every year: `on` is `YYYY-MM-DD`, or `--MM-DD` when the year is not known. */
export interface ImportantDate {
  kind: DateKind;
  label: string;
  on: string;
}

export const ADDRESS_USES = ['cell', 'home', 'work', 'other'] as const;
/** What a person uses a phone or an email as. */
export type AddressUse = (typeof ADDRESS_USES)[number];
/** Whether an address can be used: one they don't have (`wrong`), one from which mail came back (`bounced`). */
export type AddressState = 'good' | 'wrong' | 'bounced';

/** A phone or an email of a contact. */
export interface AddressView {
  value: string;
  /** What it is to them; null as long as nobody said. */
  kind: AddressUse | null;
  label: string | null;
  line_type: 'mobile' | 'landline' | 'voip' | null;
  extension: string | null;
  state: AddressState;
  /** Others who have it, as far as they may be seen. */
  shared_with: { id: string; name: string }[];
}

/** A place with a house. */
export interface PlaceView {
  street: string | null;
  city: string | null;
  postal_code: string | null;
  region: string | null;
}

/** What the Dossier shows beyond the grid. */
export interface MoreView {
  /** Phones and emails in their order, with what is known of each. */
  addresses: { phones: AddressView[]; emails: AddressView[] };
  household: { id: string; name: string }[];
  /** The lenders attached to them. */
  lenders: { id: string; name: string }[];
  /** All campaigns stand still for them. */
  campaigns_held: boolean;
  /** The note that stands above everything else about them. */
  pinned_note: { id: string; text: string; at: Date; by: string | null } | null;
}

/** A contact as the API shows it. */
export interface ContactView {
  id: string;
  first_name: string;
  last_name: string;
  emails: string[];
  phones: string[];
  stage: { key: Stage; name: string };
  stage_since: Date;
  horizon: Horizon | null;
  roles: ContactRole[];
  tags: string[];
  source: string | null;
  time_zone: string;
  company: string | null;
  dates: ImportantDate[];
  /** Values of the account's own fields, by the field's id. */
  fields: Record<string, FieldInput>;
  /** Where they live. */
  place: PlaceView;
  /** Where their letters go, when that is somewhere else. */
  mailing: PlaceView | null;
  /** The property they have to do with, when they don't live there. */
  property: PlaceView | null;
  wants: Record<string, unknown>;
  do_not_contact: boolean;
  household_do_not_contact: boolean;
  archived_because: string | null;
  owner: { id: string; name: string } | null;
  owned_since: Date | null;
  hand_raised_at: Date | null;
  last_touch_at: Date | null;
  next_touch: { at: Date; kind: 'promise' | 'call' | 'rhythm'; note: string | null } | null;
  calls: {
    attempts: number;
    reached: number;
    last_reached_at: Date | null;
    last_attempt_at: Date | null;
    talk_seconds: number;
    conversations: number;
  };
  /** What they did in a home search, as it was reported. */
  home_search: { last_visit_at: Date | null; saved_homes: number };
  address_errors: Record<string, string>;
  created_at: Date;
}

/** A line of the timeline as pages and the API show it. */
export interface TimelineItem {
  id: string;
  kind: ActivityKind;
  channel: Channel | null;
  direction: Direction | null;
  at: Date;
  text: string | null;
  because: string | null;
  /** Who of ours did it; null for Urraca itself and for the contact. */
  by: string | null;
  data: ActivityData;
}

type Said = 'granted' | 'withdrawn' | 'unknown';

/** What a contact permits: per channel on the first address, and in detail per address with how and when it was said. */
export interface PermissionsView {
  permissions: Record<Channel, Said>;
  permission_details: {
    channel: string;
    address: string;
    state: Said;
    at: Date | null;
    how: string | null;
    evidence: string | null;
  }[];
}
