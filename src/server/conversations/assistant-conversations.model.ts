/** The table of assistant conversations. */
import type { ConversationFlow, ConversationState } from '@/core/conversations';
import { bigint, id, instant, json, orNull, table, text } from '../shared';

export const assistantConversationsTable = table('assistant_conversations', {
  id: id(),
  account_id: bigint(),
  contact_id: bigint(),
  enrollment_id: orNull(bigint()),
  state: text<'open' | 'handed' | 'done' | 'stopped'>(),
  flow: json<ConversationFlow>(),
  progress: json<ConversationState>(),
  because: orNull(json()),
  started_at: instant(),
  last_at: instant(),
});
