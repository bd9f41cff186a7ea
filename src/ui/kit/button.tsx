'use client';
/** Buttons. `look` says what it is among others, `size` how much room it takes. */
import type { ComponentProps } from 'react';
import NextLink from 'next/link';
import MuiButton, { type ButtonProps as MuiButtonProps } from '@mui/material/Button';
import MuiButtonBase from '@mui/material/ButtonBase';

const LOOKS = {
  plain: { variant: 'outlined', color: 'inherit' },
  /** The one thing that a form or a page is for. */
  main: { variant: 'contained', color: 'primary' },
  /** Takes something away, or cannot be undone. */
  warn: { variant: 'outlined', color: 'warning' },
  /** Words that can be pressed, without an edge. */
  text: { variant: 'text', color: 'inherit' },
  /** Words that lead to something, underlined. */
  link: { variant: 'link', color: 'inherit' },
} as const satisfies Record<string, Pick<MuiButtonProps, 'variant' | 'color'>>;
export type ButtonLook = keyof typeof LOOKS;

interface Looks {
  look?: ButtonLook;
  size?: 'medium' | 'small' | 'tiny';
  /** It is on or off: shown, and said to those who do not see it. */
  pressed?: boolean;
  /** It is where one stands, as a link of a list is. */
  selected?: boolean;
}
export type ButtonProps = Looks & Omit<ComponentProps<'button'>, 'color' | 'value'> & { value?: string };

export function Button({ look = 'plain', pressed, selected, ...rest }: ButtonProps) {
  return <MuiButton {...LOOKS[look]} aria-pressed={pressed} data-selected={(pressed ?? selected) || undefined} {...rest} />;
}

/** A link that looks like a button. `href` of ours goes without loading the page anew, unless it is a file. */
export function LinkButton({
  look = 'plain',
  selected,
  href,
  ...rest
}: Omit<Looks, 'pressed'> & Omit<ComponentProps<'a'>, 'color' | 'href'> & { href: string }) {
  const leaves = rest.download !== undefined || !href.startsWith('/') || href.startsWith('/api/');
  const kind = leaves ? { component: 'a' } : { component: NextLink, prefetch: false };
  return <MuiButton {...kind} href={href} {...LOOKS[look]} data-selected={selected || undefined} {...rest} />;
}

/** A button without a look of its own: a row of a list, a tile, a place in a drawing. */
export function BareButton(props: Omit<ComponentProps<'button'>, 'color'>) {
  return (
    <MuiButtonBase sx={{ display: 'inline-block', minHeight: 24, textAlign: 'inherit', verticalAlign: 'baseline' }} {...props} />
  );
}
