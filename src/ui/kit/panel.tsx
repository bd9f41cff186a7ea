'use client';
/** Surfaces: a `Panel` encloses, a `Section` names a part of a page and says what it is for, `EmptyState` says what to do first, `Skeleton` what is coming. */
import type { ComponentProps, ReactNode } from 'react';
import { styled } from '@mui/material/styles';
import MuiSkeleton from '@mui/material/Skeleton';
import { Heading, Row, Stack, Text } from './layout';

export const Panel = styled('div', { shouldForwardProp: (name) => name !== 'pad' && name !== 'as' })<{ pad?: number }>(
  ({ theme: { vars }, pad = 4 }) => ({
    background: vars.palette.background.paper,
    border: `1px solid ${vars.palette.divider}`,
    borderRadius: 6,
    padding: pad * 4,
    minWidth: 0,
    /* Names and messages come from outside; a word of any length breaks. */
    overflowWrap: 'anywhere',
  }),
);

const Ruled = styled(Row)(({ theme: { vars } }) => ({ borderBottom: `1px solid ${vars.palette.divider}`, paddingBottom: 3 }));

/** @param note what it is for, in a line @param end what stands at the right of its heading */
export function Section({
  title,
  note,
  end,
  children,
  ...rest
}: { title: string; note?: ReactNode; end?: ReactNode; children?: ReactNode } & Omit<ComponentProps<'section'>, 'title'>) {
  return (
    <section aria-label={title} {...rest}>
      <Ruled spread>
        <Heading>{title}</Heading>
        {end}
      </Ruled>
      {note && (
        <Text as="p" tone="soft" small above={1}>
          {note}
        </Text>
      )}
      <Stack gap={1} above={1}>
        {children}
      </Stack>
    </section>
  );
}

const Line = styled(Row)(({ theme: { breakpoints, vars } }) => ({
  padding: '6px 0',
  /* On a phone what can be done stands below. */
  [breakpoints.down('sm')]: { flexWrap: 'wrap' },
  borderBottom: `1px solid ${vars.palette.magpie.hair}`,
  overflowWrap: 'anywhere',
}));
/** A line of a list: what it is at the left, what can be done with it at the right. */
export function ListLine({ children, end }: { children: ReactNode; end?: ReactNode }) {
  return (
    <Line spread wrap={false} gap={3}>
      <div>{children}</div>
      {end && (
        <Row gap={2} wrap={false}>
          {end}
        </Row>
      )}
    </Line>
  );
}

const Nothing = styled('div')(({ theme: { vars } }) => ({
  padding: '40px 20px',
  display: 'grid',
  gap: 12,
  justifyItems: 'center',
  textAlign: 'center',
  color: vars.palette.text.secondary,
}));
/** Nothing here yet, and what to do first. */
export const EmptyState = ({ children, does, role }: { children: ReactNode; does?: ReactNode; role?: string }) => (
  <Nothing role={role}>
    <div>{children}</div>
    {does}
  </Nothing>
);

/** What is coming, in its shape: so many lines of a height. Screen readers hear that it loads. */
export function Skeleton({ lines = 3, height = 20, label = 'Loading' }: { lines?: number; height?: number; label?: string }) {
  return (
    <div role="status" aria-label={label} aria-busy="true">
      {Array.from({ length: lines }, (_, at) => (
        <MuiSkeleton key={at} animation={false} height={height} width={`${[92, 78, 85, 64][at % 4]}%`} />
      ))}
    </div>
  );
}
