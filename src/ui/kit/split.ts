/** A page with what one makes at the left and how it will look, or what it is about, at the right, which stays in sight. */
import { styled } from '@mui/material/styles';

const NARROW = '@media (max-width: 1000px)';

export const Split = styled('div', { shouldForwardProp: (name) => name !== 'side' && name !== 'as' })<{
  /** Width of the right part, as CSS says it. */
  side?: string;
}>(({ side = 'minmax(320px, 460px)' }) => ({
  display: 'grid',
  gridTemplateColumns: `minmax(0, 1fr) ${side}`,
  gap: 28,
  alignItems: 'start',
  [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
}));

export const SplitSide = styled('div', { shouldForwardProp: (name) => name !== 'as' })({
  position: 'sticky',
  top: 76,
  maxHeight: 'calc(100dvh - 92px)',
  overflowY: 'auto',
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr)',
  gap: 16,
  paddingBottom: 20,
  [NARROW]: { position: 'static', maxHeight: 'none' },
});

/** Fields that belong together, under a word of their own. */
export const FieldGroup = styled('fieldset')(({ theme: { vars } }) => ({
  display: 'grid',
  gap: 8,
  minWidth: 0,
  margin: '18px 0 0',
  padding: '10px 0 0',
  border: 0,
  borderTop: `1px solid ${vars.palette.divider}`,
  '& legend': { fontWeight: 650, padding: '0 8px 0 0' },
}));

/** A fieldset without a look, to disable all that is in it. */
export const Plainset = styled('fieldset')({ display: 'grid', gap: 12, minWidth: 0, margin: 0, padding: 0, border: 0 });

/** What stands out by a line at its left. */
export const Aside = styled('div')(({ theme: { vars } }) => ({
  display: 'grid',
  gap: 8,
  borderLeft: `3px solid ${vars.palette.primary.main}`,
  padding: '2px 0 2px 12px',
}));
