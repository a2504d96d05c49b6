'use client'

import Box from '@mui/material/Box'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import type { Target } from '@/core/brief/schema'
import { QuantityField } from '@/ui/QuantityField'
import { TextLine } from '@/ui/TextLine'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** A band to hold and a limit never to pass, as a sentence. */
export function TargetRow({ target, index }: { target: Target; index: number }) {
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const { quantity } = target
  const colour = `cause.${quantity}`
  const change = (label: string, recipe: (held: Target) => void) =>
    edit(
      `${quantity} target`,
      ({ brief }) => {
        const held = brief.targets[index]
        if (held) recipe(held)
      },
      `target-${index}-${label}`,
    )
  return (
    <Box sx={{ borderLeft: '4px solid', borderColor: colour, pl: 1.25, mb: 1 }}>
      <Typography component="div" sx={{ lineHeight: 2 }}>
        Hold{' '}
        <Box component="b" sx={{ color: colour }}>
          {quantity}
        </Box>{' '}
        between{' '}
        <QuantityField
          label={`${quantity}, low end of the band`}
          quantity={quantity}
          value={target.bandFrom}
          colour={colour}
          onDone={onDone}
          onChange={(x) => change('from', (held) => void (held.bandFrom = x))}
        />{' '}
        and{' '}
        <QuantityField
          label={`${quantity}, high end of the band`}
          quantity={quantity}
          value={target.bandTo}
          colour={colour}
          onDone={onDone}
          onChange={(x) => change('to', (held) => void (held.bandTo = x))}
        />
        , never above{' '}
        <QuantityField
          label={`${quantity}, limit`}
          quantity={quantity}
          value={target.limitAbove}
          colour={colour}
          onDone={onDone}
          onClear={() => change('limit', (held) => void (held.limitAbove = null))}
          onChange={(x) => change('limit', (held) => void (held.limitAbove = x))}
        />
        .
        <IconButton
          size="small"
          aria-label={`remove ${quantity} target`}
          sx={{ minWidth: { xs: 44, sm: 28 } }}
          onClick={() => edit(`remove ${quantity} target`, ({ brief }) => void brief.targets.splice(index, 1))}
        >
          ×
        </IconButton>
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1 }}>
        <TextLine
          label={`why this ${quantity} target`}
          placeholder="Why"
          value={target.why}
          onDone={onDone}
          onChange={(text) => change('why', (held) => void (held.why = text))}
        />
        <TextLine
          label={`source of this ${quantity} target`}
          placeholder="Where that comes from"
          value={target.source}
          onDone={onDone}
          onChange={(text) => change('source', (held) => void (held.source = text))}
        />
      </Box>
    </Box>
  )
}
