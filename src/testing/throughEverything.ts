import { judgeInstallation } from '@/core/advise/judge'
import { judgementText } from '@/core/advise/words'
import { dialIn, actionText } from '@/core/controller/dialIn'
import { fit } from '@/core/controller/fit'
import type { ControllerModel } from '@/core/controller/schema'
import { derive } from '@/core/derive/derive'
import { evaluateAt } from '@/core/derive/evaluate'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { chooseController } from '@/core/installation/chooseController'
import type { Installation } from '@/core/installation/installation'
import { readInstallation } from '@/core/installation/read'
import { canonicalJson } from '@/core/json/canonical'
import { parseJson } from '@/core/json/parseJson'
import { rankModels } from '@/core/kit/rankModels'
import { ladder } from '@/core/look/ladder'
import { compile } from '@/core/machine/compile'
import { planFor } from '@/core/prove/plan'
import { checkText } from '@/core/prove/words'
import { compare } from '@/core/record/compare'
import { facts } from '@/core/record/facts'
import { lossText } from '@/core/sentences/lossText'
import { namedSpeeds } from '@/core/sentences/namedSpeeds'
import { offers } from '@/core/sentences/table'
import { makeStage, rehearse } from '@/core/rehearse/run'
import { measure, measureContext } from '@/core/rehearse/measures'
import { daysOf } from '@/core/rehearse/daysOf'
import { spaceOf } from '@/core/space/starting'
import { startingResponse } from '@/core/start/startingResponse'
import { problemLine } from '@/core/words/problems'

const needWords = (wording: string, what: string): void => {
  if (wording === '' || /undefined|\[object|NaN/.test(wording)) throw new Error(`${what} says “${wording}”`)
}

/** Does with an installation all that the program does with one, and throws where anything goes wrong: what passes `check` must pass this. */
export function throughEverything(installation: Installation, models: readonly ControllerModel[] = []): void {
  const derived = derive(installation)
  const { asked, given, fit: fitted } = derived
  for (const { machine, problems } of [asked, given])
    if (!machine) throw new Error(`does not compile: ${problems.map(problemLine).join(' ')}`)
  for (const [name, machine] of [
    ['asked', asked.machine!],
    ['given', given.machine!],
  ] as const) {
    const { evaluation } = evaluateAt(machine, derived, {})
    needWords(evaluation.reason, `the reason of ${name}`)
    for (const { speedPct } of evaluation.fans)
      if (!(speedPct >= 0 && speedPct <= 100)) throw new Error(`${name} gives ${speedPct} %`)
  }
  for (const judgement of judgeInstallation(installation, derived, 1)) {
    const { title, detail } = judgementText(judgement)
    needWords(title, 'a judgement')
    needWords(detail, 'a judgement')
  }
  const planned = planFor(installation, derived)!
  for (const check of planned.plan) {
    const { title, how, ifFails, measureWith, steps } = checkText(planned.context, check)
    for (const words of [title, how, ifFails, measureWith, ...steps]) needWords(words, 'a check')
  }
  for (const { label, wording } of facts(installation)) needWords(`${label}: ${wording}`, 'a fact')
  if (compare(installation, installation).length > 0) throw new Error('it differs from itself')
  if (installation.kit.controller && fitted) {
    for (const { title, how } of dialIn(installation.kit.controller, fitted, installation.dial)) {
      needWords(actionText(title), 'an action')
      actionText(how)
    }
    for (const loss of fitted.losses) needWords(lossText(loss, installation.response).title, 'a loss')
  }
  const { follows } = DUTY_PLANS[installation.brief.duty]
  follows(answerReader(DUTY_PLANS[installation.brief.duty], installation.brief))
  const started = compile(startingResponse(installation).response)
  if (!started.ok) throw new Error(`its starting point: ${started.problems.map(problemLine).join(' ')}`)
  offers(installation)
  namedSpeeds(installation.response)
  ladder(installation.response)
  const space = spaceOf(installation)
  const stage = makeStage(installation, space, daysOf(installation, space, 1)[1]!, 900)
  for (const { id, value } of measure(rehearse(stage, given.machine!), measureContext(stage, given.response)))
    if (!Number.isFinite(value)) throw new Error(`rehearsed: ${id} is ${value}`)
  for (const model of models) {
    const into = fit(installation.response, model, installation.brief)
    const outcome = compile(into.given)
    if (!outcome.ok) throw new Error(`given by ${model.id}: ${outcome.problems.map(problemLine).join(' ')}`)
    const draft = structuredClone(installation)
    chooseController(draft, model)
    derive(draft)
  }
  if (models.length > 0) rankModels(installation.response, installation.kit, installation.brief, models)
  const text = canonicalJson(installation)
  const again = parseJson(text)
  const read = again.ok ? readInstallation(again.value) : again
  if (!read.ok) throw new Error(`exported, it is refused: ${read.problems.map(problemLine).join(' ')}`)
}

/** What a page does with a stored document that contradicts itself: it is drawn, judged and marked; no machine needs to run. */
export function openedThroughEverything(installation: Installation): void {
  const derived = derive(installation)
  judgeInstallation(installation, derived, 1)
  facts(installation)
  planFor(installation, derived)
  canonicalJson(installation)
}
