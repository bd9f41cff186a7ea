'use client';
/** MUI in our colours, light and dark, by CSS variables; density and corners of the design. */
import { createTheme } from '@mui/material/styles';

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: '[data-scheme="%s"]' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#0B6B7F' },
        secondary: { main: '#3B3F91' },
        warning: { main: '#A84C16' },
        success: { main: '#35703F' },
        background: { default: '#FBFAF7', paper: '#FFFFFF' },
        text: { primary: '#14171C', secondary: '#5B6470' },
        divider: '#E3E1DB',
      },
    },
    dark: {
      palette: {
        primary: { main: '#57B6C9' },
        secondary: { main: '#A3A7EE' },
        warning: { main: '#EB9A63' },
        success: { main: '#84C494' },
        background: { default: '#101317', paper: '#171B21' },
        text: { primary: '#ECEAE4', secondary: '#A2ABB8' },
        divider: '#2C323B',
      },
    },
  },
  typography: {
    fontFamily: "'Figtree Variable', sans-serif",
    fontSize: 13.5,
    button: { textTransform: 'none', fontWeight: 550 },
    h6: { fontFamily: "'Bricolage Grotesque Variable', sans-serif", fontWeight: 650 },
  },
  shape: { borderRadius: 6 },
  spacing: 8,
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: { defaultProps: { size: 'small', disableElevation: true } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiSelect: { defaultProps: { size: 'small' } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: { styleOverrides: { paper: { border: '1px solid var(--line)', boxShadow: 'var(--shade)' } } },
    MuiMenu: { styleOverrides: { paper: { border: '1px solid var(--line)', boxShadow: 'var(--shade)' } } },
    MuiTooltip: { defaultProps: { enterDelay: 500 } },
  },
  transitions: {
    duration: { enteringScreen: 120, leavingScreen: 100, shortest: 80, shorter: 100, short: 120, standard: 140, complex: 140 },
  },
});
