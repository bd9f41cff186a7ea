/** An inquiry as it comes in by a door, and what is answered. */
import type { User } from '@/core/accounts';
import type { CleanInquiry } from '@/core/capture/schemas';
import type { Door } from './doors.repository';

/** What of a door an arrival needs. */
export type ArrivalDoor = Pick<Door, 'id' | 'accountId' | 'kind' | 'name' | 'source' | 'defaults'>;

export interface Arrival {
  door: ArrivalDoor;
  raw: unknown;
  inquiry: CleanInquiry;
  idempotencyKey: string | null;
  /** Who typed it in, for a lead added by hand. */
  byPerson: User | null;
}

/** Who an inquiry is from. */
export interface MatchedContact<Id> {
  id: Id;
  status: 'created' | 'matched';
  /** Why, where somebody is known who has one of the addresses. */
  because: string | null;
}

/** What `POST /api/v1/inquiries` answers. */
export interface CaptureResult {
  inquiry: { id: string };
  contact: MatchedContact<string>;
  /** `agent` is null while the lead is offered and nobody has accepted it yet. */
  routing: { agent: { id: string; name: string } | null; because: string };
}

/** What the same answers when it is only tried out. */
export interface Tried extends Omit<CaptureResult, 'inquiry' | 'contact'> {
  sandbox: true;
  /** The id of whom it would be matched with; null for somebody new. */
  contact: MatchedContact<string | null>;
  /** What was understood, by the names of the API. */
  read: Record<string, unknown>;
}

/** What an arrival may not share with another that is taken in at the same moment. */
export const locksOf = ({ inquiry, idempotencyKey }: Arrival): string[] => [
  ...inquiry.emails,
  ...inquiry.phones,
  ...(idempotencyKey ? [`key ${idempotencyKey}`] : []),
];
