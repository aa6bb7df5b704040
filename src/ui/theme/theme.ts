import { createTheme } from '@mui/material/styles'
import type {} from '@mui/x-date-pickers/themeAugmentation'
import { DARK, LIGHT, type Tokens } from './tokens'

const FONT = "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', system-ui, sans-serif"

const palette = (t: Tokens) => ({
  primary: { main: t.moss, contrastText: t.onMoss },
  error: { main: t.clay },
  warning: { main: t.ochre },
  info: { main: t.river },
  background: { default: t.paper, paper: t.surface },
  text: { primary: t.ink, secondary: t.muted },
  divider: t.line,
})

/** MUI in Cairn's tokens: borders instead of shadows, small corners, short motion. */
export const theme = createTheme({
  cssVariables: { cssVarPrefix: 'cairn', colorSchemeSelector: '[data-shown="%s"]' },
  colorSchemes: { light: { palette: palette(LIGHT) }, dark: { palette: palette(DARK) } },
  shape: { borderRadius: 6 },
  spacing: 8,
  typography: { fontFamily: FONT, fontSize: 14, htmlFontSize: 16, button: { textTransform: 'none', fontWeight: 600 } },
  transitions: {
    duration: { shortest: 80, shorter: 100, short: 120, standard: 140, complex: 140, enteringScreen: 120, leavingScreen: 100 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { size: 'small', disableElevation: true },
      styleOverrides: {
        root: {
          minHeight: 28,
          minWidth: 0,
          padding: '3px 10px',
          fontSize: 13,
          '&.Mui-disabled': { pointerEvents: 'auto', cursor: 'default' },
          lineHeight: 1.4,
          variants: [
            {
              props: { variant: 'outlined', color: 'inherit' },
              style: { borderColor: 'var(--edge)', background: 'var(--surface)', '&:hover': { background: 'var(--soft)' } },
            },
          ],
        },
      },
    },
    MuiIconButton: {
      defaultProps: { size: 'small' },
      styleOverrides: {
        root: {
          color: 'var(--muted)',
          padding: 4,
          '&.Mui-disabled': { pointerEvents: 'auto', cursor: 'default' },
          borderRadius: 6,
          '&[aria-pressed=true], &[aria-current]': { color: 'var(--moss)', background: 'var(--moss-soft)' },
        },
      },
    },
    MuiSvgIcon: { defaultProps: { fontSize: 'small' }, styleOverrides: { fontSizeSmall: { fontSize: 18 } } },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiFormControl: { defaultProps: { size: 'small' } },
    MuiInputBase: {
      styleOverrides: {
        root: { fontSize: 14, lineHeight: 1.4 },
        // Who may not write reads: what stands there is as easy to read as the rest.
        input: {
          '&.Mui-disabled': { WebkitTextFillColor: 'var(--ink)', color: 'var(--ink)', opacity: 1, cursor: 'default' },
          height: 'auto',
          '&.r': { textAlign: 'right' },
          '&::placeholder': { color: 'var(--muted)', opacity: 1 },
          '&.Mui-disabled::placeholder': { WebkitTextFillColor: 'var(--muted)' },
        },
      },
    },
    MuiInputLabel: {
      styleOverrides: {
        root: { fontSize: 14, '&.Mui-disabled': { color: 'var(--muted)' } },
        shrink: { fontSize: 12, fontWeight: 600, lineHeight: '16px', transform: 'translate(13px, -8px)', maxWidth: 'calc(100% - 22px)' },
      },
    },
    MuiFormHelperText: {
      styleOverrides: {
        root: { fontSize: 13, lineHeight: 1.35, margin: '3px 2px 0', color: 'var(--muted)', '&.Mui-error': { color: 'var(--clay)' } },
      },
    },
    MuiNativeSelect: { styleOverrides: { icon: { fontSize: 20, color: 'var(--muted)' } } },
    MuiCheckbox: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 4 } } },
    MuiRadio: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 4 } } },
    MuiTabs: { styleOverrides: { root: { minHeight: 40 }, indicator: { height: 3 } } },
    MuiTab: {
      styleOverrides: {
        root: {
          minHeight: 40,
          minWidth: 0,
          padding: '8px 14px',
          fontSize: 14,
          fontWeight: 400,
          color: 'var(--muted)',
          '&.Mui-selected': { color: 'var(--ink)', fontWeight: 650 },
        },
      },
    },
    MuiPaper: { styleOverrides: { root: { boxShadow: 'none', border: '1px solid var(--line)' } } },
    MuiAutocomplete: {
      styleOverrides: {
        inputRoot: { paddingBlock: '0 !important' },
        input: { paddingBlock: '6px !important' },
        option: { fontSize: 14, minHeight: '30px !important', paddingBlock: '3px !important' },
      },
    },
    MuiFormControlLabel: { styleOverrides: { label: { fontSize: 14 } } },
    MuiToggleButton: { styleOverrides: { root: { color: 'var(--ink)', textTransform: 'none', paddingBlock: 3 } } },
    MuiTooltip: { defaultProps: { enterDelay: 300 } },
    MuiDialogActions: { styleOverrides: { root: { padding: '8px 24px 16px' } } },
    MuiDialog: { styleOverrides: { paper: { border: '1px solid var(--edge)' } } },
    MuiPickersInputBase: {
      styleOverrides: { root: { fontSize: 14, lineHeight: 1.4, padding: '0 8px 0 10px', background: 'var(--surface)' } },
    },
    // As tall as a line of text beside it: its parts bring 5 px of their own.
    MuiPickersSectionList: {
      styleOverrides: { root: { padding: '3.25px 0', lineHeight: 1.4, letterSpacing: 'normal', fontFamily: FONT } },
    },
    MuiPickersOutlinedInput: {
      styleOverrides: {
        // As tall as a field of text beside it.
        root: { '& .MuiPickersInputBase-sectionsContainer': { padding: '5.75px 0' } },
        notchedOutline: { borderColor: 'var(--edge)', '& legend': { fontSize: 12, fontWeight: 600 } },
      },
    },
    MuiFormLabel: { styleOverrides: { root: { color: 'var(--muted)', fontSize: 14 } } },
    MuiOutlinedInput: {
      styleOverrides: {
        root: { background: 'var(--surface)', borderRadius: 6, '&.MuiInputBase-multiline': { padding: '6px 10px' } },
        input: { padding: '6px 10px', 'textarea&': { padding: 0 } },
        notchedOutline: { borderColor: 'var(--edge)', '& legend': { fontSize: 12, fontWeight: 600 } },
      },
    },
  },
})
