/** What an outside service answers to a hand-over, in the words of the outbox. */
export type ProviderAnswer =
  | { result: 'accepted'; receipt: string | null }
  /** It may work later: the provider is down, slow or busy. */
  | { result: 'later'; error: string }
  /** It never will: no such mailbox, no such number. */
  | { result: 'refused'; error: string };
