import Box from '@mui/material/Box'
import Slider from '@mui/material/Slider'
import { memo, useMemo, useRef, type PointerEvent } from 'react'
import type { UnitPreference } from '@/core/quantity/format'
import { dayNameAt, hourText, momentText } from '@/core/rehearse/words'
import type { Trace } from '@/core/rehearse/trace'
import type { Response } from '@/core/response/schema'
import type { ScenarioEvent } from '@/core/scenario/schema'
import { ActiveStrip } from '@/features/rehearse/ActiveStrip'
import { Gutter, Lane, RIGHT_PX, SCALE_PX, type Span } from '@/features/rehearse/Lane'
import { laneFigures } from '@/features/rehearse/laneFigures'
import { unitOf, type LaneOf } from '@/features/rehearse/lanes'
import { wholeHours } from '@/features/rehearse/timeAxis'
import { ChartTools } from '@/ui/ChartTools'
import { PlacedLabels, type Label } from '@/ui/labels/PlacedLabels'
import { labelWidthPx } from '@/ui/labels/placeLabels'
import { useWidth } from '@/ui/useWidth'

type Props = {
  trace: Trace
  lanes: readonly LaneOf[]
  response: Response
  events: readonly ScenarioEvent[]
  preference: UnitPreference
  span: Span
  onSpan: (span: Span) => void
  cursor: number
  onCursor: (row: number) => void
}

const GUTTER = { xs: 92, sm: 128 }
const left = { xs: `${92 + SCALE_PX}px`, sm: `${128 + SCALE_PX}px` }

/** All lanes above one time axis, with one cursor through them, and the whole span beneath to choose a part of. */
export function Lanes(props: Props) {
  const { trace, lanes, response, events, preference, span, onSpan, cursor, onCursor } = props
  const field = useRef<HTMLDivElement>(null)
  const { fromRow, toRow } = span
  const at = Math.min(toRow - 1, Math.max(fromRow, cursor))
  function follow(event: PointerEvent): void {
    const box = field.current?.getBoundingClientRect()
    if (!box || box.width === 0) return
    const share = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width))
    onCursor(Math.min(toRow - 1, Math.round(fromRow + share * (toRow - fromRow))))
  }
  return (
    <ChartTools name="The day" figures={() => laneFigures(lanes, span, trace, preference)}>
      <Box sx={{ position: 'relative', touchAction: 'pan-y' }}>
        {lanes.map((lane) => (
          <Box key={lane.id} sx={{ display: 'flex' }}>
            <Gutter lane={lane} unit={unitOf(lane, preference)} row={at} preference={preference} />
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Lane lane={lane} span={span} stepS={trace.stepS} preference={preference} />
            </Box>
          </Box>
        ))}
        <Under trace={trace} response={response} events={events} span={span} preference={preference} />
        <Box
          ref={field}
          onPointerMove={follow}
          onPointerDown={follow}
          sx={{ position: 'absolute', top: 0, bottom: 0, left, right: RIGHT_PX, cursor: 'crosshair' }}
        >
          <Box
            sx={{
              position: 'absolute',
              top: 0,
              bottom: 0,
              width: '1.5px',
              bgcolor: 'text.primary',
              left: `${((at - fromRow) / Math.max(1, toRow - fromRow)) * 100}%`,
              pointerEvents: 'none',
            }}
          />
        </Box>
      </Box>
      <WholeSpan
        trace={trace}
        lane={lanes[0]!}
        preference={preference}
        span={span}
        onSpan={onSpan}
        cursor={at}
        onCursor={onCursor}
      />
    </ChartTools>
  )
}

const percent = (atS: number, { fromRow, toRow }: Span, stepS: number): number =>
  Math.min(100, Math.max(0, ((atS / stepS - fromRow) / Math.max(1, toRow - fromRow)) * 100))

