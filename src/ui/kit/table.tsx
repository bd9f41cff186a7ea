'use client';
/** Tables of few rows: numbers stand right, each row has a line below it; on a phone the table scrolls, not the page. */
import { styled } from '@mui/material/styles';

/* What only readers hear is placed in it, or it would widen the page. */
const Box = styled('div')({ overflowX: 'auto', position: 'relative' });
const Plain = styled('table')(({ theme: { vars, typography } }) => ({
  width: '100%',
  borderCollapse: 'collapse',
  '& th': {
    ...typography.h2,
    padding: '8px 10px',
    textAlign: 'left',
    whiteSpace: 'nowrap',
    color: vars.palette.text.secondary,
    borderBottom: `1px solid ${vars.palette.text.primary}`,
  },
  '& tbody th': {
    height: 40,
    font: 'inherit',
    letterSpacing: 'inherit',
    textTransform: 'none',
    whiteSpace: 'normal',
    color: 'inherit',
    borderBottom: `1px solid ${vars.palette.divider}`,
  },
  '& td': { height: 40, padding: '4px 10px', maxWidth: 260, borderBottom: `1px solid ${vars.palette.divider}` },
  '&[data-fixed]': { tableLayout: 'fixed' },
  '& [data-numeric]': { textAlign: 'right' },
  '& [data-nowrap]': { whiteSpace: 'nowrap' },
  '& [data-soft]': { color: vars.palette.text.secondary },
  '& [data-strong]': { fontWeight: 600 },
  '& [data-cut]': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  '[data-mask="on"] & [data-secret]': { filter: 'blur(6px)' },
  '& tr[data-doubtful] td': { background: vars.palette.magpie.stake },
  '& [data-small]': { fontSize: 12.5, lineHeight: '17px' },
  '& tr[data-chosen] td': { background: vars.palette.magpie.chosen },
  '& td a': { textDecoration: 'none', borderBottom: `1px solid ${vars.palette.divider}` },
  '& td a:hover': { color: vars.palette.primary.main, borderColor: vars.palette.primary.main },
  /* On a phone a row is a card: what it is on top, below it each number beside what it counts. */
  '@media (max-width: 800px)': {
    '&[data-cards], &[data-cards] tbody': { display: 'block' },
    '&[data-cards] colgroup': { display: 'none' },
    '&[data-cards] thead': { position: 'absolute', width: 1, height: 1, overflow: 'hidden', clipPath: 'inset(50%)' },
    '&[data-cards] tr': { display: 'block', padding: '8px 0', borderBottom: `1px solid ${vars.palette.divider}` },
    '&[data-cards] td': { display: 'block', height: 'auto', maxWidth: 'none', padding: '2px 0', border: 0, textAlign: 'left' },
    '&[data-cards] td[data-label]:empty': { display: 'none' },
    '&[data-cards] [data-cut]': { whiteSpace: 'normal' },
    '&[data-cards] td[data-label]': { display: 'flex', justifyContent: 'space-between', alignItems: 'baseline', gap: 12 },
    '&[data-cards] td[data-label] > *': { textAlign: 'right' },
    '&[data-cards] td[data-label]::before': { content: 'attr(data-label)', fontWeight: 400, color: vars.palette.text.secondary },
  },
}));

/**
 * Cells say what they are by `data-numeric`, `data-nowrap`, `data-soft`, `data-small`, `data-strong`, `data-cut`, `data-secret`; a row by `data-chosen`.
 * @param height it scrolls inside of itself, by keyboard too
 * @param cards on a phone each row is a card; cells beside the first say what they count by `data-label`
 * @param widths of its columns in pixels, null for what is left: tables below each other stand in one line
 */
export const Table = ({
  height,
  cards,
  widths,
  children,
  ...props
}: React.ComponentProps<'table'> & { height?: number; cards?: boolean; widths?: readonly (number | null)[] }) => (
  <Box
    {...(height !== undefined && {
      tabIndex: 0,
      role: 'group',
      'aria-label': props['aria-label'],
      style: { maxHeight: height, overflowY: 'auto' },
    })}
  >
    <Plain data-cards={cards || undefined} data-fixed={widths && ''} {...props}>
      {widths && (
        <colgroup>
          {widths.map((width, column) => (
            <col key={column} {...(width !== null && { width })} />
          ))}
        </colgroup>
      )}
      {children}
    </Plain>
  </Box>
);
