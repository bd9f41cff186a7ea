/** The ladder as a ladder: two rails, and between them its rungs from the top down. */
import { styled } from '@mui/material/styles';

export const Rails = styled('ol')(({ theme: { vars } }) => ({
  listStyle: 'none',
  margin: 0,
  padding: '8px 0 26px',
  borderRadius: 2,
  borderLeft: `5px solid ${vars.palette.text.primary}`,
  borderRight: `5px solid ${vars.palette.text.primary}`,
}));

export const Rung = styled('li', { shouldForwardProp: (name) => name !== 'fixed' && name !== 'editing' })<{
  /** It is always there. */
  fixed?: boolean;
  editing?: boolean;
}>(({ theme: { vars }, fixed, editing }) => ({
  display: 'grid',
  gridTemplateColumns: '34px minmax(0, 1fr) auto',
  gap: 10,
  alignItems: editing ? 'start' : 'center',
  padding: '12px 14px 12px 8px',
  background: vars.palette.background.default,
  borderBottom: fixed ? `2px solid ${vars.palette.divider}` : `3px solid ${vars.palette.text.primary}`,
  '& > span:first-of-type': { color: vars.palette.text.secondary, fontWeight: 600, textAlign: 'center' },
  ...(editing && {
    '& select': { maxWidth: 150 },
    /* On a phone what moves it stands below what it says. */
    '@media (max-width: 800px)': {
      gridTemplateColumns: '34px minmax(0, 1fr)',
      '& > :last-child': { gridColumn: 2 },
      '& select': { maxWidth: '100%' },
    },
  }),
}));

/** A share as a short bar beside its number. */
export const ShareBar = styled('span', { shouldForwardProp: (name) => name !== 'share' })<{ share: number }>(
  ({ theme: { vars }, share }) => ({
    display: 'inline-block',
    width: 34,
    height: 5,
    borderRadius: 2,
    verticalAlign: 3,
    background: `linear-gradient(to right, ${vars.palette.primary.main} ${share * 100}%, ${vars.palette.divider} ${share * 100}%)`,
  }),
);

/** A number that stands large. */
export const Figure = styled('span', { shouldForwardProp: (name) => name !== 'tone' })<{ tone?: 'late' | 'good' | 'soft' }>(
  ({ theme: { vars, typography }, tone }) => ({
    fontFamily: typography.h1.fontFamily,
    fontWeight: 650,
    fontSize: 20,
    lineHeight: '24px',
    ...(tone && {
      color: { late: vars.palette.warning.main, good: vars.palette.success.main, soft: vars.palette.text.secondary }[tone],
    }),
  }),
);
