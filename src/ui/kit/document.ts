/** Words with headings, lists, pictures and buttons, as they are written. */
import { styled } from '@mui/material/styles';

export const EditorFrame = styled('div')(({ theme: { vars } }) => ({
  border: `1px solid ${vars.palette.divider}`,
  borderRadius: 6,
  background: vars.palette.background.paper,
  '& [role="toolbar"], & [data-asking]': { padding: '7px 9px', borderBottom: `1px solid ${vars.palette.magpie.hair}` },
}));

/** What is written stands in a `[data-document]`, which the editor makes. */
export const DocumentArea = styled('div')(({ theme: { vars, typography } }) => ({
  '&[aria-busy], & [data-document]': {
    minHeight: 220,
    padding: '14px 16px',
    fontSize: 15,
    lineHeight: 1.5,
    overflowWrap: 'anywhere',
  },
  '& [data-document]:focus-visible': { outline: 'none', boxShadow: `inset 0 0 0 2px ${vars.palette.primary.main}` },
  '& p, & ul, & ol, & blockquote': { margin: '0 0 12px' },
  '& h2, & h3': {
    margin: '18px 0 8px',
    fontFamily: typography.h1.fontFamily,
    fontWeight: 650,
    fontSize: 20,
    lineHeight: 1.3,
    color: vars.palette.text.primary,
  },
  '& blockquote': { borderLeft: `3px solid ${vars.palette.primary.main}`, paddingLeft: 12 },
  '& img': { maxWidth: '100%', borderRadius: 6 },
  '& .mail-button': {
    display: 'inline-block',
    marginBottom: 12,
    padding: '9px 18px',
    borderRadius: 6,
    fontWeight: 600,
    textDecoration: 'none',
    color: vars.palette.primary.contrastText,
    background: vars.palette.primary.main,
  },
  '& .ProseMirror-selectednode': { outline: `2px solid ${vars.palette.warning.main}` },
}));
