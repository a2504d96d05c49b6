import { DUTY_NAMES } from '@/core/brief/duty'
import { keptText, requirementOf } from '@/core/brief/requirement'
import type { Brief } from '@/core/brief/schema'
import { balanceResult } from '@/core/calibration/balance'
import type { Balance } from '@/core/calibration/schema'
import type { Question } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Installation } from '@/core/installation/installation'
import { countOf } from '@/core/kit/schema'
import { mountingQuestions } from '@/core/kit/checklist'
import { formatNumber, formatPct, formatQuantity, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Rule } from '@/core/rules/table'
import type { SentenceContext } from '@/core/sentences/behaviour'
import { lines, sentenceContext, type Line } from '@/core/sentences/table'
import { capital, partsText } from '@/core/sentences/words'

/** One thing that is so in an installation, by a key that stays the same between revisions. */
export type Fact = { readonly key: string; readonly label: string; readonly wording: string }

function balanceFact(balance: Balance, preference: UnitPreference): Fact {
  const q = (base: number, quantity: 'flow') => formatQuantity(base, quantity, preference)
  const { supply, extract, offShare } = balanceResult(balance)
  return {
    key: 'balance',
    label: 'Balance',
    wording: `supply ${q(supply.readLs, 'flow')} at ${formatPct(balance.supplyPct, preference)} %, extract ${q(extract.readLs, 'flow')} at ${formatPct(balance.extractPct, preference)} %${offShare === null ? ', not all read' : `, ${formatNumber(Math.abs(offShare) * 100, 0)} % apart`}`,
  }
}

/** A behaviour as its sentence. */
function lineFact({ kind, value, place, behaviour, switchedOffAt }: Line, context: SentenceContext): Fact {
  const rule = behaviour === 'rule' ? (value as Rule) : null
  const name = capital(kind.name(value, context, place))
  const isOff = switchedOffAt !== null || rule?.off === true
  return {
    key: `line-${place}`,
    label: rule ? `Rule, ${kind.name(value, context, place)}` : name,
    wording: `${partsText(kind.sentence(value, context, place), context.preference)}${isOff ? ' (switched off)' : ''}${rule?.note ? ` Note: ${rule.note}` : ''}`,
  }
}

/** Two facts of one key (a behaviour in force, and the one it was put in the place of) are told apart by a number. */
function apart(list: readonly Fact[]): Fact[] {
  const seen = new Map<string, number>()
  return list.map((fact) => {
    const count = (seen.get(fact.key) ?? 0) + 1
    seen.set(fact.key, count)
    return count === 1 ? fact : { ...fact, key: `${fact.key}-${count}` }
  })
}

/** An answer as somebody gave it; one that its question does not know stands as it was written. */
function answerText(
  question: Question,
  answer: NonNullable<Brief['answers']>[string] | undefined,
  preference: UnitPreference,
): string {
  if (answer === null) return 'not known'
  if (question.kind === 'number' && typeof answer === 'number')
    return formatQuantity(answer, question.quantity, preference)
  if (question.kind === 'choice') return question.options.find(([value]) => value === answer)?.[1] ?? String(answer)
  return typeof answer === 'boolean' ? (answer ? 'yes' : 'no') : String(answer)
}

const answerFacts = ({ duty, answers = {} }: Brief, preference: UnitPreference): Fact[] =>
  DUTY_PLANS[duty].questions.flatMap((question) =>
    question.id in answers
      ? [
          {
            key: `answer-${question.id}`,
            label: question.ask,
            wording: answerText(question, answers[question.id], preference),
          },
        ]
      : [],
  )

function requiredFact(brief: Brief, preference: UnitPreference): Fact[] {
  const requirement = requirementOf(brief)
  if (!requirement) return []
  const flow = formatQuantity(requirement.flowLs, 'flow', preference)
  return [{ key: 'required-flow', label: 'Required flow', wording: `${flow}, ${keptText(requirement)}` }]
}

/** Everything that is decided, as short statements: what a record prints and what two revisions are compared by. */
export const facts = (installation: Installation, preference: UnitPreference = METRIC): Fact[] =>
  apart(allFacts(installation, preference))

