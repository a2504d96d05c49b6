import { Type, type Static } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { closed } from '@/core/json/vocabulary'
import { formatNumber, formatPct, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'

const Name = Type.String({ maxLength: 200 })
const code = <C extends string>(name: C) => ({ code: Type.Literal(name) })

/** Why a verdict is what it is, by code with its figures: percents of speed and seconds. Kept beside a result, and made text when it is read. */
const Finding = Type.Union([
  Type.Object({ ...code('not-read'), names: Type.Array(Name, { maxItems: 100 }) }, closed),
  Type.Object(
    {
      ...code('off'),
      /** The step it was found at, from 1; null where there is one only. */
      step: Type.Union([Type.Integer(), Type.Null()]),
      fan: Name,
      offPct: Type.Number(),
      lowPct: Type.Number(),
      highPct: Type.Number(),
    },
    closed,
  ),
  Type.Object({ ...code('nothing-changes') }, closed),
  Type.Object({ ...code('too-wide'), lowPct: Type.Number(), highPct: Type.Number(), mostPct: Type.Number() }, closed),
  Type.Object(
    {
      ...code('change-off'),
      fan: Name,
      expectPct: Type.Number(),
      offPct: Type.Number(),
      allowedPct: Type.Number(),
    },
    closed,
  ),
  Type.Object({ ...code('too-near') }, closed),
  Type.Object({ ...code('time-off'), offS: Type.Number(), allowedS: Type.Number() }, closed),
  Type.Object({ ...code('seen'), asExpected: Type.Boolean() }, closed),
  Type.Object({ ...code('not-possible'), why: Type.String({ maxLength: 300 }) }, closed),
  /** What a version of this program before findings wrote in its own words. */
  Type.Object({ ...code('as-written'), text: Type.String({ maxLength: 2000 }) }, closed),
])
export type Finding = Static<typeof Finding>

export const readFinding = validator(Finding)

type Code = Finding['code']
type Of<C extends Code> = Extract<Finding, { code: C }>

const TEXTS: { readonly [C in Code]: (finding: Of<C>, preference: UnitPreference) => string } = {
  'not-read': ({ names }) => `Not everything that counts was read: ${names.join(', ')}.`,
  off: ({ step, fan, offPct, lowPct, highPct }, preference) =>
    `${step === null ? '' : `Step ${step}: `}${fan} ${formatPct(offPct, preference)} percentage points off; ${formatPct(lowPct, preference)} to ${formatPct(highPct, preference)} % allowed.`,
  'nothing-changes': () => 'At these readings nothing was to change: it was not brought surely past its point.',
  'too-wide': ({ lowPct, highPct, mostPct }) =>
    `At this reading anything from ${formatNumber(lowPct, 0)} to ${formatNumber(highPct, 0)} % would be right: more than ${mostPct} percentage points to either side. Bring it further from where the speed changes.`,
  'change-off': ({ fan, expectPct, offPct, allowedPct }, preference) =>
    `${fan}: between the two it should change by ${formatPct(Math.abs(expectPct), preference)} percentage points; ${formatPct(offPct, preference)} off, ${formatPct(allowedPct, preference)} allowed.`,
  'too-near': () => 'The two readings lie too near together to compare them.',
  'time-off': ({ offS, allowedS }, preference) =>
    `${formatTime(Number(offS.toFixed(1)), preference)} off; ${formatTime(Number(allowedS.toFixed(1)), preference)} allowed.`,
  seen: ({ asExpected }) => (asExpected ? 'Seen as expected.' : 'Not as expected.'),
  'not-possible': ({ why }) => `Not possible here: ${why}`,
  'as-written': ({ text }) => text,
}

/** The finding as a sentence. */
export const findingText = (finding: Finding, preference: UnitPreference = METRIC): string =>
  (TEXTS[finding.code] as (finding: Finding, preference: UnitPreference) => string)(finding, preference)
