'use client'

import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Installation } from '@/core/installation/installation'
import { adopt } from '@/core/start/adopt'
import { canCarry, carryLine } from '@/core/start/carryLine'
import type { Response } from '@/core/response/schema'
import { Sentences } from '@/features/respond/start/Sentences'
import { Choice } from '@/ui/Choice'
import { TextButton } from '@/ui/TextButton'
import { fetchCopy } from '@/ui/workingCopy/send'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

export type OtherInstallation = { readonly id: string; readonly name: string; readonly siteName: string }

const NONE = 'none'

type Props = {
  others: readonly OtherInstallation[]
  onTake: (label: string, response: Response) => void
}

/** The response of another installation: all of it, or a sentence at a time. Its inputs become the ones here. */
export function FromOther({ others, onTake }: Props) {
  const document = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const [chosen, setChosen] = useState(NONE)
  const [other, setOther] = useState<Installation | null>(null)
  const [message, setMessage] = useState('')
  const choose = (id: string) => {
    setChosen(id)
    setOther(null)
    setMessage('')
    if (id !== NONE)
      void fetchCopy(id).then((copy) =>
        copy ? setOther(copy.document) : setMessage('It could not be fetched; nothing was lost. Choose it again.'),
      )
  }
  const fanIds = document.kit.fans.map(({ id }) => id)
  const adopted = other && adopt(document.response, other.response, fanIds)
  return (
    <>
      <Typography component="div" variant="body2" sx={{ mb: 1 }}>
        Take from{' '}
        <Choice
          label="installation to take from"
          value={chosen}
          options={[
            [NONE, 'choose…'],
            ...others.map(({ id, name, siteName }) => [id, `${name} (${siteName})`] as const),
          ]}
          onChange={choose}
        />
        . Probes, fans and what is noted stay as they are here.
      </Typography>
      {adopted && (
        <Sentences
          of={{ response: adopted, kit: document.kit }}
          behind={(line) =>
            canCarry(line) && (
              <TextButton
                onClick={() => {
                  edit('copy a sentence', (draft) => carryLine(draft.response, adopted, line))
                  setMessage('Copied. It stands with the others; undo takes it away.')
                }}
              >
                Copy this
              </TextButton>
            )
          }
        />
      )}
      <Typography role="status" variant="body2">
        {message}
      </Typography>
      {adopted && other && (
        <Button variant="contained" onClick={() => onTake(`start from ${other.name}`, adopted)}>
          Start with all of it
        </Button>
      )}
    </>
  )
}
