/** What a visitor typed on a public page as an inquiry; and whether it was a person who typed it, as far as that can be known without a puzzle. */
import type { PermissionTexts } from './page';

/** What a visitor sent, by the names of the fields. */
export type FormValues = Record<string, string>;

/** Somebody reads before they send; a form that comes back faster was filled by a program. */
export const READING_MS = 1_500;
/** A page that was opened longer ago is opened anew before it is sent. A sign-in page may lie without network for days. */
export const OPEN_MS = { form: 24 * 3_600_000, search: 24 * 3_600_000, sign_in: 7 * 24 * 3_600_000 } as const;

/** Why something sent is thought to come from a program. */
export type Suspicion = 'trap' | 'fast' | 'stale' | null;

/**
 * @param openedAt when the page was given out, as its signed token says; null without a valid one
 * @returns `trap` when the field that people do not see was filled, `fast` and `stale` by the time since the page was opened
 */
export function suspicion(sent: FormValues, openedAt: Date | null, at: Date, longest: number): Suspicion {
  if ((sent.website ?? '').trim()) return 'trap';
  if (!openedAt) return 'stale';
  const open = at.getTime() - openedAt.getTime();
  if (open < READING_MS) return 'fast';
  return open > longest ? 'stale' : null;
}

/** What the page adds to whatever a visitor sends. */
export interface SentTo {
  source: string;
  permissions: PermissionTexts;
  /** The home that the page, or the visitor, speaks of. */
  listing: { id: string; address: string } | null;
  /** The e-mail address of whoever stands at the open house. */
  assignedTo: string | null;
  wants: Record<string, unknown>;
  /** The line that says what happened, for those who ask nothing. */
  fallback: string | null;
  tags: string[];
}

const ROLES = new Set(['buyer', 'seller', 'renter', 'landlord']);
const line = (text: string | undefined, most: number): string => (text ?? '').trim().slice(0, most);

/** What was sent in the shape of an inquiry. Ticks give permission only for a channel whose text was shown; that text is kept as it was. */
export function inquiryOfSent(sent: FormValues, page: SentTo) {
  const agent = line(sent.agent_name, 120);
  const works =
    sent.has_agent === 'yes'
      ? `Works with an agent${agent ? `: ${agent}` : ''}.`
      : sent.has_agent === 'no'
        ? 'Works with no agent.'
        : null;
  const message = [line(sent.message, 6_000) || page.fallback, works].filter(Boolean).join('\n');
  const shown = Object.fromEntries(
    (['text', 'call', 'email'] as const).flatMap((channel) => {
      const words = page.permissions[channel];
      return words && sent[`${channel}_ok`] === 'on' ? [[channel, words]] : [];
    }),
  );
  return {
    person: {
      first_name: line(sent.first_name, 200),
      last_name: line(sent.last_name, 200),
      emails: [line(sent.email, 320)].filter(Boolean),
      phones: [line(sent.phone, 100)].filter(Boolean),
    },
    roles: [ROLES.has(sent.role ?? '') ? sent.role! : 'buyer'],
    source: page.source,
    message: message || null,
    place: { city: line(sent.city, 120) || null },
    listing: page.listing ?? {},
    wants: page.wants,
    permissions: { ...Object.fromEntries(Object.keys(shown).map((channel) => [channel, true])), shown },
    tags: [...page.tags, ...(sent.has_agent === 'yes' ? ['Has an agent'] : [])],
    assigned_to: page.assignedTo,
  };
}
