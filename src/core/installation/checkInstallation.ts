import { checkBrief } from '@/core/brief/check'
import { checkModel } from '@/core/controller/checkModel'
import { checkAnswers } from '@/core/duty/answers'
import type { Installation } from '@/core/installation/installation'
import type { Problem } from '@/core/json/problem'
import { twice } from '@/core/json/twice'
import { MOUNTING_IDS } from '@/core/kit/checklist'
import { checkResponse } from '@/core/machine/check'
import { checkScenario } from '@/core/scenario/checkScenario'
import { checkSpace } from '@/core/space/checkSpace'

const within = (part: string, problems: readonly Problem[]): Problem[] =>
  problems.map((problem) => ({ ...problem, path: `${part}.${problem.path}` }))

/** What is named and is not there. */
const unknown = (path: string, what: string, got: string, known: readonly string[]): Problem[] =>
  known.includes(got) ? [] : [{ code: 'unknown_id', path, what, got, known }]

/** Marks of a list that have to be one of a kind: where it stands, the key of the mark, what its items are called. */
function marksTwice({ kit, calibration, response, dial, dismissed = [], scenarios = [] }: Installation): Problem[] {
  const { fans, sensors = [], instruments = [], spots = [], balance } = calibration
  const ids = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id)
  return [
    ...twice('scenarios', 'id', 'days', ids(scenarios)),
    ...twice('kit.fans', 'id', 'fans', ids(kit.fans)),
    ...twice('kit.probes', 'id', 'probes', ids(kit.probes)),
    ...twice(
      'calibration.fans',
      'fan',
      'calibrations',
      fans.map(({ fan }) => fan),
    ),
    ...fans.flatMap(({ map }, index) => twice(`calibration.fans.${index}.map`, 'id', 'readings', ids(map))),
    ...twice(
      'calibration.sensors',
      'probe',
      'probe offsets',
      sensors.map(({ probe }) => probe),
    ),
    ...twice('calibration.instruments', 'id', 'instruments', ids(instruments)),
    ...twice('calibration.spots', 'id', 'spots', ids(spots)),
    ...twice('calibration.balance.terminals', 'id', 'terminals', ids(balance?.terminals ?? [])),
    ...twice(
      'response.followers',
      'fan',
      'followers',
      response.followers.map(({ fan }) => fan),
    ),
    ...twice(
      'dial.present',
      'setting',
      'present values',
      dial.present.map(({ setting }) => setting),
    ),
    ...twice(
      'dial.done',
      'action',
      'ticked actions',
      dial.done.map(({ action }) => action),
    ),
    ...twice(
      'dismissed',
      'judgement',
      'judgements left as they are',
      dismissed.map(({ judgement }) => judgement),
    ),
  ]
}

/** Fans, probes and inputs that are named and are not there. */
function namesUnknown({ kit, calibration, response }: Installation): Problem[] {
  const [fans, probes, inputs] = [kit.fans, kit.probes, response.inputs].map((list) => list.map(({ id }) => id))
  const unknownFan = (path: string, got: string) => unknown(path, 'fan', got, fans!)
  return [
    ...unknownFan('response.lead', response.lead),
    ...response.followers.flatMap(({ fan }, index) => unknownFan(`response.followers.${index}.fan`, fan)),
    ...(response.stages?.fixed ?? []).flatMap(({ fan }, index) =>
      unknownFan(`response.stages.fixed.${index}.fan`, fan),
    ),
    ...calibration.fans.flatMap(({ fan }, index) => unknownFan(`calibration.fans.${index}.fan`, fan)),
    ...(calibration.sensors ?? []).flatMap(({ probe }, index) =>
      unknown(`calibration.sensors.${index}.probe`, 'probe', probe, probes!),
    ),
    ...Object.keys(kit.mounting ?? {}).flatMap((id) =>
      unknown(`kit.mounting.${id}`, 'question of mounting', id, MOUNTING_IDS),
    ),
    ...kit.probes.flatMap(({ input }, index) => unknown(`kit.probes.${index}.input`, 'input', input, inputs!)),
  ]
}

/** Everything that contradicts itself within the documents of one installation, at once. */
export function checkInstallation(installation: Installation): Problem[] {
  const { brief, kit, response, space, scenarios = [] } = installation
  return [
    ...within('brief', [...checkBrief(brief), ...checkAnswers(brief)]),
    ...(kit.controller ? within('kit.controller', checkModel(kit.controller)) : []),
    ...within('response', checkResponse(response)),
    ...(space ? within('space', checkSpace(space)) : []),
    ...scenarios.flatMap((scenario, index) => within(`scenarios.${index}`, checkScenario(scenario))),
    ...namesUnknown(installation),
    ...marksTwice(installation),
  ]
}
