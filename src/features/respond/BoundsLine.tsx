'use client'

import Link from '@mui/material/Link'
import { formatPct } from '@/core/quantity/format'
import { SentenceRow } from '@/features/respond/SentenceRow'
import { QuantityField } from '@/ui/QuantityField'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'
import { useInstant } from '@/ui/TryItValues'

/** Floor, ceiling and start kick, as the first sentence. */
export function BoundsLine() {
  const { floor, ceiling, startKick } = useDocument().response
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const { asked } = useInstant()
  return (
    <SentenceRow
      colour="cause.speed"
      asks={`asks ${formatPct(floor.speedPct)} %`}
      isInCharge={asked !== null && asked.explanation.inCharge === null}
    >
      Always run at least{' '}
      <QuantityField
        label="floor"
        quantity="speed"
        value={floor.speedPct}
        colour="cause.speed"
        onDone={onDone}
        onChange={(pct) => edit('floor', ({ response }) => void (response.floor.speedPct = pct), 'floor')}
      />
      , never above{' '}
      <QuantityField
        label="ceiling"
        quantity="speed"
        value={ceiling.speedPct}
        colour="cause.speed"
        onDone={onDone}
        onChange={(pct) => edit('ceiling', ({ response }) => void (response.ceiling.speedPct = pct), 'ceiling')}
      />
      .{' '}
      {startKick ? (
        <>
          Start with{' '}
          <QuantityField
            label="start kick"
            quantity="speed"
            value={startKick.speedPct}
            colour="cause.speed"
            onDone={onDone}
            onChange={(pct) =>
              edit(
                'start kick',
                ({ response }) => void (response.startKick && (response.startKick.speedPct = pct)),
                'kick',
              )
            }
          />{' '}
          for{' '}
          <QuantityField
            label="start kick, time"
            quantity="time"
            limits={[0, 120]}
            value={startKick.holdS}
            colour="cause.speed"
            onDone={onDone}
            onChange={(holdS) =>
              edit(
                'start kick time',
                ({ response }) => void (response.startKick && (response.startKick.holdS = holdS)),
                'kick-time',
              )
            }
          />
          .{' '}
          <Link
            component="button"
            type="button"
            variant="body2"
            onClick={() => edit('no start kick', ({ response }) => void (response.startKick = null))}
          >
            No start kick
          </Link>
        </>
      ) : (
        <Link
          component="button"
          type="button"
          variant="body2"
          onClick={() =>
            edit(
              'start kick',
              ({ response }) => void (response.startKick = { speedPct: Math.max(60, floor.speedPct), holdS: 4 }),
            )
          }
        >
          Add a start kick
        </Link>
      )}
    </SentenceRow>
  )
}
