'use client'

import { useRouter } from 'next/navigation'
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

/** How screens are to be for this person, wherever they sign in. */
export function Screen({ display, onDisplay }: Props) {
  const router = useRouter()
  const choose = (change: Partial<Display>) => void onDisplay({ ...display, ...change }).then(() => router.refresh())
  return (
    <Section title="Screen">
      <FormRow label="Text">
        <Choice
          label="size of text"
          value={display.textSize}
          options={SIZES}
          onChange={(textSize) => choose({ textSize })}
        />
      </FormRow>
      <FormRow label="Hand on a phone">
        <Choice label="hand on a phone" value={display.hand} options={HANDS} onChange={(hand) => choose({ hand })} />
      </FormRow>
    </Section>
  )
}
