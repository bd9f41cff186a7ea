/** A sentence of which parts can be pressed: what is asked is underlined, what joins it stands apart. */
import { styled } from '@mui/material/styles';
import { BareButton } from './button';

/** A part that opens where it stands; `gone` refers to something that was deleted. */
export const SaidButton = styled(BareButton, { shouldForwardProp: (name) => name !== 'gone' })<{ gone?: boolean }>(({
  theme: { vars },
  gone,
}) => {
  const color = gone ? vars.palette.warning.main : vars.palette.primary.main;
  return {
    fontWeight: 600,
    color,
    borderBottom: `2px solid ${color}`,
    textAlign: 'left',
    fontSize: 'inherit',
    lineHeight: 'inherit',
  };
});

/** The joint of two parts: “or” widens and stands out, “and” narrows and stands back. */
export const Joint = styled('span', { shouldForwardProp: (name) => name !== 'or' })<{ or: boolean }>(
  ({ theme: { vars }, or }) => ({
    whiteSpace: 'pre',
    ...(or
      ? {
          padding: '1px 7px',
          margin: '0 5px',
          borderRadius: 9,
          fontSize: '0.74em',
          fontWeight: 700,
          color: vars.palette.background.paper,
          background: vars.palette.secondary.main,
        }
      : { color: vars.palette.text.secondary }),
  }),
);

/** A segment on the shelf. */
export const ShelfButton = styled(BareButton)(({ theme: { vars } }) => ({
  fontWeight: 550,
  border: `1px solid ${vars.palette.divider}`,
  borderRadius: 6,
  padding: '5px 11px',
  whiteSpace: 'nowrap',
  color: vars.palette.text.primary,
  background: vars.palette.background.paper,
  '& b': { fontWeight: 500, marginLeft: 4, color: vars.palette.text.secondary },
  '&[aria-pressed="true"]': {
    background: vars.palette.text.primary,
    borderColor: vars.palette.text.primary,
    color: vars.palette.background.default,
    '& b': { color: 'inherit', opacity: 0.75 },
  },
}));

/** One line that is scrolled sideways on a phone and wraps elsewhere. */
export const Strip = styled('div')({
  display: 'flex',
  flexWrap: 'wrap',
  gap: 8,
  alignItems: 'center',
  minWidth: 0,
  '@media (max-width: 800px)': {
    flexWrap: 'nowrap',
    overflowX: 'auto',
    scrollbarWidth: 'none',
    width: '100%',
    paddingBottom: 2,
    '& > *': { flex: 'none' },
  },
});
