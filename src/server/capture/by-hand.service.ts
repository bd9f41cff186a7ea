/** Leads that somebody types in. Of a person who is with somebody else they learn no more than that. */
import { scopeFor, type User } from '@/core/accounts';
import { isVisible } from '../contacts';
import type { Arrival, CaptureResult, MatchedContact, Tried } from './arrival';
import { captureInquiry, tryInquiry } from './capture.service';

export type ByHand = Arrival & { byPerson: User };
/** What is told of a lead that was typed in: where its person stands now, as far as who typed it may see. */
export type Told<T extends CaptureResult | Tried> = Omit<T, 'contact'> & {
  contact: MatchedContact<string | null>;
};

/** Takes in what somebody typed. @returns what they may know of it: no id and no agent where the person is not theirs to see */
export const captureByHand = async (arrival: ByHand): Promise<Told<CaptureResult>> =>
  told(arrival, await captureInquiry(arrival));

/** The same only tried out. */
export const tryByHand = async (arrival: ByHand): Promise<Told<Tried>> => told(arrival, await tryInquiry(arrival));

async function told<T extends CaptureResult | Tried>({ byPerson }: ByHand, captured: T): Promise<Told<T>> {
  const { id, status } = captured.contact;
  if (status === 'created' || !id) return captured;
  if (await isVisible(scopeFor({ kind: 'user', user: byPerson }), id)) return captured;
  return {
    ...captured,
    contact: { id: null, status, because: null },
    routing: { agent: null, because: 'They’re already in the brokerage’s contacts, so this lead gets passed along.' },
  };
}
