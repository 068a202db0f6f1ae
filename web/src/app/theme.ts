import { createTheme, type Theme } from '@mui/material/styles';
import { tokens, type ThemeName, type Tokens } from './tokens.ts';

export const textFont = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
export const numeralFont = "'Lexend Variable', 'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";

/** The tokens as custom properties, for style sheets and drawings. */
export function tokenProperties(name: ThemeName): Record<string, string> {
  return Object.fromEntries(Object.entries(tokens[name]).map(([key, value]) => [`--${key}`, value]));
}

/** The components' theme, made from the tokens. */
export function makeTheme(name: ThemeName): Theme {
  const t: Tokens = tokens[name];
  return createTheme({
    palette: {
      mode: name === 'dark' ? 'dark' : 'light',
      primary: { main: t.river, contrastText: t.onRiver },
      secondary: { main: t.ochreInk },
      error: { main: t.clay },
      warning: { main: t.ochreInk },
      background: { default: t.paper, paper: t.sheet },
      text: { primary: t.ink, secondary: t.ink2 },
      divider: t.hairline,
    },
    typography: {
      fontFamily: textFont,
      fontSize: 15,
      button: { textTransform: 'none', fontWeight: 650, letterSpacing: 0 },
    },
    shape: { borderRadius: 2 },
    transitions: {
      duration: {
        shortest: 80,
        shorter: 100,
        short: 120,
        standard: 150,
        complex: 180,
        enteringScreen: 150,
        leavingScreen: 120,
      },
    },
    components: {
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: {
        defaultProps: { disableElevation: true },
        styleOverrides: {
          root: {
            minHeight: 44,
            paddingInline: 20,
            '&.Mui-focusVisible': { outline: `3px solid ${t.ochre}`, outlineOffset: 2 },
          },
          outlined: { borderColor: t.edge, color: t.ink },
        },
      },
      MuiIconButton: { styleOverrides: { root: { minWidth: 44, minHeight: 44, color: t.ink } } },
      MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
      MuiDialog: { styleOverrides: { paper: { border: `1px solid ${t.edge}`, boxShadow: 'none' } } },
      MuiOutlinedInput: { styleOverrides: { notchedOutline: { borderColor: t.edge } } },
      MuiInputLabel: { styleOverrides: { root: { color: t.ink2 } } },
      MuiFormHelperText: { styleOverrides: { root: { marginLeft: 0, fontSize: 14, color: t.ink2 } } },
      MuiLink: { styleOverrides: { root: { color: t.river, textDecorationColor: t.river } } },
      MuiToggleButton: {
        styleOverrides: {
          root: {
            minHeight: 44,
            color: t.ink,
            borderColor: t.edge,
            '&.Mui-selected': { background: t.riverLight, color: t.ink },
          },
        },
      },
      MuiTooltip: { styleOverrides: { tooltip: { background: t.ink, color: t.paper, fontSize: 14 } } },
    },
  });
}
