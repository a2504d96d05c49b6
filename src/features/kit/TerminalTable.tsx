'use client'

import Button from '@mui/material/Button'
import TableCell from '@mui/material/TableCell'
import Typography from '@mui/material/Typography'
import type { Terminal } from '@/core/kit/schema'
import { EditableRow, EditableTable } from '@/ui/EditableTable'
import { TextLine } from '@/ui/TextLine'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const COLUMNS = [
  { key: 'terminal', heading: 'Terminal', hint: 'as printed' },
  { key: 'wire', heading: 'Wire', hint: 'colour or number' },
  { key: 'goesTo', heading: 'Goes to', hint: 'what is at its other end' },
] as const satisfies readonly { key: keyof Terminal; heading: string; hint: string }[]

/** What is wired where, in the technician's own words, for whoever opens the lid next. */
export function TerminalTable() {
  const { terminals = [] } = usePart('kit')
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const change = (recipe: (list: Terminal[]) => void, key?: string) =>
    edit(
      'terminals',
      ({ kit }) => {
        kit.terminals ??= []
        recipe(kit.terminals)
      },
      key,
    )
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3 }}>
        Terminals
      </Typography>
      {terminals.length === 0 ? (
        <Typography variant="body2">
          Write down what is wired where before anything is loosened, with the supply locked off. It goes on the record.
        </Typography>
      ) : (
        <EditableTable label="Terminals" headings={COLUMNS.map(({ heading }) => heading)}>
          {terminals.map((terminal, index) => (
            <EditableRow
              key={index}
              name={`line ${index + 1} of the terminals`}
              onRemove={() => change((list) => void list.splice(index, 1))}
            >
              {COLUMNS.map(({ key, heading, hint }) => (
                <TableCell key={key}>
                  <TextLine
                    label={`${heading} of line ${index + 1}`}
                    placeholder={hint}
                    value={terminal[key]}
                    maxLength={80}
                    onDone={onDone}
                    onChange={(text) => change((list) => void (list[index]![key] = text), `terminal-${index}-${key}`)}
                  />
                </TableCell>
              ))}
            </EditableRow>
          ))}
        </EditableTable>
      )}
      <Button
        size="small"
        onClick={() => change((list) => void list.push({ terminal: '', wire: '', goesTo: '' }))}
        disabled={terminals.length >= 40}
        sx={{ minHeight: { xs: 44, sm: 30 } }}
      >
        Add a terminal
      </Button>
    </>
  )
}
