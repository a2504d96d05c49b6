'use client'

import { createTheme } from '@mui/material/styles'

/** Colour means a cause, everywhere the same. */
type Causes = {
  speed: string
  temperature: string
  humidity: string
  time: string
  switch: string
  pressure: string
  light: string
  volts: string
}
type Ground = {
  paper: string
  sheet: string
  side: string
  rule: string
  bar: string
  barText: string
  tint: string
  wont: string
  hatch: string
  holds: string
  warnInk: string
}

declare module '@mui/material/styles' {
  interface Palette {
    cause: Causes
    ground: Ground
  }
  interface PaletteOptions {
    cause: Causes
    ground: Ground
  }
  interface TypographyVariants {
    figure: React.CSSProperties
  }
  interface TypographyVariantsOptions {
    figure?: React.CSSProperties
  }
}
declare module '@mui/material/Typography' {
  interface TypographyPropsVariantOverrides {
    figure: true
  }
}

const TEXT = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif'
export const MONO = '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace'

const light = {
  primary: { main: '#0B5A57', contrastText: '#FDFDFB' },
  error: { main: '#B3162D' },
  warning: { main: '#8A6410' },
  success: { main: '#4E7130' },
  text: { primary: '#15252B', secondary: '#48595F' },
  background: { default: '#F4F5F1', paper: '#FDFDFB' },
  divider: '#D3D9D6',
  cause: {
    speed: '#0B5A57',
    temperature: '#B9481F',
    humidity: '#22688F',
    time: '#66477F',
    switch: '#4E7130',
    pressure: '#3C4F8A',
    light: '#8A6410',
    volts: '#7A3E6E',
  },
  ground: {
    paper: '#F4F5F1',
    sheet: '#FDFDFB',
    side: '#EEF2EE',
    rule: '#D3D9D6',
    bar: '#15252B',
    barText: '#E6EDEA',
    tint: '#A8CEC8',
    wont: '#E3E8E4',
    hatch: '#AEB9B5',
    holds: '#E1EAD8',
    warnInk: '#7A580C',
  },
}

const dark = {
  primary: { main: '#7CCFC7', contrastText: '#0C1A1C' },
  error: { main: '#FF9A9F' },
  warning: { main: '#E0BC6A' },
  success: { main: '#A9D18A' },
  text: { primary: '#E8EEEC', secondary: '#B4C2C4' },
  background: { default: '#10191D', paper: '#152127' },
  divider: '#33464E',
  cause: {
    speed: '#7CCFC7',
    temperature: '#F39B78',
    humidity: '#7FC0E6',
    time: '#C9A9E0',
    switch: '#A9D18A',
    pressure: '#A6B7F2',
    light: '#E0BC6A',
    volts: '#E3A3D3',
  },
  ground: {
    paper: '#10191D',
    sheet: '#152127',
    side: '#1A2930',
    rule: '#33464E',
    bar: '#0A1215',
    barText: '#E6EDEA',
    tint: '#2F5F5B',
    wont: '#22313A',
    hatch: '#4A5D65',
    holds: '#22331F',
    warnInk: '#E0BC6A',
  },
}

/** What a thumb hits, WCAG 2.2, success criterion 2.5.5. */
const THUMB_PX = 44

/** One theme for every view: ruled lines and alignment instead of shadows and cards. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data' },
  colorSchemes: { light: { palette: light }, dark: { palette: dark } },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: TEXT,
    fontSize: 15,
    htmlFontSize: 16,
    h1: { fontSize: '1.375rem', fontWeight: 700, lineHeight: 1.3 },
    h2: { fontSize: '0.9375rem', fontWeight: 700, lineHeight: 1.4 },
    h3: { fontSize: '0.9375rem', fontWeight: 600 },
    body1: { fontSize: '0.9375rem', lineHeight: 1.5 },
    body2: { fontSize: '0.8125rem', lineHeight: 1.5 },
    figure: { fontFamily: MONO, fontVariantNumeric: 'tabular-nums slashed-zero', fontSize: '0.9375rem' },
    button: { textTransform: 'none', fontWeight: 600, fontSize: '0.9375rem' },
  },
  transitions: {
    duration: { enteringScreen: 120, leavingScreen: 120, standard: 120, short: 120, shorter: 120, shortest: 120 },
  },
  components: {
    // What is chosen wraps: no word of it is cut off.
    MuiSelect: { styleOverrides: { select: { '&&': { whiteSpace: 'normal', height: 'auto' } } } },
    MuiCssBaseline: {
      styleOverrides: {
        // What is touched is as high as a thumb. A link in the run of a line reaches over it above and below, and moves nothing.
        '@media (max-width: 600px)': {
          html: { fontSize: '18px' },
          ':where(a[href]:not(.MuiButtonBase-root))': { paddingBlock: 14 },
          'button:not(.MuiButton-root), summary, [role="button"]:not(.MuiButton-root), [role="checkbox"], .MuiInputBase-root, .MuiCheckbox-root':
            {
              minHeight: `${THUMB_PX}px !important`,
            },
          'button, .MuiIconButton-root, .MuiCheckbox-root': { minWidth: 24 },
          '.MuiInputBase-root': { alignItems: 'center' },
          summary: { paddingBlock: 10 },
        },
        a: { color: 'inherit' },
        // As high as what stands in it from the start; the component measures it only once the page answers.
        textarea: { fieldSizing: 'content' },
        // Whoever goes by keys sees where they are: on everything, and over what a component says of it.
        'a:focus-visible, button:focus-visible, summary:focus-visible, [tabindex]:focus-visible, .MuiButtonBase-root:focus-visible, .MuiButtonBase-root.Mui-focusVisible':
          { outline: '3px solid var(--mui-palette-text-primary)', outlineOffset: 2 },
        '.MuiInputBase-root.Mui-focused, .MuiSlider-thumb.Mui-focusVisible': {
          outline: '2px solid var(--mui-palette-text-primary)',
          outlineOffset: 2,
        },
        // Where the system sets the colours, what is written in a picture goes with them, and what a colour says keeps it.
        '@media (forced-colors: active)': {
          'svg text': { fill: 'CanvasText !important' },
          '[role="img"], [role="slider"], [data-colour]': { forcedColorAdjust: 'none' },
        },
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': { transition: 'none !important', animation: 'none !important' },
        },
      },
    },
    MuiTypography: { defaultProps: { variantMapping: { figure: 'span' } } },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: { root: { minHeight: 36, borderRadius: 4, '@media (max-width: 600px)': { minHeight: 44 } } },
      variants: [
        {
          props: { variant: 'outlined' },
          style: ({ theme: t }) => ({ borderColor: t.vars.palette.text.primary, color: t.vars.palette.text.primary }),
        },
      ],
    },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: { styleOverrides: { paper: ({ theme: t }) => ({ border: `1px solid ${t.vars.palette.divider}` }) } },
    MuiTableCell: {
      styleOverrides: {
        root: ({ theme: t }) => ({ borderBottom: `1px dotted ${t.vars.palette.divider}`, padding: '6px 8px' }),
        head: { fontWeight: 400 },
      },
    },
    MuiTooltip: { defaultProps: { arrow: false } },
    MuiLink: { defaultProps: { color: 'inherit', underline: 'always' } },
  },
})
