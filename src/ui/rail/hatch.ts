/** The pattern of "will not turn": told by lines, not by colour alone. */
export const hatch = {
  backgroundImage: 'repeating-linear-gradient(135deg, var(--mui-palette-ground-hatch) 0 1px, transparent 1px 6px)',
  printColorAdjust: 'exact',
} as const
