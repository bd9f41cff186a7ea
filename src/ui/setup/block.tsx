/** A block of Setup: a heading, a line of what it is for, and its lines. */
import type { ReactNode } from 'react';

export function Block({ title, note, children }: { title: string; note: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <div className="group" style={{ marginTop: 0 }}>
        <h2>{title}</h2>
      </div>
      <p className="soft small" style={{ padding: '4px 0 6px' }}>
        {note}
      </p>
      {children}
    </section>
  );
}
