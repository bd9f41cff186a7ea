'use client';
/** When a page fails: what happened, what to do. */
import { Button, EmptyState, Heading, LoginPage } from '@/ui/kit';

export default function Failed({ reset }: { reset: () => void }) {
  return (
    <LoginPage>
      <EmptyState
        does={
          <Button look="main" onClick={reset}>
            Try again
          </Button>
        }
      >
        <Heading level={1}>This page couldn’t be shown</Heading>
        Nothing was lost. If it keeps happening, tell an admin.
      </EmptyState>
    </LoginPage>
  );
}
