import { flowLsAt, flowMap, sizedReadings } from '@/core/calibration/flowMap'
import { actionText, dialIn, setActionId } from '@/core/controller/dialIn'
import { settingValueText } from '@/core/controller/settingText'
import { derive } from '@/core/derive/derive'
import { requirementOf } from '@/core/brief/requirement'
import { settingsList } from '@/core/installation/settingsList'
import { countOf } from '@/core/kit/schema'
import { findingText } from '@/core/prove/finding'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import { checkText } from '@/core/prove/words'
import { formatNumber, formatPct, formatQuantity } from '@/core/quantity/format'
import { preferredUnit } from '@/core/quantity/format'
import { fromBase } from '@/core/quantity/units'
import { boxCard, type BoxCard } from '@/core/record/boxCard'
import { careLines } from '@/core/record/careLines'
import { changeText, compare } from '@/core/record/compare'
import { dueList } from '@/core/record/due'
import { facts } from '@/core/record/facts'
import type { Sealed } from '@/core/record/sealed'
import { signalLines } from '@/core/record/signalLines'
import { lastOf, stillOpen, type OpenItem } from '@/core/record/stillOpen'
import { weekStrips, type WeekStrips } from '@/core/record/weekStrips'
import { rehearsedLines } from '@/core/rehearse/rehearsedLines'
import { dayOf, dayText } from '@/core/rules/yearDay'
import { lossText } from '@/core/sentences/lossText'

type Line = { readonly label: string; readonly text: string }

/** The flow map of a fan in the reader’s unit, with what is required at the floor. */
export type RecordMap = {
  readonly fan: string
  readonly unit: string
  readonly curve: readonly (readonly [pct: number, flow: number])[]
  readonly read: readonly (readonly [pct: number, flow: number])[]
  /** “required 38 l/s, floor gives 45 l/s”; empty where nothing is required. */
  readonly against: string
}

/** Everything that stands on a record, in words and figures; a page lays it out. */
export type FullRecord = {
  readonly card: BoxCard
  readonly open: readonly OpenItem[]
  /** Setting, maker’s default, set to, where, how, read back. */
  readonly settings: readonly (readonly string[])[]
  readonly losses: readonly string[]
  readonly maps: readonly RecordMap[]
  /** Setting, flow, rpm, sound, with what. */
  readonly readings: readonly (readonly string[])[]
  readonly instruments: readonly Line[]
  readonly facts: readonly Line[]
  readonly weeks: readonly WeekStrips[]
  readonly checks: readonly Line[]
  readonly care: readonly string[]
  readonly signals: readonly string[]
  readonly changes: readonly string[]
  readonly rehearsed: readonly Line[]
  readonly due: readonly Line[]
}

const CURVE_POINTS = 41

/** Speeds from the first that runs to full. */
const speedsFrom = (fromPct: number): number[] =>
  Array.from({ length: CURVE_POINTS }, (_, index) => fromPct + ((100 - fromPct) * index) / (CURVE_POINTS - 1))

const VERDICTS = { passes: 'passes', fails: 'fails', 'cannot-tell': 'cannot be told' } as const

/** What to press; where it stands has a column of its own. */
const withoutPlace = (how: string, where: string): string =>
  how.startsWith(where) ? how.slice(where.length).replace(/^[.,]?\s*/, '') : how

function settingRows({ document, preference }: Sealed): string[][] {
  const { controller } = document.kit
  const { fit } = derive(document)
  if (!controller || !fit) return []
  const actions = dialIn(controller, fit, { ...document.dial, present: 'reset' }, preference)
  return settingsList(controller, fit, document.dial).flatMap(({ setting, wanted, readBack, isReadBackRight }) => {
    if (wanted === null) return []
    const value = (x: number) => settingValueText(setting, x, preference)
    const action = actions.find(({ id }) => id === setActionId(setting.id))
    return [
      [
        setting.name,
        value(setting.default),
        value(wanted),
        setting.enter.where,
        action ? withoutPlace(actionText(action.how), setting.enter.where) : '',
        readBack === null ? 'not read' : isReadBackRight ? 'as set' : value(readBack),
      ],
    ]
  })
}

