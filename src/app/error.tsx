'use client';
/** When a page fails: what happened, what to do. */
import { Button } from '@/ui/kit';
export default function Failed({ reset }: { reset: () => void }) {
  return (
    <main className="public">
      <h1>This page could not be shown</h1>
      <p style={{ margin: '12px 0 20px' }}>Nothing was lost. Try again. If it keeps happening, tell an admin.</p>
      <Button look="main" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
