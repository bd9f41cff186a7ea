/** How a grid of many rows looks: one element styles them all, because a screen has hundreds of cells. */
import { styled } from '@mui/material/styles';
import { BareButton } from './button';

export const ROW_HEIGHT = 40;

export const DataGrid = styled('div')(({ theme: { vars } }) => ({
  overflow: 'auto',
  flex: 1,
  minHeight: 280,
  '& table': { tableLayout: 'fixed', width: '100%', borderCollapse: 'separate', borderSpacing: 0 },
  '& th': {
    position: 'sticky',
    top: 0,
    zIndex: 2,
    padding: 0,
    background: vars.palette.background.default,
    borderBottom: `1px solid ${vars.palette.text.primary}`,
    textAlign: 'left',
    whiteSpace: 'nowrap',
  },
  '& td': {
    position: 'relative',
    height: ROW_HEIGHT,
    padding: '0 10px',
    borderBottom: `1px solid ${vars.palette.divider}`,
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
  },
  '& [data-numeric]': { textAlign: 'right' },
  '& .tick': { padding: '0 0 0 8px' },
  '& tbody tr[data-row]': { cursor: 'pointer' },
  '& tbody tr[data-row]:hover td': { background: vars.palette.magpie.hair },
  '& tbody tr[aria-selected="true"] td, & tbody tr[data-open] td': { background: vars.palette.magpie.chosen },
  '& tbody tr[data-at] td:first-of-type': { boxShadow: `inset 3px 0 0 ${vars.palette.primary.main}` },
  /* What can be changed in place shows it when one comes near. */
  '& .edit': {
    position: 'absolute',
    right: 2,
    top: 7,
    width: 26,
    height: 26,
    display: 'none',
    placeItems: 'center',
    borderRadius: 4,
    color: vars.palette.text.secondary,
    background: vars.palette.background.paper,
    border: `1px solid ${vars.palette.divider}`,
  },
  '& td:hover .edit, & .edit:focus-visible': { display: 'inline-grid' },
}));

/** The sentence that the list answers, and how many there are. */
export const SentenceBar = styled('div')(({ theme: { vars } }) => ({
  padding: '14px 0 12px',
  borderBottom: `1px solid ${vars.palette.divider}`,
  fontSize: 19,
  lineHeight: '29px',
  '& button': { verticalAlign: 'baseline' },
  '& [data-count] > span:first-of-type': { font: "650 25px/30px 'Bricolage Grotesque Variable'" },
  '@media (max-width: 800px)': { fontSize: 16, lineHeight: '24px' },
}));

/** The head of a column, which sorts it. */
export const HeadButton = styled(BareButton)(({ theme: { vars, typography } }) => ({
  ...typography.h2,
  padding: '9px 10px',
  width: 'calc(100% - 8px)',
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  color: vars.palette.text.secondary,
  '[aria-sort] &': { color: vars.palette.text.primary },
}));
/** Its edge, which makes it wider. */
export const HeadEdge = styled('span')(({ theme: { vars } }) => ({
  position: 'absolute',
  right: 0,
  top: 8,
  bottom: 8,
  width: 8,
  cursor: 'col-resize',
  touchAction: 'none',
  borderRight: '1px solid transparent',
  'th:hover > &': { borderColor: vars.palette.text.secondary },
}));
