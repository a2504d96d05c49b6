'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { guessLayout, type LayoutGuess } from '@/core/formats/readingsCsv/guessLayout'
import type { ReadingLayout } from '@/core/formats/readingsCsv/layout'
import { LARGEST_READINGS_BYTES } from '@/core/formats/readingsCsv/limit'
import type { Problem } from '@/core/json/problem'
import type { Feeds } from '@/core/rehearse/feeds'
import { problemLine } from '@/core/words/problems'
import { LayoutForm } from '@/features/readings/LayoutForm'
import { FileButton } from '@/ui/FileButton'
import { usePart } from '@/ui/workingCopy/context'

const LOOK_BYTES = 65_536

type State =
  | { kind: 'idle' }
  | { kind: 'looking'; file: File; guess: LayoutGuess }
  | { kind: 'sending'; name: string }
  | { kind: 'refused'; lines: readonly string[] }

/** Brings a logger's CSV in: what was found in it is shown, confirmed or corrected, and only then it is sent. */
export function ImportFile({ installationId, onSent }: { installationId: string; onSent: () => void }) {
  const brief = usePart('brief')
  const response = usePart('response')
  const [state, setState] = useState<State>({ kind: 'idle' })

  async function look(file: File): Promise<void> {
    if (file.size > LARGEST_READINGS_BYTES) {
      setState({
        kind: 'refused',
        lines: [
          `${file.name} has ${Math.round(file.size / 1e6)} MB; the most is ${LARGEST_READINGS_BYTES / 1e6}. Cut it by month and import the parts one after another.`,
        ],
      })
      return
    }
    const guess = guessLayout(await file.slice(0, LOOK_BYTES).text())
    setState(
      guess.ok
        ? { kind: 'looking', file, guess: guess.value }
        : { kind: 'refused', lines: guess.problems.map(problemLine) },
    )
  }

  async function send(file: File, layout: ReadingLayout, feeds: Feeds): Promise<void> {
    setState({ kind: 'sending', name: file.name })
    const query = new URLSearchParams({
      installation: installationId,
      name: file.name.slice(0, 120),
      layout: JSON.stringify(layout),
      feeds: JSON.stringify(feeds),
    })
    const answer = await fetch(`/api/readings/${crypto.randomUUID()}?${query.toString()}`, {
      method: 'POST',
      body: file,
    }).catch(() => null)
    const result = answer && ((await answer.json().catch(() => null)) as { kind: string; problems?: Problem[] } | null)
    if (result?.kind === 'done') {
      setState({ kind: 'idle' })
      onSent()
    } else
      setState({
        kind: 'refused',
        lines: result?.problems?.map(problemLine) ?? [
          'The file could not be sent just now; nothing of it was kept. Try again in a moment.',
        ],
      })
  }

  return (
    <Box sx={{ mb: 1.5 }}>
      <Typography variant="body2" sx={{ mb: 0.75 }}>
        A CSV with headings: a time, and what was read, named with its unit. What is found in it is shown first.
      </Typography>
      <FileButton
        label="Readings file"
        accept=".csv,.txt,text/csv,text/plain"
        onFile={(file) => void look(file)}
        variant="outlined"
        size="small"
        sx={{ minHeight: { xs: 56, sm: 30 } }}
      >
        Choose a file…
      </FileButton>
      {state.kind === 'looking' && (
        <LayoutForm
          key={`${state.file.name}-${state.file.lastModified}`}
          name={state.file.name}
          guess={state.guess}
          onLeave={() => setState({ kind: 'idle' })}
          where={{ brief, response }}
          onImport={(layout, feeds) => void send(state.file, layout, feeds)}
        />
      )}
      {state.kind === 'sending' && (
        <Box role="status">
          <Typography variant="body2">Sending {state.name}…</Typography>
          <LinearProgress aria-label={`Sending ${state.name}`} />
        </Box>
      )}
      {state.kind === 'refused' && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {state.lines.map((line) => (
            <div key={line}>{line}</div>
          ))}
          Nothing of the file was kept.
        </Alert>
      )}
    </Box>
  )
}
