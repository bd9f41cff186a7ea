/** A part of Setup: a heading that its address leads to, a line of what it is for, and its lines. */
import type { ReactNode } from 'react';
import { Section } from '../kit';
import { partId } from './sections';

export const Block = ({ title, note, children }: { title: string; note: string; children: ReactNode }) => (
  <Section id={partId(title)} title={title} note={note} tabIndex={-1}>
    {children}
  </Section>
);
