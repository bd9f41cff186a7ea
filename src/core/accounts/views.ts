/** What pages and API answers show of accounts. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { KeyScope, Role } from './rights';

/** An API key as pages show it, without the key. */
export interface KeyView {
  id: string;
  name: string;
  hint: string;
  scopes: KeyScope[];
  created_at: Date;
  last_used_at: Date | null;
  /** The door that its leads come by; null for the one that every account has. */
  door: { id: string; name: string } | null;
  /** When it stops by itself, because a newer one has taken its place. */
  ends_at: Date | null;
}

/** A session as its owner sees it: a browser that is logged in. */
export interface SessionView {
  id: string;
  /** The browser and the system, in words: `Chrome on Windows`. */
  device: string;
  /** The network address that it logged in from. */
  from: string;
  created_at: Date;
  last_seen_at: Date;
  /** The one that asks. */
  current: boolean;
}

/** A user as pages and the API show one. */
export interface UserView {
  id: string;
  name: string;
  role: Role;
  email: string;
  phone: string | null;
  office: string | null;
  away_until: Date | null;
}