function mapOf(
  { document, preference }: Sealed,
  { fan, flow }: ReturnType<typeof derive>['fans'][number],
  isLead: boolean,
): RecordMap[] {
  if (flow?.kind !== 'map') return []
  const unit = preferredUnit('flow', preference)
  const calibration = document.calibration.fans.find((one) => one.fan === fan.id)
  const shown = (ls: number) => fromBase(unit, ls)
  const required = isLead ? requirementOf(document.brief) : null
  const floorPct = document.response.floor.speedPct
  const q = (ls: number) => formatQuantity(ls, 'flow', preference)
  return [
    {
      fan: fan.name,
      unit: unit.symbol,
      curve: speedsFrom(flow.map.runsFromPct).map((pct) => [pct, shown(flowLsAt(flow.map, pct))] as const),
      read: calibration
        ? sizedReadings(calibration).map(({ reading, flowLs }) => [reading.settingPct, shown(flowLs)] as const)
        : [],
      against: required
        ? `required ${q(required.flowLs)}; the floor of ${formatPct(floorPct, preference)} % gives ${q(flowLsAt(flow.map, floorPct))}`
        : '',
    },
  ]
}

function readingRows({ document, preference }: Sealed): string[][] {
  const instrument = (id: string | undefined) =>
    document.calibration.instruments?.find((one) => one.id === id)?.name ?? ''
  return document.calibration.fans.flatMap((calibration) => {
    const outcome = flowMap(calibration)
    const fan = document.kit.fans.find(({ id }) => id === calibration.fan)
    const sized = new Map(sizedReadings(calibration).map(({ reading, flowLs }) => [reading.id, flowLs]))
    return [...calibration.map]
      .sort((a, b) => a.settingPct - b.settingPct)
      .map((reading) => {
        const flowLs = sized.get(reading.id)
        return [
          `${fan?.name ?? calibration.fan}${fan && countOf(fan) > 1 ? ` (${countOf(fan)})` : ''}`,
          `${formatPct(reading.settingPct, preference)} %`,
          flowLs === undefined ? '' : formatQuantity(flowLs, 'flow', preference),
          reading.rpm === null ? '' : `${formatNumber(reading.rpm, 0, preference)} rpm`,
          reading.soundDb === null ? '' : `${formatNumber(reading.soundDb, 0, preference)} dB`,
          [instrument(reading.instrument), reading.setAside && outcome.kind === 'map' ? 'left out' : '']
            .filter(Boolean)
            .join(', '),
        ]
      })
  })
}

function checkLines({ document, results, preference }: Sealed): Line[] {
  const planned = planFor(document, derive(document), preference)
  if (!planned) return []
  return planned.plan.map((check) => {
    const result = lastOf(results, planned.context, check)
    const { title } = checkText(planned.context, check)
    return {
      label: result ? VERDICTS[result.verdict] : 'not proved',
      text: result
        ? [
            title,
            findingText(result.finding, preference),
            ...(result.note ? [`Noted: ${result.note}`] : []),
            `${result.readBy}, ${dayText(dayOf(result.readAt, preference.zone), preference.dates)}.`,
          ].join(' ')
        : title,
    }
  })
}

export function fullRecord(sealed: Sealed): FullRecord {
  const { document, seal, results, before, preference } = sealed
  const derived = derive(document)
  const sealedOn = seal ? dayOf(seal.sealedAt, preference.zone) : undefined
  return {
    card: boxCard(sealed),
    open: seal ? (seal.open ?? []) : stillOpen(document, derived, results, preference),
    settings: settingRows(sealed),
    losses: (derived.fit?.losses ?? []).map((loss) => {
      const { title, detail } = lossText(loss, document.response, preference)
      return `${title} ${detail}`
    }),
    maps: derived.fans.flatMap((fan, index) => mapOf(sealed, fan, index === 0)),
    readings: readingRows(sealed),
    instruments: (document.calibration.instruments ?? []).map(({ name, accuracyPct, calibratedOn }) => ({
      label: name,
      text: [
        accuracyPct === null ? 'error not known' : `± ${formatNumber(accuracyPct, 1, preference)} % of the reading`,
        calibratedOn === null ? 'calibration not known' : `calibrated ${dayText(calibratedOn, preference.dates)}`,
      ].join(', '),
    })),
    facts: facts(document, preference).map(({ label, wording }) => ({ label, text: wording })),
    checks: checkLines(sealed),
    weeks: weekStrips(document, preference),
    care: careLines(document, seal?.localRules),
    signals: document.kit.controller ? signalLines(document.kit.controller).map(({ text }) => text) : [],
    changes: before ? compare(before, document, preference).map(changeText) : [],
    rehearsed: rehearsedLines(document, givenMark(derived.given.response), preference).map(({ text, isCurrent }) => ({
      label: isCurrent ? 'rehearsed' : 'changed since',
      text,
    })),
    due:
      sealedOn === undefined
        ? []
        : dueList(document, sealedOn).map(({ title, on }) => ({ label: dayText(on, preference.dates), text: title })),
  }
}
