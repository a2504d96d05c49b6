'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useState } from 'react'
import { actionText, dialIn } from '@/core/controller/dialIn'
import { fit } from '@/core/controller/fit'
import { lossText } from '@/core/sentences/lossText'
import type { ControllerModel } from '@/core/controller/schema'
import { readInstallationText } from '@/core/installation/read'
import type { Installation } from '@/core/installation/installation'
import type { UnitPreference } from '@/core/quantity/format'
import { fitPlace } from '@/core/kit/fitPlace'
import { Choice } from '@/ui/Choice'
import { Notice } from '@/ui/Notice'

export type Named = { readonly id: string; readonly name: string }

/** What a technician would be told to press for the response of one of the installations, and what this model could not do of it. */
export function ActionsPreview({
  model,
  installations,
  preference,
}: {
  model: ControllerModel
  installations: readonly Named[]
  preference: UnitPreference
}) {
  const [chosen, setChosen] = useState(installations[0]?.id ?? '')
  const [document, setDocument] = useState<Installation | null>(null)
  useEffect(() => {
    if (chosen === '') return
    let isCurrent = true
    void fetch(`/api/installation/${chosen}/export`)
      .then((answer) => (answer.ok ? answer.text() : ''))
      .catch(() => '')
      .then((text) => {
        const read = readInstallationText(text)
        if (isCurrent) setDocument(read.ok ? read.value : null)
      })
    return () => {
      isCurrent = false
    }
  }, [chosen])
  const made = useMemo(() => {
    if (!document) return null
    const fitted = fit(document.response, model, fitPlace(document))
    return { losses: fitted.losses, actions: dialIn(model, fitted, undefined, preference) }
  }, [document, model, preference])
  if (installations.length === 0)
    return (
      <Typography variant="body2">With an installation in the yard, what to press for it is shown here.</Typography>
    )
  return (
    <>
      For{' '}
      <Choice
        label="installation for the actions"
        value={chosen}
        options={installations.map(({ id, name }) => [id, name] as const)}
        onChange={setChosen}
      />
      {made && (
        <Box component="ol" sx={{ pl: 2.5, my: 1, fontSize: '0.875rem' }}>
          {made.actions.map(({ id, title, how, seen }) => (
            <li key={id}>
              <b>{actionText(title)}</b> {actionText(how)} <i>{seen}</i>
            </li>
          ))}
        </Box>
      )}
      {made && document && made.losses.length > 0 && (
        <Notice title={`It would do ${made.losses.length} things otherwise than asked there.`}>
          {made.losses.map((loss) => lossText(loss, document.response, preference).title).join(' ')}
        </Notice>
      )}
    </>
  )
}
