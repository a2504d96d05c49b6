'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { roomsFlow, type FlowTable, type Per, type RoomList } from '@/core/brief/flowTable'
import { BUILT_IN_TABLES } from '@/core/brief/flowTables/builtIn'
import type { Brief } from '@/core/brief/schema'
import { formatQuantity } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { problemLine } from '@/core/words/problems'
import { Choice } from '@/ui/Choice'
import { FileButton } from '@/ui/FileButton'
import { FormRow } from '@/ui/FormRow'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'
import { useWorkingCopy } from '@/ui/workingCopy/context'

const PER_WORDS: Record<Per, string> = { room: 'each', person: 'a person', m2: 'a m²' }
const PER_QUANTITY: Record<Per, Quantity> = { room: 'count', person: 'count', m2: 'area' }

/** What the rooms want together by a table: one that came with the program, or the technician’s own file. */
export function Rooms({ brief }: { brief: Brief }) {
  const edit = useWorkingCopy((state) => state.edit)
  const [problems, setProblems] = useState<readonly string[]>([])
  const { rooms } = brief
  const change: ChangeRooms = (label, recipe, key) =>
    edit(
      `rooms: ${label}`,
      (draft) => {
        if (draft.brief.rooms) recipe(draft.brief.rooms)
      },
      key && `rooms-${key}`,
    )
  const take = (table: FlowTable | null) =>
    edit('table of flows', (draft) => {
      if (table) draft.brief.rooms = { table, lines: draft.brief.rooms?.lines ?? [] }
      else delete draft.brief.rooms
    })
  async function open(file: File): Promise<void> {
    // Fetched when it is needed: the page does without the reader until then.
    const { readFlowTable } = await import('@/core/brief/readFlowTable')
    const read = readFlowTable(await file.text(), file.name)
    setProblems(read.ok ? [] : read.problems.map(problemLine))
    if (read.ok) take(read.value)
  }
  const isOwn = rooms !== undefined && !BUILT_IN_TABLES.some(({ name }) => name === rooms.table.name)
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        Rooms by a table
      </Typography>
      <FormRow
        label="Table"
        hint={rooms ? `${rooms.table.edition}. Check the document before calling it the legal figure.` : undefined}
      >
        <Choice
          label="table of flows"
          value={rooms?.table.name ?? ''}
          options={[
            ['', 'none'],
            ...BUILT_IN_TABLES.map(({ name }) => [name, name] as const),
            ...(isOwn ? [[rooms.table.name, rooms.table.name] as const] : []),
          ]}
          onChange={(name) =>
            take(BUILT_IN_TABLES.find((table) => table.name === name) ?? (name ? (rooms?.table ?? null) : null))
          }
        />{' '}
        <FileButton label="Table of flows" accept=".json,.csv,.txt" onFile={(file) => void open(file)} size="small">
          A table of your own…
        </FileButton>
        {problems.length > 0 && (
          <Notice grave title="The table was not taken; the one before stays.">
            {problems.join(' ')}
          </Notice>
        )}
      </FormRow>
      {rooms?.lines.map((line, index) => (
        <RoomLine key={index} line={line} index={index} table={rooms.table} onChange={change} />
      ))}
      {rooms && (
        <Box>
          <Button
            size="small"
            disabled={rooms.lines.length >= 60}
            onClick={() => change('add', (held) => void held.lines.push({ room: held.table.rows[0]!.room, count: 1 }))}
          >
            Add a room
          </Button>
        </Box>
      )}
      {rooms && <RoomsTogether brief={brief} rooms={rooms} />}
    </>
  )
}

type ChangeRooms = (label: string, recipe: (held: RoomList) => void, key?: string) => void
type LineProps = { line: RoomList['lines'][number]; index: number; table: FlowTable; onChange: ChangeRooms }

/** One kind of room, and how many of it. */
function RoomLine({ line, index, table, onChange }: LineProps) {
  const onDone = useWorkingCopy((state) => state.endGesture)
  const preference = usePreference()
  const row = table.rows.find(({ room }) => room === line.room)
  return (
    <FormRow label={`Line ${index + 1}`}>
      <Choice
        label={`room of line ${index + 1}`}
        value={line.room}
        options={[
          ...table.rows.map(
            ({ room, flowLs, per }) =>
              [room, `${room}, ${formatQuantity(flowLs, 'flow', preference, 1)} ${PER_WORDS[per]}`] as const,
          ),
          ...(row ? [] : [[line.room, `${line.room}: not in this table`] as const]),
        ]}
        onChange={(room) => onChange('room', (held) => void (held.lines[index]!.room = room))}
      />
      {' × '}
      <QuantityField
        label={`how many of line ${index + 1}`}
        quantity={PER_QUANTITY[row?.per ?? 'room']}
        value={line.count}
        limits={[0.01, 10000]}
        onDone={onDone}
        onChange={(count) => onChange('count', (held) => void (held.lines[index]!.count = count), `count-${index}`)}
      />
      <IconButton
        size="small"
        aria-label={`Remove line ${index + 1} of the rooms`}
        onClick={() => onChange('remove', (held) => void held.lines.splice(index, 1))}
      >
        ×
      </IconButton>
    </FormRow>
  )
}

/** What all of them want together, and the way to take it over. */
function RoomsTogether({ brief, rooms }: { brief: Brief; rooms: RoomList }) {
  const edit = useWorkingCopy((state) => state.edit)
  const preference = usePreference()
  const sum = roomsFlow(rooms)
  const flowLs = Number(sum.flowLs.toPrecision(6))
  if (!(sum.flowLs > 0)) return null
  const unknown = sum.unknown.join(', ')
  return (
    <FormRow label="Together" hint={unknown && `Not counted: ${unknown}. This table does not have them.`}>
      <b>{formatQuantity(sum.flowLs, 'flow', preference, 1)}</b>{' '}
      {brief.requiredFlow?.flowLs !== flowLs && (
        <TextButton
          onClick={() =>
            edit('required flow', (draft) => {
              const { table } = draft.brief.rooms!
              draft.brief.requiredFlow = {
                flowLs,
                why: `Rooms by “${table.name}”, ${table.edition}`.slice(0, 300),
              }
            })
          }
        >
          Take the rooms’ flow as the one never to fall below
        </TextButton>
      )}
    </FormRow>
  )
}
