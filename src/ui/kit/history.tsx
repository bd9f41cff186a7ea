'use client';
/** Steps back and forward in what is being changed, and that it holds changes from before. */
import type { UndoHistory } from '../primitives';
import { Button } from './button';
import { Callout } from './surface';

type Steps = Pick<UndoHistory<unknown>, 'back' | 'forward' | 'mayBack' | 'mayForward'>;
export const HistoryButtons = ({ history: { back, forward, mayBack, mayForward } }: { history: Steps }) => (
  <>
    <Button disabled={!mayBack} onClick={back} title="Undo (Ctrl+Z)">
      Undo
    </Button>
    <Button disabled={!mayForward} onClick={forward} title="Redo (Ctrl+Shift+Z)">
      Redo
    </Button>
  </>
);

export const UnsavedNotice = ({
  history: { isRestored, discard },
}: {
  history: Pick<UndoHistory<unknown>, 'isRestored' | 'discard'>;
}) =>
  isRestored && (
    <Callout apart role="status">
      You have unsaved changes from before.{' '}
      <Button size="tiny" onClick={discard}>
        Discard changes
      </Button>
    </Callout>
  );