/** Under the lanes: who decided, what happened, the hours. They do not follow the cursor. */
const Under = memo(function Under({
  trace,
  response,
  events,
  span,
  preference,
}: Pick<Props, 'trace' | 'response' | 'events' | 'span' | 'preference'>) {
  const ticks = wholeHours(span.fromRow * trace.stepS, span.toRow * trace.stepS)
  const shown = events.filter(
    ({ atS, lengthS }) => atS < span.toRow * trace.stepS && atS + lengthS > span.fromRow * trace.stepS,
  )
  const replayed = useMemo(
    () => ({
      atS: Float64Array.from({ length: span.toRow - span.fromRow + 1 }, (_, row) => (row + span.fromRow) * trace.stepS),
      inCharge: trace.inCharge.subarray(span.fromRow, span.toRow),
      heldBy: trace.heldBy.subarray(span.fromRow, span.toRow),
    }),
    [trace, span],
  )
  const [width, ref] = useWidth<SVGSVGElement>(600)
  return (
    <>
      <ActiveStrip
        replay={replayed}
        response={response}
        clock={(atS) => momentText(trace.startsOn, atS, preference)}
        gutter={GUTTER}
        scalePx={SCALE_PX}
        rightPx={RIGHT_PX}
      />
      {shown.length > 0 && (
        <Box sx={{ display: 'flex', height: 22 }}>
          <Box sx={{ width: GUTTER, flexShrink: 0, fontSize: 13.5, fontWeight: 700 }}>Events</Box>
          <Box sx={{ flex: 1, ml: `${SCALE_PX}px`, mr: `${RIGHT_PX}px`, position: 'relative', overflow: 'hidden' }}>
            {shown.map((event, index) => {
              const from = percent(event.atS, span, trace.stepS)
              const to = percent(event.atS + event.lengthS, span, trace.stepS)
              const isFault = event.kind !== 'drive' && event.kind !== 'contact'
              return (
                <Box
                  key={index}
                  sx={{
                    position: 'absolute',
                    left: `${from}%`,
                    width: `${Math.max(0.4, to - from)}%`,
                    top: 2,
                    bottom: 2,
                    border: 1,
                    borderColor: isFault ? 'text.primary' : 'cause.switch',
                    background: isFault
                      ? 'repeating-linear-gradient(45deg, transparent 0 3px, var(--mui-palette-text-secondary) 3px 4px)'
                      : 'var(--mui-palette-cause-switch)',
                  }}
                >
                  <Box
                    component="span"
                    sx={{
                      position: 'absolute',
                      // On the side where there is room.
                      ...(from > 60 ? { right: '100%', mr: 0.5 } : { left: '100%', ml: 0.5 }),
                      top: -1,
                      fontSize: 12,
                      whiteSpace: 'nowrap',
                      display: index > 0 && to - from < 3 && shown.length > 6 ? 'none' : 'inline',
                    }}
                  >
                    {event.name ?? event.kind}
                  </Box>
                </Box>
              )
            })}
          </Box>
        </Box>
      )}
      <Box
        sx={{ position: 'relative', height: 20, ml: left, mr: `${RIGHT_PX}px`, borderTop: 1, borderColor: 'divider' }}
      >
        <svg ref={ref} width="100%" height={20} style={{ display: 'block', overflow: 'visible' }}>
          <PlacedLabels
            area={{ x: -SCALE_PX, y: 2, width: width + SCALE_PX + RIGHT_PX, height: 18 }}
            labels={hourLabels(
              trace.startsOn,
              ticks,
              preference,
              (atS) => (percent(atS, span, trace.stepS) / 100) * width,
            )}
          />
        </svg>
      </Box>
    </>
  )
})

/** The day at its beginning, the hour else; days alone where the ticks are days. */
function tickText(startsOn: string, atS: number, ticks: readonly number[], { dates }: UnitPreference): string {
  const [day, hour] = [dayNameAt(startsOn, atS), hourText(atS, dates)]
  const everyS = (ticks[1] ?? 0) - (ticks[0] ?? 0)
  if (everyS >= 86400) return day
  return atS % 86400 === 0 || atS === ticks[0] ? `${day} ${hour}` : hour
}

