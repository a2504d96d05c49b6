/** Type of all chart labels: figures in the mono face. */
export const chartFont = {
  fontFamily: '"Atkinson Hyperlegible Mono Variable", monospace',
  fontSize: 12,
  fill: 'var(--mui-palette-text-secondary)',
}

/** The axis of settings, 0 to 100 %, of rows that have them as `pct`. */
export const settingAxis = {
  dataKey: 'pct',
  type: 'number' as const,
  domain: [0, 100],
  tickCount: 11,
  tickFormatter: (pct: number) => (pct === 100 ? '100 %' : String(pct)),
  tick: chartFont,
  stroke: 'var(--mui-palette-text-secondary)',
}

/** The line of the fan law, of rows that have it as `law`. */
export const LAW_LINE = {
  dataKey: 'law',
  stroke: 'var(--mui-palette-text-secondary)',
  strokeDasharray: '3 4',
  strokeWidth: 1.5,
  dot: false,
  isAnimationActive: false,
} as const

export const HATCH_FILL = 'url(#gale-hatch)'

/** The pattern of "will not turn", for use as a fill inside a chart. */
export const ChartHatch = () => (
  <defs>
    <pattern id="gale-hatch" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="8" height="8" fill="var(--mui-palette-ground-wont)" />
      <line x1="0" y1="0" x2="0" y2="8" stroke="var(--mui-palette-ground-hatch)" strokeWidth="1.5" />
    </pattern>
  </defs>
)
