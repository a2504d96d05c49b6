'use client'

import { useRouter } from 'next/navigation'
import type { DateStyle } from '@/core/quantity/dateStyle'
import type { DecimalMark } from '@/core/quantity/format'
import type { Display, TextSize } from '@/core/quantity/display'
import { Section } from '@/features/account/Section'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'

type Props = { display: Display; onDisplay: (display: Display) => Promise<unknown> }

const SIZES: readonly (readonly [TextSize, string])[] = [
  ['usual', 'as usual'],
  ['large', 'large'],
  ['larger', 'larger still'],
]
const HANDS: readonly (readonly [Display['hand'], string])[] = [
  ['right', 'the right'],
  ['left', 'the left'],
]

const ORDERS: readonly (readonly [DateStyle['order'], string])[] = [
  ['day', '15 Apr 2026'],
  ['month', 'Apr 15, 2026'],
  ['year', '2026-04-15'],
]
const CLOCK_WORDS: readonly (readonly [DateStyle['clock'], string])[] = [
  ['24', '14:20'],
  ['12', '2:20 PM'],
]
const WEEK_WORDS: readonly (readonly [DateStyle['weekFrom'], string])[] = [
  ['mon', 'Monday'],
  ['sat', 'Saturday'],
  ['sun', 'Sunday'],
]

const MARKS: readonly (readonly [DecimalMark, string])[] = [
  ['.', 'a point: 18.5'],
  [',', 'a comma: 18,5'],
]

/** How screens are to be for this person, wherever they sign in. */
export function Screen({ display, onDisplay }: Props) {
  const router = useRouter()
  const { dates } = display
  const choose = (change: Partial<Display>) => void onDisplay({ ...display, ...change }).then(() => router.refresh())
  return (
    <Section title="Screen and dates">
      <FormRow label="Text">
        <Choice
          label="size of text"
          value={display.textSize}
          options={SIZES}
          onChange={(textSize) => choose({ textSize })}
        />
      </FormRow>
      <FormRow label="Decimals">
        <Choice
          label="what stands before decimals"
          value={display.decimalMark}
          options={MARKS}
          onChange={(decimalMark) => choose({ decimalMark })}
        />
      </FormRow>
      <FormRow label="Dates">
        <Choice
          label="how dates are written"
          value={dates.order}
          options={ORDERS}
          onChange={(order) => choose({ dates: { ...dates, order } })}
        />
      </FormRow>
      <FormRow label="Time of day">
        <Choice
          label="how times of day are written"
          value={dates.clock}
          options={CLOCK_WORDS}
          onChange={(clock) => choose({ dates: { ...dates, clock } })}
        />
      </FormRow>
      <FormRow label="The week begins on">
        <Choice
          label="first day of the week"
          value={dates.weekFrom}
          options={WEEK_WORDS}
          onChange={(weekFrom) => choose({ dates: { ...dates, weekFrom } })}
        />
      </FormRow>
      <FormRow label="Hand on a phone">
        <Choice label="hand on a phone" value={display.hand} options={HANDS} onChange={(hand) => choose({ hand })} />
      </FormRow>
    </Section>
  )
}
