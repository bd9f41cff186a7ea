'use client';
/** The one place of colours, sizes and states: MUI in magpie colours, light and dark, by CSS variables; the density and corners of the design. */
import { createTheme } from '@mui/material/styles';

/** Our colours beside those that MUI has a role for. */
interface Magpie {
  /** The finest line, inside of what a line encloses. */
  hair: string;
  /** The edge of what can be typed into or chosen from: at least 3:1 against its ground. */
  edge: string;
  /** What is chosen, and what is at stake, as a ground under text. */
  chosen: string;
  stake: string;
  bird: string;
  belly: string;
  /** The one shadow, of what floats. */
  shade: string;
}
declare module '@mui/material/styles' {
  interface CssThemeVariables {
    enabled: true;
  }
  interface Palette {
    magpie: Magpie;
  }
  interface PaletteOptions {
    magpie: Magpie;
  }
}
declare module '@mui/material/Button' {
  interface ButtonPropsVariantOverrides {
    link: true;
  }
  interface ButtonPropsSizeOverrides {
    tiny: true;
  }
}

/** What holds for elements wherever they stand; and the short names by which drawings (ruler, map, glyphs, charts) call the colors of the theme. */
const BASE = {
  ':root, [data-scheme]': {
    '--paper': 'var(--mui-palette-background-default)',
    '--surface': 'var(--mui-palette-background-paper)',
    '--ink': 'var(--mui-palette-text-primary)',
    '--soft': 'var(--mui-palette-text-secondary)',
    '--line': 'var(--mui-palette-divider)',
    '--hair': 'var(--mui-palette-magpie-hair)',
    '--teal': 'var(--mui-palette-primary-main)',
    '--teal-wash': 'var(--mui-palette-magpie-chosen)',
    '--violet': 'var(--mui-palette-secondary-main)',
    '--copper': 'var(--mui-palette-warning-main)',
    '--leaf': 'var(--mui-palette-success-main)',
    '--bird': 'var(--mui-palette-magpie-bird)',
    '--bird-belly': 'var(--mui-palette-magpie-belly)',
    '--on-teal': 'var(--mui-palette-primary-contrastText)',
    '--shade': 'var(--mui-palette-magpie-shade)',
  },
  ':focus-visible': { outline: '2px solid var(--teal)', outlineOffset: 2, borderRadius: 4 },
  body: { colorScheme: 'light', fontFeatureSettings: "'tnum' 1" },
  "[data-scheme='dark'] body": { colorScheme: 'dark' },
  a: { color: 'inherit' },
  p: { margin: 0 },
  code: { overflowWrap: 'anywhere' },
} as const;

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: '[data-scheme="%s"]' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#0B6B7F', contrastText: '#FFFFFF' },
        secondary: { main: '#3B3F91' },
        warning: { main: '#A84C16' },
        success: { main: '#35703F' },
        background: { default: '#FBFAF7', paper: '#FFFFFF' },
        text: { primary: '#14171C', secondary: '#5B6470' },
        divider: '#E3E1DB',
        magpie: {
          hair: '#F0EEE9',
          edge: '#8A919B',
          chosen: '#E6F1F2',
          stake: '#FBEEE4',
          bird: '#14171C',
          belly: '#FFFFFF',
          shade: '0 6px 24px #14171C26',
        },
      },
    },
    dark: {
      palette: {
        primary: { main: '#57B6C9', contrastText: '#07171B' },
        secondary: { main: '#A3A7EE' },
        warning: { main: '#EB9A63' },
        success: { main: '#84C494' },
        background: { default: '#101317', paper: '#171B21' },
        text: { primary: '#ECEAE4', secondary: '#A2ABB8' },
        divider: '#2C323B',
        magpie: {
          hair: '#222830',
          edge: '#6A7482',
          chosen: '#16313A',
          stake: '#35241A',
          bird: '#ECEAE4',
          belly: '#5B6470',
          shade: '0 6px 24px #000A',
        },
      },
    },
  },
  typography: {
    fontFamily: "'Figtree Variable', sans-serif",
    fontSize: 14,
    button: { textTransform: 'none', fontWeight: 550, letterSpacing: 0 },
    body1: { fontSize: 14, lineHeight: '20px' },
    body2: { fontSize: 12.5, lineHeight: '17px' },
    h1: {
      fontFamily: "'Bricolage Grotesque Variable', sans-serif",
      fontWeight: 650,
      fontSize: 25,
      lineHeight: '30px',
      letterSpacing: '-0.015em',
    },
    h2: { fontWeight: 600, fontSize: 12.5, lineHeight: '18px' },
    h6: { fontFamily: "'Bricolage Grotesque Variable', sans-serif", fontWeight: 650 },
  },
  shape: { borderRadius: 6 },
  spacing: 8,
  components: {
    MuiCssBaseline: { styleOverrides: BASE },
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: {
        root: ({ theme: { vars } }) => ({
          font: 'inherit',
          '&:focus-visible, &.Mui-focusVisible': {
            outline: `2px solid ${vars.palette.primary.main}`,
            outlineOffset: 2,
            borderRadius: 4,
          },
        }),
      },
    },
    MuiButton: {
      defaultProps: { size: 'medium', disableElevation: true },
      styleOverrides: {
        root: ({ theme: { vars } }) => ({
          /* Colours change at once, also from light to dark. */
          transition: 'none',
          gap: 7,
          minWidth: 0,
          fontSize: 14,
          lineHeight: '20px',
          padding: '6px 11px',
          whiteSpace: 'nowrap',
          '&.Mui-disabled, &[aria-disabled="true"]': { opacity: 0.55 },
          '&[data-selected]': { borderColor: vars.palette.primary.main, background: vars.palette.magpie.chosen },
          '@media (max-width: 800px)': { padding: '9px 13px' },
        }),
        outlined: ({ theme: { vars } }) => ({
          borderColor: vars.palette.divider,
          background: vars.palette.background.paper,
          '&:hover': { borderColor: vars.palette.text.secondary, background: vars.palette.background.paper },
        }),
        contained: { '& kbd': { background: 'transparent', color: 'inherit', borderColor: 'currentColor' } },
      },
      variants: [
        {
          props: { variant: 'outlined', color: 'warning' },
          style: ({ theme: { vars } }) => ({ borderColor: vars.palette.warning.main, color: vars.palette.warning.main }),
        },
        {
          props: { variant: 'text' },
          style: ({ theme: { vars } }) => ({
            padding: 0,
            fontWeight: 'inherit',
            fontSize: 'inherit',
            lineHeight: 'inherit',
            color: vars.palette.text.secondary,
            whiteSpace: 'normal',
            textAlign: 'left',
            '&:hover': { background: 'none', color: vars.palette.text.primary },
            '@media (max-width: 800px)': { padding: 0 },
          }),
        },
        {
          props: { variant: 'link' },
          style: ({ theme: { vars } }) => ({
            padding: 0,
            borderRadius: 0,
            font: 'inherit',
            whiteSpace: 'normal',
            textAlign: 'left',
            borderBottom: `1px solid ${vars.palette.primary.main}`,
            '@media (max-width: 800px)': { padding: 0 },
          }),
        },
        {
          props: { size: 'small' },
          style: { padding: '3px 9px', fontWeight: 400, '@media (max-width: 800px)': { padding: '6px 10px' } },
        },
        {
          props: { size: 'tiny' },
          style: {
            padding: '0 8px',
            minHeight: 24,
            fontSize: 12,
            fontWeight: 400,
            '@media (max-width: 800px)': { padding: '2px 9px' },
          },
        },
      ],
    },
    MuiOutlinedInput: {
      defaultProps: { size: 'small' },
      styleOverrides: {
        root: ({ theme: { vars } }) => ({
          fontSize: 14,
          lineHeight: '20px',
          background: vars.palette.background.paper,
          '& .MuiOutlinedInput-notchedOutline': { borderColor: vars.palette.magpie.edge, borderWidth: 1 },
          '&:hover .MuiOutlinedInput-notchedOutline': { borderColor: vars.palette.text.secondary },
          '&.Mui-focused .MuiOutlinedInput-notchedOutline': { borderColor: vars.palette.primary.main, borderWidth: 2 },
        }),
        input: { padding: '6px 10px', height: 20, '&:focus-visible': { outline: 'none' } },
        multiline: { padding: 0, '& textarea': { padding: '7px 10px' } },
      },
    },
    MuiNativeSelect: { styleOverrides: { select: { '&:focus-visible': { outline: 'none' } }, icon: { right: 4 } } },
    MuiCheckbox: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 2 } } },
    MuiRadio: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 2 } } },
    MuiFormControlLabel: {
      styleOverrides: { root: { gap: 6, marginLeft: 0, marginRight: 0 }, label: { fontSize: 14, lineHeight: '20px' } },
    },
    MuiInputLabel: { styleOverrides: { root: { transition: 'none' } } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiSelect: { defaultProps: { size: 'small' } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: {
      styleOverrides: {
        paper: ({ theme: { vars } }) => ({ border: `1px solid ${vars.palette.divider}`, boxShadow: vars.palette.magpie.shade }),
      },
    },
    MuiMenu: {
      styleOverrides: {
        paper: ({ theme: { vars } }) => ({ border: `1px solid ${vars.palette.divider}`, boxShadow: vars.palette.magpie.shade }),
      },
    },
    MuiSkeleton: { styleOverrides: { root: ({ theme: { vars } }) => ({ backgroundColor: vars.palette.magpie.hair }) } },
    MuiTab: {
      styleOverrides: {
        root: {
          minHeight: 36,
          minWidth: 0,
          padding: '6px 0',
          marginRight: 22,
          fontWeight: 550,
          fontSize: 14,
          transition: 'none',
        },
      },
    },
    MuiTabs: { styleOverrides: { root: { minHeight: 36 }, indicator: { transition: 'none' } } },
    MuiMenuItem: { styleOverrides: { root: { fontSize: 14, minHeight: 32 } } },
    MuiListItemText: {
      styleOverrides: { root: { margin: 0 }, secondary: { fontSize: 12.5, '.Mui-selected &': { color: 'inherit' } } },
    },
    MuiAutocomplete: {
      styleOverrides: {
        paper: ({ theme: { vars } }) => ({ border: `1px solid ${vars.palette.divider}`, boxShadow: vars.palette.magpie.shade }),
        inputRoot: { padding: '0 6px !important' },
        option: { fontSize: 14 },
      },
    },
    MuiTooltip: { defaultProps: { enterDelay: 500 } },
  },
  transitions: {
    duration: { enteringScreen: 120, leavingScreen: 100, shortest: 80, shorter: 100, short: 120, standard: 140, complex: 140 },
  },
});
