'use client';
/** When a page fails: what happened, what to do. */
import { Button, EmptyState, Heading, LoginPage } from '@/ui/kit';

export default function Failed({ reset }: { reset: () => void }) {
  return (
    <LoginPage>
      <Heading level={1}>This page couldn’t be shown</Heading>
      <EmptyState
        does={
          <Button look="main" onClick={reset}>
            Try again
          </Button>
        }
      >
        Nothing was lost. If it keeps happening, tell an admin.
      </EmptyState>
    </LoginPage>
  );
}
