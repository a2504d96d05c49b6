import type { Installation } from '@/core/installation/installation'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Measure } from '@/core/rehearse/measures'
import { measureName, measureValue, momentText } from '@/core/rehearse/words'
import { uncapital } from '@/core/sentences/words'
import type { Rehearsed } from '@/core/scenario/rehearsed'

const SPAN: Readonly<Record<number, string>> = { 1: 'a day', 7: 'a week', 91: 'a season' }

function short(measure: Measure, startsOn: string, preference: UnitPreference): string {
  const at = measure.atS === null ? '' : `, worst ${momentText(startsOn, measure.atS)}`
  return `${uncapital(measureName(measure, preference))} ${measureValue(measure, preference)}${at}`
}

/** A rehearsal in one line: what it failed, else that it keeps what was asked. */
function lineOf({ name, days, startsOn, measures }: Rehearsed, preference: UnitPreference): string {
  const whole = measures.map((measure): Measure => ({ ...measure, better: null }))
  const failed = whole.filter(({ verdict }) => verdict === 'fail')
  const kept = whole.filter(({ verdict }) => verdict === 'pass').length
  const said =
    failed.length > 0
      ? failed.map((measure) => short(measure, startsOn, preference)).join('; ')
      : kept > 0
        ? 'keeps all that the brief asks of it'
        : 'nothing of it was asked by the brief'
  return `${name}, ${SPAN[days] ?? `${days} days`}: ${said}`
}

/** What was rehearsed of an installation, in short, for the record. One of a response that was changed since says so. */
export const rehearsedLines = (
  { rehearsed = [] }: Pick<Installation, 'rehearsed'>,
  givenMark: string,
  preference: UnitPreference = METRIC,
): { readonly key: string; readonly text: string; readonly isCurrent: boolean }[] =>
  rehearsed.map((one) => ({
    key: `${one.scenario}-${one.days}`,
    text: lineOf(one, preference),
    isCurrent: one.given === givenMark,
  }))
