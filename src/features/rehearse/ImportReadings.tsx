'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { LARGEST_READINGS_BYTES } from '@/core/formats/readingsCsv/limit'
import { problemLine, type Problem } from '@/core/problem'
import { FileButton } from '@/ui/FileButton'

type Line =
  | { kind: 'progress'; share: number }
  | { kind: 'done'; file: { id: string; lineCount: number } }
  | { kind: 'invalid'; problems: readonly Problem[] }
  | { kind: 'unknown' | 'signed-out' | 'unavailable' }
type State =
  | { kind: 'idle' }
  | { kind: 'importing'; share: number }
  | { kind: 'refused'; lines: readonly string[] }
  | { kind: 'done'; lineCount: number }

/** Lines of JSON as they come. */
async function* answerLines(answer: Response): AsyncGenerator<Line> {
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  while (reader) {
    const { done, value } = await reader.read()
    rest += value ?? ''
    const lines = rest.split('\n')
    rest = lines.pop() ?? ''
    for (const line of [...lines, ...(done && rest ? [rest] : [])]) if (line.trim()) yield JSON.parse(line) as Line
    if (done) return
  }
}

/** Brings a logger's CSV in; every bad line is named, and a file with one is not half-imported. */
export function ImportReadings({
  installationId,
  onImported,
}: {
  installationId: string
  onImported: (fileId: string) => void
}) {
  const router = useRouter()
  const [state, setState] = useState<State>({ kind: 'idle' })

  async function send(file: File): Promise<void> {
    if (file.size > LARGEST_READINGS_BYTES) {
      setState({
        kind: 'refused',
        lines: [
          `${file.name} has ${Math.round(file.size / 1e6)} MB; the most is ${LARGEST_READINGS_BYTES / 1e6}. Cut it by month and import the parts one after another.`,
        ],
      })
      return
    }
    setState({ kind: 'importing', share: 0 })
    const query = new URLSearchParams({ installation: installationId, name: file.name })
    const answer = await fetch(`/api/readings/${crypto.randomUUID()}?${query.toString()}`, {
      method: 'POST',
      body: file,
    })
    for await (const line of answerLines(answer)) {
      if (line.kind === 'progress') setState({ kind: 'importing', share: line.share })
      else if (line.kind === 'done') {
        setState({ kind: 'done', lineCount: line.file.lineCount })
        router.refresh()
        onImported(line.file.id)
      } else if (line.kind === 'invalid') setState({ kind: 'refused', lines: line.problems.map(problemLine) })
      else
        setState({
          kind: 'refused',
          lines: ['The server could not take the file just now; nothing of it was kept. Try again in a moment.'],
        })
    }
  }

  const onFile = (file: File): void => {
    send(file).catch(() =>
      setState({
        kind: 'refused',
        lines: ['The line to the server broke; nothing of the file was kept. Try again in a moment.'],
      }),
    )
  }

  return (
    <Box sx={{ mb: 1.5 }}>
      <Typography variant="body2" sx={{ mb: 0.75 }}>
        A CSV with the headings <i>time</i> and <i>temperature (°C)</i>, and <i>humidity (%RH)</i> if you have it.
      </Typography>
      <FileButton label="Readings file" accept=".csv,text/csv" onFile={onFile} variant="outlined" size="small">
        Import a file…
      </FileButton>
      <Box role="status" sx={{ mt: 0.75 }}>
        {state.kind === 'importing' && (
          <LinearProgress
            variant={state.share > 0 ? 'determinate' : 'indeterminate'}
            value={state.share * 100}
            aria-label="Importing"
          />
        )}
        {state.kind === 'done' && (
          <Typography variant="body2">{state.lineCount.toLocaleString('en')} lines imported.</Typography>
        )}
        {state.kind === 'refused' && (
          <Alert severity="error" variant="outlined">
            {state.lines.map((line) => (
              <div key={line}>{line}</div>
            ))}
            Nothing of the file was kept.
          </Alert>
        )}
      </Box>
    </Box>
  )
}