/** The hours under the lanes, those of a new day first; on a narrow screen every second or third. */
function hourLabels(
  startsOn: string,
  ticks: readonly number[],
  preference: UnitPreference,
  toX: (atS: number) => number,
): readonly Label[] {
  const texts = ticks.map((atS) => tickText(startsOn, atS, ticks, preference))
  const roomPx = Math.abs(toX(ticks[1] ?? 0) - toX(ticks[0] ?? 0))
  const every = Math.max(1, Math.ceil(labelWidthPx(`${hourText(0, preference.dates)} x`) / roomPx))
  return ticks
    .map((atS, index) => ({ atS, index, text: texts[index]! }))
    .filter(({ index }) => index % every === 0)
    .toSorted((one, other) => other.text.length - one.text.length)
    .map(({ atS, text }) => ({ text, x: toX(atS), y: 10, sides: ['above', 'left'] as const, stays: true }))
}

type WholeProps = Pick<Props, 'trace' | 'preference' | 'span' | 'onSpan' | 'cursor' | 'onCursor'> & { lane: LaneOf }

/** All of it, small: its two ends choose what is shown above, and a third handle moves the cursor by keys. */
function WholeSpan({ trace, lane, preference, span, onSpan, cursor, onCursor }: WholeProps) {
  const whole = useMemo(() => ({ fromRow: 0, toRow: trace.filled }), [trace.filled])
  const small = useMemo(() => ({ ...lane, curves: lane.curves.slice(0, 1), target: null, height: 46 }), [lane])
  const least = Math.max(12, Math.round(3600 / trace.stepS))
  const text = (row: number) => momentText(trace.startsOn, row * trace.stepS, preference)
  return (
    <Box sx={{ display: 'flex', mt: 0.5, borderTop: 1, borderColor: 'divider', pt: 0.5, pb: 2 }}>
      <Box sx={{ width: GUTTER, flexShrink: 0, fontSize: 13.5, fontWeight: 700 }}>
        Whole span
        <Box sx={{ fontSize: 12, fontWeight: 400, color: 'text.secondary' }}>drag the ends</Box>
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, position: 'relative' }}>
        <Lane lane={small} span={whole} stepS={trace.stepS} preference={preference} />
        <Box sx={{ position: 'absolute', left: SCALE_PX, right: RIGHT_PX, top: 8 }}>
          <Slider
            size="small"
            value={[span.fromRow, span.toRow]}
            min={0}
            max={trace.filled}
            step={Math.max(1, Math.round(600 / trace.stepS))}
            disableSwap
            getAriaLabel={(index) => (index === 0 ? 'shown from' : 'shown to')}
            getAriaValueText={text}
            onChange={(_, value) => {
              const [fromRow, toRow] = value as [number, number]
              if (toRow - fromRow >= least) onSpan({ fromRow, toRow })
            }}
            sx={{
              color: 'cause.speed',
              '& .MuiSlider-rail': { opacity: 0.15 },
              '& .MuiSlider-track': { opacity: 0.35 },
            }}
          />
        </Box>
        <Box sx={{ position: 'absolute', left: SCALE_PX, right: RIGHT_PX, top: 34 }}>
          <Slider
            size="small"
            value={cursor}
            min={span.fromRow}
            max={Math.max(span.fromRow + 1, span.toRow - 1)}
            step={Math.max(1, Math.round(60 / trace.stepS))}
            aria-label="moment"
            getAriaValueText={text}
            onChange={(_, value) => onCursor(value)}
            sx={{ color: 'text.primary', '& .MuiSlider-rail, & .MuiSlider-track': { opacity: 0 } }}
          />
        </Box>
      </Box>
    </Box>
  )
}
