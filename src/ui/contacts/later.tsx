'use client';
/** What is opened from the Dossier or the grid, and is not fetched with them. */
import { DRAFTS, KeysAhead, lazily, useDraft } from '../primitives';
import { Textarea, Well } from '../kit';

/** Takes what is typed before the editor itself has come, so that no letter of it is read as a command. */
function TypedAhead({ draft }: { draft: string }) {
  const [text, setText] = useDraft(draft);
  return (
    <Well>
      <Textarea aria-label="Opening…" value={text} onChange={(event) => setText(event.target.value)} autoFocus />
    </Well>
  );
}

export const CallDesk = lazily(() => import('../calling').then((one) => one.CallDesk));
export const Compose = lazily(
  () => import('../messages').then((one) => one.Compose),
  ({ channel, contactId }) => <TypedAhead draft={DRAFTS.message(channel, contactId)} />,
);
export const NextTouch = lazily(
  () => import('./next-touch').then((one) => one.NextTouch),
  () => <KeysAhead />,
);
export const Note = lazily(
  () => import('./note').then((one) => one.Note),
  ({ contactId }) => <TypedAhead draft={DRAFTS.note(contactId)} />,
);
export const FollowUp = lazily(() => import('./follow-up').then((one) => one.FollowUp));
export const PermissionDialog = lazily(() => import('./permission-dialog').then((one) => one.PermissionDialog));
export const ArchiveDialog = lazily(() => import('./archive-dialog').then((one) => one.ArchiveDialog));
export const ExportsDialog = lazily(() => import('../changes').then((one) => one.ExportsDialog));
export const HistoryDialog = lazily(() => import('../changes').then((one) => one.HistoryDialog));
export const CalendarDialog = lazily(() => import('./calendar-dialog').then((one) => one.CalendarDialog));
export const TagPicker = lazily(
  () => import('../changes').then((one) => one.TagPicker),
  () => <KeysAhead />,
);
