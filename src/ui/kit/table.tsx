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
  '& td': { height: 40, padding: '0 10px', maxWidth: 260, borderBottom: `1px solid ${vars.palette.divider}` },
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
}));

/**
 * Cells say what they are by `data-numeric`, `data-nowrap`, `data-soft`, `data-small`, `data-strong`, `data-cut`, `data-secret`; a row by `data-chosen`.
 * @param height it scrolls inside of itself, by keyboard too
 */
export const Table = ({ height, ...props }: React.ComponentProps<'table'> & { height?: number }) => (
  <Box
    {...(height !== undefined && {
      tabIndex: 0,
      role: 'group',
      'aria-label': props['aria-label'],
      style: { maxHeight: height, overflowY: 'auto' },
    })}
  >
    <Plain {...props} />
  </Box>
);
