'use client';
/** Every number is a door: a count that opens the people behind it. */
import type { ReactNode } from 'react';
import NextLink from 'next/link';
import { styled } from '@mui/material/styles';

const Figure = styled(NextLink)(({ theme: { vars } }) => ({
  color: 'inherit',
  textDecoration: 'none',
  borderBottom: `1px solid ${vars.palette.divider}`,
  fontFeatureSettings: "'tnum' 1",
  '&:hover': { color: vars.palette.primary.main, borderColor: vars.palette.primary.main },
}));

/** @param of what the number counts, for those who hear it alone: “17 leads not attempted” */
export function StatLink({ href, of, children }: { href: string; of?: string; children: ReactNode }) {
  return (
    <Figure href={href} prefetch={false} aria-label={of} title={of}>
      {children}
    </Figure>
  );
}
