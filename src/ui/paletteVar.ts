/** A colour of the theme, light or dark, for a style that is written on an element itself: `cause.speed`, `text.primary`. */
export const paletteVar = (colour: string): string => `var(--mui-palette-${colour.replaceAll('.', '-')})`
