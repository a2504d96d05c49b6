'use client'

import IconButton from '@mui/material/IconButton'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { useState } from 'react'
import { canCopy, duplicate, move, remove, rest, standsAt, wake } from '@/core/response/behaviour/change'
import { telling, type Line } from '@/core/response/behaviour/table'
import { valueAt } from '@/core/document/place'
import type { Response, Rule } from '@/core/response/schema'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { line: Line; name: string; onNote: () => void }

/** What can be done with a sentence: what its kind offers, off, copy, move, note, remove. */
export function LineMenu({ line, name, onNote }: Props) {
  const document = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const { kind, value, behaviour, asideAt } = line
  const rule = behaviour === 'rule' ? (value as Rule) : null
  const index = rule ? document.response.rules.indexOf(rule) : -1
  const isOff = asideAt !== null || rule?.off === true
  const act = (label: string, change: (draft: Response) => void) => () => {
    setAnchor(null)
    edit(`${label}: ${name}`, ({ response }) => change(response))
  }
  const more = isOff ? [] : (kind.more?.(value, telling(document)) ?? [])
  const items = [
    ...more.map(({ label, change }) => [label, act(label, (draft) => change(valueAt(draft, standsAt(line))))] as const),
    ...(kind.isFixed
      ? []
      : [
          isOff
            ? (['Switch on', act('on', (draft) => wake(draft, line))] as const)
            : (['Switch off, keep it here', act('off', (draft) => rest(draft, line))] as const),
        ]),
    ...(canCopy(line) && asideAt === null ? [['Copy', act('copy', (draft) => duplicate(draft, line))] as const] : []),
    ...(rule && index > 0 ? [['Move up', act('move', (draft) => move(draft, rule.id, -1))] as const] : []),
    ...(rule && index < document.response.rules.length - 1
      ? [['Move down', act('move', (draft) => move(draft, rule.id, 1))] as const]
      : []),
    [
      'Note…',
      () => {
        setAnchor(null)
        onNote()
      },
    ] as const,
    ...(kind.isFixed ? [] : [['Remove', act('remove', (draft) => remove(draft, line))] as const]),
  ]
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
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {items.map(([label, onClick]) => (
          <MenuItem key={label} onClick={onClick}>
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  )
}
