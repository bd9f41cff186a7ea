'use client';
/**
 * An area of the Wire: its list, and beside it what is looked at, which stays in sight while the list scrolls. On a phone one is shown at a time: what is
 * opened lies over the list.
 */
import type { ReactNode } from 'react';
import { styled } from '@mui/material/styles';
import { Heading, Row, Text } from './layout';

/** The Wire above, the edge below. */
const ABOVE = 78;
const PHONE = '@media (max-width: 800px)';

const Split = styled('div', { shouldForwardProp: (name) => name !== 'main' && name !== 'side' })<{
  main: string;
  side: string | null;
}>(({ main, side }) => ({
  display: 'grid',
  gap: 20,
  alignItems: 'start',
  gridTemplateColumns: side ? `${main} ${side}` : 'minmax(0, 1fr)',
  [PHONE]: { gridTemplateColumns: 'minmax(0, 1fr)' },
}));
const Main = styled('section', { shouldForwardProp: (name) => name !== 'fill' })<{ fill: boolean }>(({ fill }) => ({
  minWidth: 0,
  ...(fill && {
    display: 'flex',
    flexDirection: 'column',
    height: 'calc(100dvh - 92px)',
    [PHONE]: { height: 'calc(100dvh - 132px)' },
  }),
}));
const Side = styled('div')({
  minWidth: 0,
  position: 'sticky',
  top: ABOVE,
  height: `calc(100dvh - ${ABOVE + 16}px)`,
  [PHONE]: { position: 'fixed', inset: 0, zIndex: 30, height: '100dvh' },
});
/** Beside a list that has nothing chosen there is nothing on a phone. */
const Empty = styled(Side)({ [PHONE]: { display: 'none' } });

const WIDTHS = {
  /** The list is what one works in. */
  list: ['minmax(0, 1fr)', 'clamp(440px, 38vw, 520px)'],
  /** The list leads; what it leads to is what one works in. */
  lead: ['clamp(320px, 33vw, 440px)', 'minmax(0, 1fr)'],
} as const;

/** @param fill the list scrolls inside of itself @param side what is open; `empty` says what stands there when nothing is */
export function Area({
  label,
  shape = 'list',
  fill = false,
  flow = false,
  side,
  empty,
  children,
}: {
  label: string;
  shape?: keyof typeof WIDTHS;
  fill?: boolean;
  /** What is beside it is read with the page and scrolls with it, on a phone below it. */
  flow?: boolean;
  side?: ReactNode;
  empty?: ReactNode;
  children: ReactNode;
}) {
  const [main, beside] = WIDTHS[shape];
  return (
    <Split main={main} side={side || empty ? beside : null}>
      <Main aria-label={label} fill={fill}>
        {children}
      </Main>
      {side && flow ? <div>{side}</div> : side ? <Side>{side}</Side> : empty ? <Empty>{empty}</Empty> : null}
    </Split>
  );
}

/** The head of a page: its title, a line of what it is, and what can be done at the right. */
export function PageHead({ title, note, children }: { title: ReactNode; note?: ReactNode; children?: ReactNode }) {
  return (
    <Row spread align="end" gap={4} style={{ padding: '4px 0 12px' }}>
      <div>
        <Heading level={1}>{title}</Heading>
        {note && (
          <Text as="p" tone="soft">
            {note}
          </Text>
        )}
      </div>
      {children && <Row>{children}</Row>}
    </Row>
  );
}
