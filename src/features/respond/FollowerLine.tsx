'use client'

import IconButton from '@mui/material/IconButton'
import { formatPct } from '@/core/quantity/format'
import type { Follower } from '@/core/response/schema'
import { capital } from '@/core/response/words'
import { SentenceRow } from '@/features/respond/SentenceRow'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { useInstant } from '@/ui/TryItValues'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const AT_LEAD_FLOOR = [
  ['follow', 'follows on'],
  ['floor', 'goes to its own floor'],
  ['off', 'stops'],
] as const

/** A fan that follows, as a sentence. The ratio is of percent, and the line says so. */
export function FollowerLine({ follower, index }: { follower: Follower; index: number }) {
  const { kit } = useDocument()
  const { asked } = useInstant()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const name = kit.fans.find(({ id }) => id === follower.fan)?.name ?? follower.fan
  const nowPct = asked?.evaluation.fans.find(({ id }) => id === follower.fan)?.speedPct
  const change = (label: string, recipe: (held: Follower) => void, key?: string) =>
    edit(
      label,
      ({ response }) => {
        const held = response.followers[index]
        if (held) recipe(held)
      },
      key,
    )
  return (
    <SentenceRow
      colour="cause.speed"
      asks={nowPct === undefined ? '–' : `${name} ${formatPct(nowPct)} %`}
      actions={
        <IconButton
          size="small"
          aria-label={`${name} no longer follows`}
          onClick={() => edit(`${name} no longer follows`, ({ response }) => void response.followers.splice(index, 1))}
          sx={{ color: 'text.secondary', minWidth: { xs: 44, sm: 28 } }}
        >
          ×
        </IconButton>
      }
    >
      <b>{capital(name)}</b> follows at{' '}
      <QuantityField
        label={`${name}, share of the lead's percent`}
        quantity="ratio"
        value={follower.ratio * 100}
        colour="cause.speed"
        onDone={onDone}
        limits={[5, 300]}
        onChange={(pct) => change('ratio', (held) => void (held.ratio = pct / 100), `ratio-${index}`)}
      />{' '}
      of the lead’s percent, not below{' '}
      <QuantityField
        label={`${name}, own floor`}
        quantity="speed"
        value={follower.floorPct}
        colour="cause.speed"
        onDone={onDone}
        onChange={(pct) => change('own floor', (held) => void (held.floorPct = pct), `own-floor-${index}`)}
      />
      ; at the lead’s floor it{' '}
      <Choice
        label={`${name} at the lead's floor`}
        value={follower.atLeadFloor}
        options={AT_LEAD_FLOOR}
        colour="cause.speed"
        onChange={(choice) => change('at the lead’s floor', (held) => void (held.atLeadFloor = choice))}
      />
      .
    </SentenceRow>
  )
}
