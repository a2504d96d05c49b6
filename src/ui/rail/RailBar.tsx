import { paletteVar } from '@/ui/paletteVar'
import { hatch } from '@/ui/rail/hatch'

/** The bar itself: hatched where the fan will not turn, tinted between floor and ceiling. */
export function RailBar({
  startPct,
  floorPct,
  ceilingPct,
}: {
  startPct: number | null
  floorPct: number
  ceilingPct: number
}) {
  const band = {
    position: 'absolute',
    top: '40%',
    bottom: '16.7%',
    printColorAdjust: 'exact',
    forcedColorAdjust: 'none',
  } as const
  return (
    <>
      <div style={{ ...band, left: 0, right: 0, backgroundColor: paletteVar('ground.wont') }} />
      {startPct !== null && <div style={{ ...band, left: 0, width: `${startPct}%`, ...hatch }} />}
      <div
        style={{
          ...band,
          left: `${floorPct}%`,
          width: `${Math.max(0, ceilingPct - floorPct)}%`,
          backgroundColor: paletteVar('ground.tint'),
        }}
      />
    </>
  )
}
