/** The hours of a week as a grid of small cells, each with its number; how full a cell stands is its share. */
import { styled } from '@mui/material/styles';

export const HoursGrid = styled('div')({
  display: 'grid',
  gridTemplateColumns: '40px repeat(24, minmax(24px, 1fr))',
  gap: 2,
  overflowX: 'auto',
  fontSize: 12,
  lineHeight: '28px',
  textAlign: 'center',
});

export const HourCell = styled('span', { shouldForwardProp: (name) => name !== 'share' && name !== 'as' })<{ share?: number }>(
  ({ theme: { vars }, share = 0 }) => ({
    position: 'relative',
    minHeight: 28,
    borderRadius: 2,
    background: vars.palette.magpie.hair,
    '&::before': {
      content: '""',
      position: 'absolute',
      inset: 'auto 0 0',
      height: `${share * 100}%`,
      background: vars.palette.primary.main,
      opacity: 0.28,
    },
    '& a': { position: 'relative', display: 'block', color: vars.palette.text.primary, textDecoration: 'none', fontWeight: 550 },
  }),
);
