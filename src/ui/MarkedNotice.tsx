'use client'

import Alert from '@mui/material/Alert'
import { useProblemWords } from '@/ui/preference'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** What contradicted itself already in the document that was opened: it can be worked on, and is not sealed until it is right. */
export function MarkedNotice() {
  const marked = useWorkingCopy((state) => state.marked)
  const { line } = useProblemWords()
  if (marked.length === 0) return null
  return (
    <Alert severity="warning" variant="outlined" sx={{ borderRadius: 0 }}>
      {marked.length === 1 ? 'One thing' : `${marked.length} things`} in this document cannot be right; it can be worked
      on, and is not sealed until this is mended:
      <ul style={{ margin: 0, paddingLeft: '1.2em' }}>
        {marked.slice(0, 8).map((problem) => (
          <li key={line(problem)}>{line(problem)}</li>
        ))}
      </ul>
    </Alert>
  )
}
