'use client'

import { isMeasured, type Input } from '@/core/rules/input'
import Typography from '@mui/material/Typography'
import { canFeed, feedText, type Feed, type FeedColumn, type Feeds } from '@/core/rehearse/feeds'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { usePreference } from '@/ui/preference'
import { QuantityField } from '@/ui/QuantityField'

const MADE = 'made'
const HELD = 'held'
const HELD_OFF = 'off'
const HELD_ON = 'on'
const OUT = 'out'

type Props = {
  inputs: readonly Input[]
  columns: readonly FeedColumn[]
  feeds: Feeds
  onChange: (feeds: Feeds) => void
}

const valueOf = (input: Input, feed: Feed | undefined): string => {
  if (!feed) return MADE
  if (feed.kind === 'column') return `column-${feed.column}`
  if (feed.kind === 'left-out') return OUT
  return isMeasured(input) ? HELD : feed.value >= 0.5 ? HELD_ON : HELD_OFF
}

function optionsOf(input: Input, columns: readonly FeedColumn[]): (readonly [string, string])[] {
  const fitting = columns.flatMap((column, index) =>
    canFeed(column.quantity, input) ? [[`column-${index}`, `column “${column.name}”`] as const] : [],
  )
  return [
    ...fitting,
    ...(isMeasured(input)
      ? [...(input.combines ? [[MADE, 'made of the others'] as const] : []), [HELD, 'held at a value'] as const]
      : [[HELD_OFF, 'held off'] as const, [HELD_ON, 'held on'] as const]),
    [OUT, 'left out of the reckoning'],
  ]
}

function feedFor(input: Input, value: string): Feed | null {
  if (value.startsWith('column-')) return { kind: 'column', column: Number(value.slice('column-'.length)) }
  switch (value) {
    case MADE:
      return null
    case HELD:
      return { kind: 'hold', value: isMeasured(input) ? (input.from + input.to) / 2 : 0 }
    case HELD_ON:
      return { kind: 'hold', value: 1 }
    case HELD_OFF:
      return { kind: 'hold', value: 0 }
    default:
      return { kind: 'left-out' }
  }
}

/** Which column of a readings file is which input; what the file does not hold is held at a value, or left out of the reckoning. */
export function FeedTable({ inputs, columns, feeds, onChange }: Props) {
  const preference = usePreference()
  const put = (id: string, feed: Feed | null) => {
    const { [id]: _was, ...others } = feeds
    onChange(feed ? { ...others, [id]: feed } : others)
  }
  return inputs.map((input) => {
    const feed = feeds[input.id]
    return (
      <FormRow key={input.id} label={input.name}>
        <Choice
          label={`${input.name} takes`}
          value={valueOf(input, feed)}
          options={optionsOf(input, columns)}
          onChange={(value) => put(input.id, feedFor(input, value))}
        />{' '}
        {feed?.kind === 'hold' && isMeasured(input) && (
          <QuantityField
            label={`${input.name} is held at`}
            quantity={input.kind}
            value={feed.value}
            onChange={(value) => put(input.id, { kind: 'hold', value })}
          />
        )}
        {feed?.kind !== 'column' && feed?.kind !== 'hold' && (
          <Typography variant="body2" component="span" sx={{ color: 'text.secondary' }}>
            {feed?.kind === 'left-out' ? 'nothing that hangs on it acts' : feedText(input, feed, columns, preference)}
          </Typography>
        )}
      </FormRow>
    )
  })
}
