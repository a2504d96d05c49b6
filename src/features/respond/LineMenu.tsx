'use client'

import IconButton from '@mui/material/IconButton'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { useState } from 'react'
import { valueAt, type Path } from '@/core/json/path'
import type { Response } from '@/core/response/schema'
import type { Rule } from '@/core/rules/table'
import { canCopy, duplicate, move, remove, switchOff, standsAt, switchOn } from '@/core/sentences/change'
import { lines, sentenceContext } from '@/core/sentences/table'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { place: Path; switchedOffAt: number | null; name: string; onNote: () => void }

/** What can be done with a sentence: what its kind offers, off, copy, move, note, remove. */
export function LineMenu({ name, ...line }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  return (
    <>
      <IconButton
        size="small"
        aria-label={`${name}: off, move, copy, remove`}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ color: 'text.secondary', minWidth: { xs: 44, sm: 28 }, minHeight: { xs: 44, sm: 28 } }}
      >
        ⋮
      </IconButton>
      {anchor && <OpenMenu {...line} name={name} anchor={anchor} onClose={() => setAnchor(null)} />}
    </>
  )
}

function OpenMenu({
  place,
  switchedOffAt,
  name,
  onNote,
  anchor,
  onClose,
}: Props & { anchor: HTMLElement; onClose: () => void }) {
  const document = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const line = lines(document.response).find((held) => held.place === place && held.switchedOffAt === switchedOffAt)
  if (!line) return null
  const { kind, value, behaviour } = line
  const rule = behaviour === 'rule' ? (value as Rule) : null
  const index = rule ? document.response.rules.indexOf(rule) : -1
  const isOff = switchedOffAt !== null || rule?.off === true
  const act = (label: string, change: (draft: Response) => void) => () => {
    onClose()
    edit(`${label}: ${name}`, ({ response }) => change(response))
  }
  const more = isOff ? [] : (kind.more?.(value, sentenceContext(document)) ?? [])
  const items: readonly (readonly [label: string, onClick: () => void])[] = [
    ...more.map(({ label, change }) => [label, act(label, (draft) => change(valueAt(draft, standsAt(line))))] as const),
    ...(kind.isFixed
      ? []
      : [
          isOff
            ? (['Switch on', act('on', (draft) => switchOn(draft, line))] as const)
            : (['Switch off, keep it here', act('off', (draft) => switchOff(draft, line))] as const),
        ]),
    ...(canCopy(line) && switchedOffAt === null
      ? [['Copy', act('copy', (draft) => duplicate(draft, line))] as const]
      : []),
    ...(rule && index > 0 ? [['Move up', act('move', (draft) => move(draft, rule.id, -1))] as const] : []),
    ...(rule && index < document.response.rules.length - 1
      ? [['Move down', act('move', (draft) => move(draft, rule.id, 1))] as const]
      : []),
    [
      'Note…',
      () => {
        onClose()
        onNote()
      },
    ],
    ...(kind.isFixed ? [] : [['Remove', act('remove', (draft) => remove(draft, line))] as const]),
  ]
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      {items.map(([label, onClick]) => (
        <MenuItem key={label} onClick={onClick}>
          {label}
        </MenuItem>
      ))}
    </Menu>
  )
}
