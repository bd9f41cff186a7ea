/** More surfaces: beside a list, at stake, at hand, sunk, highlighted. */
import { styled } from '@mui/material/styles';
import { Row } from './layout';

/** What is looked at beside a list; it scrolls inside of itself, unless it is the `page`. */
export const SidePanel = styled('article', { shouldForwardProp: (name) => name !== 'page' && name !== 'as' })<{ page: boolean }>(
  ({ theme: { vars }, page }) => ({
    background: vars.palette.background.paper,
    border: `1px solid ${vars.palette.divider}`,
    borderRadius: 6,
    padding: '14px 20px 24px',
    overflowWrap: 'anywhere',
    ...(!page && { height: '100%', overflowY: 'auto' }),
    '@media (max-width: 800px)': {
      border: 0,
      borderRadius: 0,
      padding: '14px 14px 84px',
    },
  }),
);

/** What to know before anything else: why this is looked at now. */
export const Callout = styled('div', { shouldForwardProp: (name) => name !== 'first' && name !== 'apart' && name !== 'as' })<{
  first?: boolean;
  /** It stands between the parts of a page. */
  apart?: boolean;
}>(({ theme: { vars }, first, apart }) => ({
  margin: apart ? '12px 0' : first ? '10px 0 0' : '4px 0 0',
  padding: '7px 12px',
  borderLeft: `3px solid ${vars.palette.warning.main}`,
  background: vars.palette.magpie.stake,
  borderRadius: '0 6px 6px 0',
  fontWeight: 550,
}));

/** What can be done, in a row with a line below. */
export const Toolbar = styled(Row)(({ theme: { vars } }) => ({
  padding: '10px 0',
  marginBottom: 8,
  borderBottom: `1px solid ${vars.palette.divider}`,
}));

/** A place sunk into a panel, for what is being written or set. */
export const Well = styled('div')(({ theme: { vars } }) => ({
  margin: '4px 0 12px',
  padding: '12px 14px',
  border: `1px solid ${vars.palette.divider}`,
  borderRadius: 6,
  background: vars.palette.background.default,
}));

/** Over whatever one is doing, until it is answered; on a phone above the bar at the bottom. */
export const Floating = styled('aside')(({ theme: { vars } }) => ({
  position: 'fixed',
  right: 20,
  bottom: 20,
  zIndex: 25,
  width: 'min(380px, calc(100vw - 24px))',
  display: 'grid',
  gap: 12,
  padding: '14px 16px',
  background: vars.palette.background.paper,
  border: `1px solid ${vars.palette.primary.main}`,
  borderRadius: 6,
  boxShadow: vars.palette.magpie.shade,
  '@media (max-width: 800px)': { right: 12, bottom: 68, zIndex: 36 },
}));

/** Stands out without being at stake. */
export const Highlight = styled(Row)(({ theme: { vars } }) => ({
  padding: '7px 10px',
  borderRadius: 6,
  background: vars.palette.magpie.chosen,
}));
