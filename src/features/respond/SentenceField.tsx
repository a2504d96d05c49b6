'use client'

import { putFigure } from '@/core/sentences/change'
import { joinPaths, type Path } from '@/core/json/path'
import type { BlankPart } from '@/core/rules/kind'
import { memo } from 'react'
import { sameData } from '@/ui/sameData'
import { Choice } from '@/ui/Choice'
import { ClockField } from '@/ui/ClockField'
import { DateField } from '@/ui/DateField'
import { YearDayField } from '@/ui/YearDayField'
import { DaysField } from '@/ui/DaysField'
import { QuantityField } from '@/ui/QuantityField'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { part: BlankPart; /** Where the sentence's part stands in the response. */ place: Path; colour: string }

/** The end of a day may be 24:00, its start may not. */
const mostMinutes = (path: string): number => (path.endsWith('endMin') ? 1440 : 1439)

/** A blank of a sentence, to be typed, turned or chosen. Drawn again only when it says something else: a drag moves two of fifty. */
export const SentenceField = memo(function SentenceField({ part, place, colour }: Props) {
  const edit = useWorkingCopy((state) => state.edit)
  const endGesture = useWorkingCopy((state) => state.endGesture)
  const at = joinPaths(place, part.path)
  const put = (value: unknown) => edit(part.label, ({ response }) => putFigure(response, at, value), at)
  const putAtOnce = (value: unknown) => {
    put(value)
    endGesture()
  }
  switch (part.kind) {
    case 'choice':
      return (
        <Choice
          label={part.label}
          value={part.value}
          options={part.options}
          colour={colour}
          onChange={(value) => putAtOnce(part.puts ? part.puts[value] : value)}
        />
      )
    case 'clock':
      return (
        <ClockField
          label={part.label}
          value={part.value}
          most={mostMinutes(part.path)}
          colour={colour}
          onChange={put}
          onDone={endGesture}
        />
      )
    case 'day':
      return part.isDate ? (
        <DateField label={part.label} value={part.value} onChange={(day) => day !== null && putAtOnce(day)} />
      ) : (
        <YearDayField label={part.label} value={part.value} colour={colour} onChange={putAtOnce} />
      )
    case 'days':
      return <DaysField label={part.label} value={part.value} colour={colour} onChange={putAtOnce} />
    case 'field': {
      const perBase = part.perBase ?? 1
      return (
        <QuantityField
          label={part.label}
          quantity={part.quantity}
          value={part.value}
          limits={part.limits}
          onChange={(value) => put(value / perBase)}
          onDone={endGesture}
          colour={colour}
        />
      )
    }
  }
}, sameData)
