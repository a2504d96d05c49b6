import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { formatNumber } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { capital, HELD_WORDS, ruleName } from '@/core/sentences/words'
import { activeKey, activeShares, spells, type Active, type Decided } from '@/core/rehearse/active'
import { causeVar, ruleCause } from '@/ui/cause'
import { usePreference } from '@/ui/preference'

type Props = {
  replay: Decided
  response: Response
  clock: (atS: number) => string
  /** Widths at its left and right, as the charts beside it have them. */
  gutter?: { readonly xs: number; readonly sm: number }
  scalePx?: number
  rightPx?: number
}

/** Most pieces drawn: more would be narrower than a pixel. */
const MOST_PIECES = 600

/** Which rule was active when, over the same time as the charts below it. */
export function ActiveStrip({ replay, response, clock, gutter = { xs: 6, sm: 6 }, scalePx = 44, rightPx = 20 }: Props) {
  const preference = usePreference()
  const all = useMemo(() => spells(replay), [replay])
  const shares = useMemo(() => activeShares(all), [all])
  const [firstS, lastS] = [all[0]?.fromS ?? 0, all.at(-1)?.toS ?? 0]
  if (lastS <= firstS) return null
  const rules = response.rules.filter(({ off }) => !off)
  const rule = (active: Active) => (active.kind === 'rule' ? rules[active.index] : undefined)
  const name = (active: Active): string => {
    const own = rule(active)
    if (own) return ruleName(response, own)
    if (active.kind === 'held') return HELD_WORDS[active.by].toLowerCase()
    return active.kind === 'run-on' ? 'run-on' : 'lowest speed'
  }
  const colour = (active: Active): string => {
    const own = rule(active)
    if (own) return causeVar(ruleCause(response, own))
    return active.kind === 'held' ? 'var(--mui-palette-error-main)' : 'var(--mui-palette-divider)'
  }
  const leastS = (lastS - firstS) / MOST_PIECES
  const texts = shares.map(
    ({ active, share }) => `${name(active)} ${formatNumber(share * 100, share < 0.1 ? 1 : 0, preference)} %`,
  )
  return (
    <Box sx={{ mb: 0.5, display: 'grid', gridTemplateColumns: { xs: `${gutter.xs}px 1fr`, sm: `${gutter.sm}px 1fr` } }}>
      <Box sx={{ fontSize: 13.5, fontWeight: 700, whiteSpace: 'nowrap' }}>{gutter.sm > 20 && 'Active'}</Box>
      <Box
        role="img"
        aria-label={`Which rule was active over time: ${texts.join(', ')}`}
        sx={{
          position: 'relative',
          height: 16,
          ml: `${scalePx}px`,
          mr: `${rightPx}px`,
          overflow: 'hidden',
          bgcolor: 'divider',
        }}
      >
        {all
          .filter(({ fromS, toS }) => toS - fromS >= leastS || all.length <= MOST_PIECES)
          .map(({ active, fromS, toS }) => (
            <Box
              key={fromS}
              title={`${capital(name(active))}, ${clock(fromS)} to ${clock(toS)}`}
              sx={{
                position: 'absolute',
                top: 0,
                bottom: 0,
                left: `${((fromS - firstS) / (lastS - firstS)) * 100}%`,
                width: `${((toS - fromS) / (lastS - firstS)) * 100}%`,
                bgcolor: colour(active),
              }}
            />
          ))}
      </Box>
      <span />
      <Box
        component="ul"
        sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, m: 0, mt: 0.25, p: 0, pl: `${scalePx}px` }}
      >
        {shares.map(({ active }, index) => (
          <Typography
            key={activeKey(active)}
            component="li"
            variant="body2"
            sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}
          >
            <Box component="span" sx={{ width: 10, height: 10, bgcolor: colour(active) }} />
            {texts[index]}
          </Typography>
        ))}
      </Box>
    </Box>
  )
}
