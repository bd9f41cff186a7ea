/** The Wire: one thin line with the areas on it like birds, across the top; on a phone it folds into a bar at the bottom. */
import { styled } from '@mui/material/styles';
import NextLink from 'next/link';
import { BareButton } from './button';

const PHONE = '@media (max-width: 800px)';

export const WireBar = styled('header')(({ theme: { vars } }) => ({
  position: 'sticky',
  top: 0,
  zIndex: 20,
  height: 66,
  display: 'flex',
  alignItems: 'flex-end',
  padding: '0 20px',
  background: vars.palette.background.default,
  '&::after': {
    content: '""',
    position: 'absolute',
    left: 0,
    right: 0,
    bottom: 9,
    height: 1.5,
    background: vars.palette.text.primary,
  },
  '& > nav': {
    display: 'flex',
    alignItems: 'flex-end',
    minWidth: 0,
    overflowX: 'auto',
    scrollbarWidth: 'none',
    paddingTop: 26,
    marginTop: -26,
  },
  [PHONE]: { display: 'none' },
}));

export const Mark = styled(NextLink)({
  font: "700 21px/1 'Bricolage Grotesque Variable'",
  letterSpacing: '-0.02em',
  padding: '0 14px 19px 0',
  color: 'inherit',
  textDecoration: 'none',
});

/** An area on the Wire; the one that one is in stands a little higher. */
export const Perch = styled(NextLink)(({ theme: { vars } }) => ({
  position: 'relative',
  padding: '0 10px 17px',
  color: vars.palette.text.secondary,
  fontWeight: 500,
  whiteSpace: 'nowrap',
  textDecoration: 'none',
  '& b': { fontWeight: 600, color: vars.palette.text.primary, marginLeft: 5 },
  '&[data-pressing] b': { color: vars.palette.warning.main },
  '& i': {
    position: 'absolute',
    left: '50%',
    bottom: 6,
    width: 7,
    height: 7,
    marginLeft: -3.5,
    borderRadius: '50%',
    background: vars.palette.background.default,
    border: `1.5px solid ${vars.palette.text.primary}`,
    zIndex: 1,
  },
  '&:hover': { color: vars.palette.text.primary },
  '&[aria-current]': { color: vars.palette.text.primary, fontWeight: 700, paddingBottom: 22 },
  '&[aria-current] i': { display: 'none' },
  '&[aria-current]::after': {
    content: '""',
    position: 'absolute',
    left: 6,
    right: 6,
    bottom: 8,
    height: 4,
    borderRadius: 2,
    background: vars.palette.primary.main,
    zIndex: 1,
  },
  '&[aria-current] svg': { position: 'absolute', left: '50%', marginLeft: -17, top: -23 },
}));

export const WireEnds = styled('div')(({ theme: { vars } }) => ({
  marginLeft: 'auto',
  display: 'flex',
  gap: 10,
  alignItems: 'center',
  flex: 'none',
  padding: '0 0 16px 12px',
  fontSize: 13,
  color: vars.palette.text.secondary,
  '@media (max-width: 1100px)': { '& .wide': { display: 'none' } },
}));

export const WireButton = styled(BareButton)(({ theme: { vars } }) => ({
  border: `1px solid ${vars.palette.divider}`,
  background: vars.palette.background.paper,
  borderRadius: 6,
  padding: '3px 9px',
  color: vars.palette.text.primary,
  whiteSpace: 'nowrap',
  '&.clock': { borderStyle: 'dashed', fontFeatureSettings: "'tnum' 1" },
  '&.who': {
    width: 30,
    height: 30,
    padding: 0,
    border: 0,
    borderRadius: '50%',
    textAlign: 'center',
    fontWeight: 600,
    fontSize: 12,
    background: vars.palette.secondary.main,
    color: vars.palette.background.default,
  },
}));

/** The Wire on a phone: what one needs with one hand in a parking lot. */
export const BottomBar = styled('nav')(({ theme: { vars } }) => ({
  display: 'none',
  [PHONE]: {
    position: 'fixed',
    left: 0,
    right: 0,
    bottom: 0,
    zIndex: 35,
    display: 'grid',
    gridTemplateColumns: 'repeat(5, 1fr)',
    paddingBottom: 'env(safe-area-inset-bottom)',
    background: vars.palette.background.default,
    borderTop: `1.5px solid ${vars.palette.text.primary}`,
  },
  '&& > *': {
    position: 'relative',
    display: 'grid',
    justifyItems: 'center',
    alignContent: 'center',
    gap: 1,
    minHeight: 56,
    padding: 0,
    fontSize: 12,
    lineHeight: '15px',
    textAlign: 'center',
    textDecoration: 'none',
    color: vars.palette.text.secondary,
  },
  '& b': { color: vars.palette.text.primary, fontWeight: 600 },
  '& > [aria-current]': { color: vars.palette.text.primary, fontWeight: 700 },
  '& > [aria-current]::before': {
    content: '""',
    position: 'absolute',
    top: -2,
    left: 14,
    right: 14,
    height: 4,
    borderRadius: 2,
    background: vars.palette.primary.main,
  },
}));

export const Page = styled('main')({
  padding: '14px 20px 24px',
  [PHONE]: { padding: '12px 12px 84px' },
});

export const SkipLink = styled('a')(({ theme: { vars } }) => ({
  position: 'absolute',
  left: 12,
  top: -60,
  zIndex: 2000,
  padding: '8px 12px',
  background: vars.palette.background.paper,
  '&:focus': { top: 8 },
}));
