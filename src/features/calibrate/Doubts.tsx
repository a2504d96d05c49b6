'use client'

import { useMemo } from 'react'
import { sizedReadings } from '@/core/calibration/flowMap'
import { readingDoubts } from '@/core/calibration/readingDoubts'
import { doubtText, meantText } from '@/core/calibration/words'
import type { FanCalibration } from '@/core/calibration/schema'
import type { Fan } from '@/core/kit/schema'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { Notice } from '@/ui/Notice'
import { usePreference } from '@/ui/preference'

/** Readings that cannot be, or that disagree with the rest: said, and mended by a press. None is thrown away. */
export function Doubts({
  calibration,
  fan,
  onChange,
}: {
  calibration: FanCalibration
  fan: Fan
  onChange: ChangeCalibration
}) {
  const preference = usePreference()
  const doubts = useMemo(
    () => readingDoubts(sizedReadings(calibration), fan.ratedRpm, calibration.map),
    [calibration, fan.ratedRpm],
  )
  return doubts.map((doubt) => {
    const { reading, code } = doubt
    const change = (label: string, recipe: (held: FanCalibration['map'][number]) => void) =>
      onChange(label, (held) => {
        const mine = held.map.find(({ id }) => id === reading.id)
        if (mine) recipe(mine)
      })
    return (
      <Notice
        key={`${code}-${reading.id}`}
        title={doubtText(doubt, preference)}
        {...(code === 'all-equal'
          ? {}
          : {
              action:
                code === 'unit'
                  ? {
                      label: `Use ${meantText(doubt, preference)}`,
                      onClick: () => change('did you mean', (held) => void (held[doubt.field] = doubt.meant)),
                    }
                  : {
                      label: 'Exclude it',
                      onClick: () => change('excluded', (held) => void (held.setAside = true)),
                    },
            })}
      />
    )
  })
}