function allFacts(
  { name, brief, kit, calibration, response, dismissed = [] }: Installation,
  preference: UnitPreference,
): Fact[] {
  const q = (base: number, quantity: Parameters<typeof formatQuantity>[1]) => formatQuantity(base, quantity, preference)
  const fanName = (id: string) => kit.fans.find((fan) => fan.id === id)?.name ?? id
  return [
    { key: 'name', label: 'Name', wording: name },
    { key: 'duty', label: 'Duty', wording: DUTY_NAMES[brief.duty] },
    ...answerFacts(brief, preference),
    ...(brief.space.about ? [{ key: 'space', label: 'Space', wording: brief.space.about }] : []),
    ...(brief.space.volumeM3 === null
      ? []
      : [{ key: 'volume', label: 'Volume', wording: q(brief.space.volumeM3, 'volume') }]),
    ...(brief.space.heatLoadW === null
      ? []
      : [{ key: 'heat', label: 'Heat load', wording: q(brief.space.heatLoadW, 'power') }]),
    ...brief.targets.map(({ quantity, bandFrom, bandTo, limitAbove }, index) => ({
      key: `target-${index}`,
      label: `Target, ${quantity}`,
      wording: `${q(bandFrom, quantity)} to ${q(bandTo, quantity)}${limitAbove === null ? '' : `, never above ${q(limitAbove, quantity)}`}`,
    })),
    ...requiredFact(brief, preference),
    { key: 'controller', label: 'Controller', wording: kit.controller?.name ?? 'not chosen' },
    ...kit.fans.map((fan) => ({
      key: `fan-${fan.id}`,
      label: `Fan “${fan.name}”`,
      wording: [
        ...(countOf(fan) > 1 ? [`${countOf(fan)} of them on one output`] : []),
        `${fan.motor} motor`,
        `${fan.bearings} bearings`,
        ...(fan.ratedFlowLs === null ? [] : [`rated ${q(fan.ratedFlowLs, 'flow')}`]),
      ].join(', '),
    })),
    ...kit.probes.map((probe) => ({
      key: `probe-${probe.id}`,
      label: `Probe “${probe.name}”`,
      wording: `${probe.place || 'place not noted'}; ${probe.survivesToC === null ? 'survival limit not known' : `survives ${q(probe.survivesToC, 'temperature')}`}`,
    })),
    ...mountingQuestions(brief).flatMap(({ id, ask }) => {
      const answer = kit.mounting?.[id]
      return answer === undefined ? [] : [{ key: `mounting-${id}`, label: ask, wording: answer }]
    }),
    ...(kit.terminals ?? []).map(({ terminal, wire, goesTo }, index) => ({
      key: `terminal-${index}`,
      label: `Terminal ${terminal || index + 1}`,
      wording: [wire, goesTo].filter(Boolean).join(' to ') || 'not written down',
    })),
    ...(calibration.instruments ?? []).map((instrument) => ({
      key: `instrument-${instrument.id}`,
      label: `Instrument “${instrument.name}”`,
      wording: [
        ...(instrument.accuracyPct === null
          ? []
          : [`± ${formatNumber(instrument.accuracyPct, 1, preference)} % of the reading`]),
        instrument.calibratedOn === null ? 'calibration not known' : `calibrated ${instrument.calibratedOn}`,
      ].join(', '),
    })),
    ...(calibration.balance && calibration.balance.terminals.length > 0
      ? [balanceFact(calibration.balance, preference)]
      : []),
    ...calibration.fans.map(({ fan, startsPct, stallsPct, map }) => ({
      key: `calibration-${fan}`,
      label: `Calibration of “${fanName(fan)}”`,
      wording: `${startsPct.length ? `turns from ${formatPct(Math.max(...startsPct), preference)} %` : 'start not read'}, ${stallsPct.length ? `stalls at ${formatPct(Math.max(...stallsPct), preference)} %` : 'stall not read'}, ${map.length} map readings`,
    })),
    {
      key: 'floor',
      label: 'Floor',
      wording: `${formatPct(response.floor.speedPct, preference)} %${response.floor.offAllowed ? ', or standing still when nothing asks' : ''}`,
    },
    {
      key: 'ceiling',
      label: 'Ceiling',
      wording: `${formatPct(response.ceiling.speedPct, preference)} %, ${response.ceiling.how === 'clip' ? 'cuts what asks for more' : 'ramps squeezed under it'}`,
    },
    ...(response.wins === 'first'
      ? [{ key: 'wins', label: 'Whose ask counts', wording: 'the first in the list that asks' }]
      : []),
    ...lines(response)
      .filter(({ place }) => place !== '')
      .map((line) => lineFact(line, sentenceContext({ response, kit }, preference))),
    ...Object.entries(response.notes ?? {}).map(([at, note]) => ({ key: `note-${at}`, label: 'Note', wording: note })),
    ...dismissed.map(({ judgement, text, reason }) => ({
      key: `dismissed-${judgement}`,
      label: `Left as it is: ${text}`,
      wording: reason,
    })),
  ]
}
