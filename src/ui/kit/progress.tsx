'use client';
/** How far long work is, where it goes on while one does something else. */
import LinearProgress from '@mui/material/LinearProgress';
import { styled } from '@mui/material/styles';
import { Panel } from './panel';

export const Progress = ({ done, of, label }: { done: number; of: number; label: string }) => (
  <LinearProgress
    variant="determinate"
    aria-label={label}
    value={of > 0 ? Math.min(100, (100 * done) / of) : 0}
    sx={{
      flex: 1,
      minWidth: 60,
      height: 6,
      borderRadius: 3,
      transition: 'none',
      '& .MuiLinearProgress-bar': { transition: 'none' },
    }}
  />
);

/** Work under way, at the foot of the page. */
export const ProgressStack = styled('div')({
  position: 'fixed',
  right: 20,
  bottom: 18,
  zIndex: 29,
  display: 'grid',
  gap: 8,
  width: 'min(330px, calc(100vw - 24px))',
  '@media (max-width: 800px)': { right: 12, bottom: 68 },
});
export const ProgressPanel = styled(Panel)(({ theme: { vars } }) => ({
  padding: '10px 14px',
  boxShadow: vars.palette.magpie.shade,
}));

/** What can be done with all that is selected: it comes up from below. */
export const SelectionBar = styled('div')(({ theme: { vars } }) => ({
  position: 'fixed',
  left: '50%',
  bottom: 18,
  transform: 'translateX(-50%)',
  zIndex: 30,
  display: 'flex',
  gap: 16,
  alignItems: 'center',
  width: 'max-content',
  maxWidth: 'calc(100vw - 24px)',
  overflowX: 'auto',
  padding: '10px 18px',
  borderRadius: 6,
  whiteSpace: 'nowrap',
  color: vars.palette.background.default,
  background: vars.palette.text.primary,
  boxShadow: vars.palette.magpie.shade,
  '& button': { color: 'inherit', whiteSpace: 'nowrap', flex: 'none' },
  '& button:hover': { color: 'inherit', textDecoration: 'underline' },
  '& i': { width: 1, height: 18, background: 'currentColor', opacity: 0.35 },
  '& kbd': { background: 'transparent', color: 'inherit', opacity: 0.75 },
  '& :focus-visible': { outlineColor: 'currentColor' },
  '@media (max-width: 800px)': { bottom: 66 },
}));

/** Where a file is dropped. */
export const DropArea = styled('label', { shouldForwardProp: (name) => name !== 'over' && name !== 'as' })<{ over: boolean }>(
  ({ theme: { vars }, over }) => ({
    display: 'grid',
    gap: 12,
    justifyItems: 'center',
    padding: '46px 20px',
    borderRadius: 6,
    border: `2px dashed ${over ? vars.palette.primary.main : vars.palette.divider}`,
    background: over ? vars.palette.magpie.chosen : undefined,
    color: vars.palette.text.secondary,
  }),
);
