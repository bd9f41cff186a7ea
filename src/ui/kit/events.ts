/** What happened, line by line. */
import { styled } from '@mui/material/styles';

/** One line of what happened: when, how, what, and what can be done with it. */
export const EventLine = styled('li')(({ theme: { vars } }) => ({
  display: 'grid',
  gridTemplateColumns: '56px 20px minmax(0, 1fr) auto',
  gap: 6,
  padding: '7px 0',
  borderBottom: `1px solid ${vars.palette.magpie.hair}`,
  '& > i': { color: vars.palette.primary.main, paddingTop: 2 },
  '&[data-from-them] > i': { color: vars.palette.warning.main },
  '& .words': { whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' },
  /* Unseen, but the keyboard reaches it. */
  '& .pin': { opacity: 0 },
  '&:hover .pin, & .pin:focus-visible': { opacity: 1 },
  '@media (hover: none)': { '& .pin': { opacity: 1 } },
}));
export const EventList = styled('ol')({ listStyle: 'none', margin: 0, padding: 0 });
