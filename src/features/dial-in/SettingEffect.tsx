'use client'

import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { fit } from '@/core/controller/fit'
import { measureCurve } from '@/core/controller/measureLoss'
import type { PartSetting } from '@/core/controller/schema'
import { formatNumber, formatQuantity } from '@/core/quantity/format'
import { inputQuantity } from '@/core/rules/input'
import { fitPlace } from '@/core/kit/fitPlace'
import { usePreference } from '@/ui/preference'
import { SettingField } from '@/ui/SettingField'
import { useDerived, usePart } from '@/ui/workingCopy/context'

/** What the fan would do with another value of a setting than is wanted: how far the curves lie apart, and where most. */
export function SettingEffect({ setting, wanted }: { setting: PartSetting; wanted: number }) {
  const [tried, setTried] = useState(wanted)
  const response = usePart('response')
  const brief = usePart('brief')
  const kit = usePart('kit')
  const { controller } = kit
  const { given } = useDerived()
  const preference = usePreference()
  const difference = useMemo(() => {
    if (!controller) return null
    const instead = fit(response, controller, fitPlace({ brief, kit, response }), [
      { setting: setting.id, value: tried },
    ])
    return measureCurve(given.response, instead.given)
  }, [controller, response, brief, kit, given.response, setting.id, tried])
  const input = response.inputs.find(({ id }) => id === difference?.input)
  return (
    <Typography variant="body2" component="div" role="status">
      With{' '}
      <SettingField label={`try another value: ${setting.name}`} setting={setting} value={tried} onChange={setTried} />{' '}
      instead:{' '}
      {difference === null || difference.greatestPct < 0.05
        ? 'the speed is the same at every reading; what follows times and contacts may differ.'
        : `up to ${formatNumber(difference.greatestPct, 0, preference)} points of speed apart, most at ${formatQuantity(difference.at, inputQuantity(input), preference)} of ${input?.name ?? difference.input}; ${formatNumber(difference.meanPct, 0, preference)} points on average.`}
    </Typography>
  )
}
