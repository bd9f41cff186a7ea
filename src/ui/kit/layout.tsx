'use client';
/** How things stand on a page: side by side (`Row`), one below the other (`Stack`), in columns (`Columns`); and words (`Text`, `Heading`). */
import type { ComponentProps, ElementType, ReactNode } from 'react';
import { styled } from '@mui/material/styles';

/** Steps of four pixels: `gap={2}` is eight. */
const STEP = 4;
const steps = (count: number) => count * STEP;
/** Props of ours go no further; `as` says what the element is. */
const own = (...names: string[]) => ({
  shouldForwardProp: (name: PropertyKey) => name !== 'as' && !names.includes(String(name)),
});

interface Placed {
  /** Room between its parts, and above it, in steps of four pixels. */
  gap?: number;
  above?: number;
  /** Takes the room that is left. */
  grow?: boolean;
  small?: boolean;
}
const SMALL = { fontSize: 12.5, lineHeight: '17px' };

export const Row = styled(
  'div',
  own('gap', 'above', 'grow', 'small', 'spread', 'align', 'wrap', 'ruled'),
)<
  Placed & {
    /** Its parts stand at both ends. */
    spread?: boolean;
    align?: 'center' | 'start' | 'end' | 'baseline';
    /** Parts that find no room go below; `false` keeps them on one line. */
    wrap?: boolean;
    /** A line below it, as between those of a list; stronger below a `head`. */
    ruled?: boolean | 'head';
  }
>(({ theme: { vars }, gap = 2, above, grow, small, spread, align = 'center', wrap = true, ruled }) => ({
  display: 'flex',
  minWidth: 0,
  alignItems: align,
  gap: steps(gap),
  ...(wrap && { flexWrap: 'wrap' }),
  ...(above !== undefined && { marginTop: steps(above) }),
  ...(grow && { flex: 1 }),
  ...(small && SMALL),
  ...(spread && { justifyContent: 'space-between' }),
  ...(ruled && {
    padding: ruled === 'head' ? '0 0 3px' : '6px 0',
    borderBottom: `1px solid ${ruled === 'head' ? vars.palette.divider : vars.palette.magpie.hair}`,
    overflowWrap: 'anywhere',
  }),
}));

export const Stack = styled(
  'div',
  own('gap', 'above', 'grow', 'small', 'width', 'scroll', 'plain', 'center'),
)<
  Placed & {
    width?: number;
    /** So high at most, in pixels; what is more scrolls inside of it. */
    scroll?: number;
    /** A list without its marks. */
    plain?: boolean;
    /** In the middle of its page. */
    center?: boolean;
  }
>(({ gap = 2, above, grow, small, width, scroll, plain, center }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr)',
  minWidth: 0,
  margin: 0,
  padding: 0,
  border: 0,
  alignContent: 'start',
  gap: steps(gap),
  ...(above !== undefined && { marginTop: steps(above) }),
  ...(grow && { flex: 1 }),
  ...(small && SMALL),
  ...(width !== undefined && { maxWidth: width, width: '100%' }),
  ...(scroll !== undefined && { maxHeight: scroll, overflowY: 'auto' }),
  ...(plain && { listStyle: 'none' }),
  ...(center && { marginInline: 'auto' }),
}));

/** As many columns as there is room for, each at least `least` pixels wide. */
export const Columns = styled(
  'div',
  own('gap', 'above', 'least', 'scroll'),
)<Placed & { least: number; scroll?: number }>(({ gap = 3, above, least, scroll }) => ({
  display: 'grid',
  gridTemplateColumns: `repeat(auto-fit, minmax(min(${least}px, 100%), 1fr))`,
  gap: steps(gap),
  ...(scroll !== undefined && { maxHeight: scroll, overflowY: 'auto' }),
  ...(above !== undefined && { marginTop: steps(above) }),
}));

interface Worded {
  tone?: 'soft' | 'late' | 'good' | 'main';
  small?: boolean;
  strong?: boolean;
  /** Stays on one line; `cut` ends in … where it finds no room. */
  nowrap?: boolean;
  cut?: boolean;
  /** Lines end where they ended when they were written. */
  pre?: boolean;
  /** Numbers stand right. */
  right?: boolean;
  /** For those who cannot see it, and hidden from those who can. */
  unseen?: boolean;
  /** Blurred by the privacy mask. */
  secret?: boolean;
  above?: number;
}
const Words = styled(
  'span',
  own('tone', 'small', 'strong', 'nowrap', 'cut', 'right', 'unseen', 'secret', 'above', 'pre'),
)<Worded>(({ theme, tone, small, strong, nowrap, cut, right, unseen, secret, above, pre }) => ({
  margin: 0,
  ...(tone && {
    color: {
      soft: theme.vars.palette.text.secondary,
      late: theme.vars.palette.warning.main,
      good: theme.vars.palette.success.main,
      main: theme.vars.palette.primary.main,
    }[tone],
  }),
  ...(small && { fontSize: 12.5, lineHeight: '17px' }),
  ...(strong && { fontWeight: 600 }),
  ...(nowrap && { whiteSpace: 'nowrap' }),
  ...(cut && { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }),
  ...(right && { textAlign: 'right' }),
  ...(pre && { whiteSpace: 'pre-wrap' }),
  ...(above !== undefined && { marginTop: steps(above) }),
  ...(secret && { '[data-mask="on"] &': { filter: 'blur(6px)' } }),
  ...(unseen && {
    position: 'absolute',
    width: 1,
    height: 1,
    overflow: 'hidden',
    clipPath: 'inset(50%)',
    whiteSpace: 'nowrap',
  }),
}));
/** Words; `block` for a line of its own, `as` for what it is. */
export function Text({
  as,
  block,
  children,
  ...rest
}: Worded & { as?: ElementType; block?: boolean; children?: ReactNode; htmlFor?: string; dateTime?: string } & Omit<
    ComponentProps<'span'>,
    'color' | 'ref'
  >) {
  return (
    <Words as={as ?? (block ? 'div' : 'span')} {...rest}>
      {children}
    </Words>
  );
}

const Title = styled('h1')(({ theme }) => ({ ...theme.typography.h1, margin: 0 }));
const Part = styled('h2')(({ theme }) => ({
  ...theme.typography.h2,
  color: theme.vars.palette.text.secondary,
  margin: 0,
}));
/** The title of a page or a dialog (1), or of a part of it (2). */
export function Heading({ level = 2, ...rest }: { level?: 1 | 2 } & Omit<ComponentProps<'h1'>, 'color' | 'ref'>) {
  return level === 1 ? <Title {...rest} /> : <Part {...rest} />;
}

/** A key as it is pressed; only where there is a keyboard. */
export const Kbd = styled('kbd')(({ theme: { vars } }) => ({
  font: "500 11px/15px 'Figtree Variable'",
  color: vars.palette.text.secondary,
  border: `1px solid ${vars.palette.divider}`,
  borderRadius: 4,
  padding: '0 4px',
  background: vars.palette.background.default,
  '@media (hover: none) and (pointer: coarse)': { display: 'none' },
}));
