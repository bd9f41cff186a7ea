'use client';
/** A small word with a color of its own beside it: a tag, a state. The color repeats nothing that the word does not say. */
import { styled } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { X } from 'lucide-react';
import { BareButton } from './button';

/** Colors of tags by their names; the middle of each reads on light and dark. */
export const CHIP_COLORS: Record<string, string> = {
  stone: '#8b93a0',
  teal: '#0b8097',
  violet: '#5a5fc0',
  copper: '#c0622a',
  leaf: '#4a9160',
  rose: '#b8527a',
  sand: '#b39646',
  sky: '#4d8fd0',
};

const Shape = styled('span')(({ theme: { vars } }) => ({
  display: 'inline-flex',
  alignItems: 'center',
  gap: 6,
  minWidth: 32,
  maxWidth: '100%',
  border: `1px solid ${vars.palette.divider}`,
  borderRadius: 10,
  padding: '0 8px',
  fontSize: 12.5,
  lineHeight: '20px',
  background: vars.palette.background.default,
  '& i': { flex: 'none', width: 7, height: 7, borderRadius: 2 },
  '& button': { display: 'inline-grid', placeItems: 'center', margin: '0 -6px 0 -2px', width: 24 },
}));

/** Where there is no room, the word is cut, and whole as a title. */
const Word = styled('span')({ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' });

export function Chip({
  children,
  color,
  onRemove,
  removes,
}: {
  children: ReactNode;
  color?: string;
  onRemove?: () => void;
  removes?: string;
}) {
  return (
    <Shape title={typeof children === 'string' ? children : undefined}>
      {color !== undefined && <i aria-hidden="true" style={{ background: CHIP_COLORS[color] ?? CHIP_COLORS.stone }} />}
      <Word>{children}</Word>
      {onRemove && (
        <BareButton aria-label={removes ?? 'Remove'} onClick={onRemove}>
          <X size={13} aria-hidden="true" />
        </BareButton>
      )}
    </Shape>
  );
}
