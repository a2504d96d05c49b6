'use client'

import { useRef } from 'react'
import type { Scale } from '@/features/respond/views/Plot'
import { dragHandle } from '@/ui/dragHandle'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type Point = { readonly x: number; readonly y: number }

type Props = {
  scale: Scale
  name: string
  at: Point
  /** What a screen reader says of it. */
  wording: string
  range: readonly [from: number, to: number]
  /** One press of an arrow key; no `y` where it moves along x alone. */
  step: { readonly x: number; readonly y?: number }
  colour: string
  /** `free`: not to be snapped (Alt is held). */
  onPlace: (wanted: Point, free: boolean) => void
}

/** A handle on a chart: mouse, touch and keys; it snaps to what the controller can be set to, and Alt goes free. */
export function DragHandle({ scale, name, at, wording, range, step, colour, onPlace }: Props) {
  const endGesture = useWorkingCopy((state) => state.endGesture)
  const circle = useRef<SVGCircleElement>(null)
  return (
    <circle
      ref={circle}
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={range[0]}
      aria-valuemax={range[1]}
      aria-valuenow={at.x}
      aria-valuetext={wording}
      cx={scale.toX(at.x)}
      cy={scale.toY(at.y)}
      r={9}
      fill="var(--mui-palette-ground-sheet)"
      stroke={colour}
      strokeWidth={3.5}
      style={{ cursor: 'grab', touchAction: 'none', pointerEvents: 'auto' }}
      {...dragHandle({
        hasUp: step.y !== undefined,
        onDrag(clientX, clientY, free) {
          const box = circle.current?.ownerSVGElement?.getBoundingClientRect()
          if (box) onPlace({ x: scale.fromX(clientX - box.left), y: scale.fromY(clientY - box.top) }, free)
        },
        onStep: (right, up, free) => onPlace({ x: at.x + right * step.x, y: at.y + up * (step.y ?? 0) }, free),
        onEnd: endGesture,
      })}
    />
  )
}

/** To the nearest step, or to a tenth where it goes free. */
export const snapped = (value: number, step: number, free: boolean): number =>
  Number((free ? Math.round(value * 10) / 10 : Math.round(value / step) * step).toFixed(4))
