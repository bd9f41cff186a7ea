/** What is done with a contact: a call, something written, a note, the next touch. */
import type { SendChannel } from '@/core/contacts';
import type { Call } from '../calling';

/** What stands open above the rest. */
export type OpenDesk =
  { is: 'call'; call: Call } | { is: 'write'; channel: SendChannel } | { is: 'note' } | { is: 'next' } | null;
