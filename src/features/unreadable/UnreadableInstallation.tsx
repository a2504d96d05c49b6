'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { readInstallationText } from '@/core/installation/read'
import type { Problem } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'
import { replaceTextAction, placeAction } from '@/server/actions'
import { NO_ANSWER, whyNot } from '@/ui/answer'
import { MONO } from '@/ui/theme'

type Props = {
  id: string
  name: string
  siteName: string
  version: number
  /** The stored document as text, in the canonical order. */
  text: string
  problems: readonly Problem[]
}

/** An installation whose stored document this program cannot open: what is wrong with it, and the ways out. */
export function UnreadableInstallation({ id, name, siteName, version, text: stored, problems }: Props) {
  const router = useRouter()
  const [text, setText] = useState(stored)
  // One id for as long as the text stays as it is: pressing again after a broken line keeps it once.
  const saveId = useMemo(() => (text === stored ? '' : crypto.randomUUID()), [text, stored])
  const [message, setMessage] = useState<string | null>(null)
  const read = readInstallationText(text)
  const found = read.ok ? [] : text === stored ? problems : read.problems

  async function keep(): Promise<void> {
    const answer = await replaceTextAction({ id, saveId, version, text }).catch(() => NO_ANSWER)
    if (answer.kind === 'done') return router.refresh()
    setMessage(whyNot(answer))
  }
  async function setAside(): Promise<void> {
    const answer = await placeAction({ kind: 'installation', id, place: 'aside' }).catch(() => NO_ANSWER)
    if (answer.kind === 'done') router.push('/yard')
    else setMessage(whyNot(answer))
  }

  return (
    <Box
      component="main"
      sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 3 }, py: 2 }}
    >
      <Typography variant="h1">{name}</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1.5 }}>{siteName}</Typography>
      <Typography sx={{ maxWidth: 720 }}>
        This document cannot be opened: another version of the program, or a hand, wrote something into it that does not
        belong there. Nothing of it is lost. Mend it below and keep it, export it as it is, or archive it.
      </Typography>
      <Box component="ul" aria-label="What is wrong" sx={{ maxWidth: 900 }}>
        {found.slice(0, 20).map((problem) => (
          <Typography component="li" key={problemLine(problem)}>
            {problemLine(problem)}
          </Typography>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', my: 1.5 }}>
        <Button variant="contained" disabled={!read.ok} onClick={() => void keep()}>
          Keep the mended text
        </Button>
        <Button variant="outlined" href={`/api/installation/${id}/export`} download>
          Export as it is
        </Button>
        <Button variant="outlined" onClick={() => void setAside()}>
          Archive it
        </Button>
        <Button variant="outlined" component={Link} href="/yard">
          To the yard
        </Button>
      </Box>
      {message && (
        <Typography role="alert" sx={{ color: 'error.main', mb: 1 }}>
          {message}
        </Typography>
      )}
      <TextField
        label="The document as text"
        value={text}
        onChange={(event) => setText(event.target.value)}
        multiline
        fullWidth
        minRows={12}
        maxRows={32}
        slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: MONO, fontSize: 13 } } }}
      />
    </Box>
  )
}
