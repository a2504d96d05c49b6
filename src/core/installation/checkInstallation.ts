import { checkBrief } from '@/core/brief/check'
import { checkModel } from '@/core/controller/checkModel'
import { checkAnswers } from '@/core/duty/answers'
import type { Installation } from '@/core/installation/installation'
import type { Problem } from '@/core/json/problem'
import { MOUNTING_IDS } from '@/core/kit/checklist'
import { checkResponse } from '@/core/machine/check'

const within = (part: string, problems: readonly Problem[]): Problem[] =>
  problems.map((problem) => ({ ...problem, path: `${part}.${problem.path}` }))

/** Items of a list that carry the same mark: what speaks of one of them would speak of both. */
const twice = (path: string, key: string, what: string, marks: readonly string[]): Problem[] =>
  marks.flatMap((got, index): Problem[] =>
    marks.indexOf(got) < index ? [{ code: 'duplicate_id', path: `${path}.${index}.${key}`, what, got }] : [],
  )

/** Everything that contradicts itself within the documents of one installation, at once. */
export function checkInstallation({
  brief,
  kit,
  calibration,
  response,
  dial,
  dismissed = [],
}: Installation): Problem[] {
  const fanIds = kit.fans.map(({ id }) => id)
  const probeIds = kit.probes.map(({ id }) => id)
  const inputIds = response.inputs.map(({ id }) => id)
  const unknownFan = (path: string, got: string): Problem[] =>
    fanIds.includes(got) ? [] : [{ code: 'unknown_id', path, what: 'fan', got, known: fanIds }]
  return [
    ...within('brief', [...checkBrief(brief), ...checkAnswers(brief)]),
    ...(kit.controller ? within('kit.controller', checkModel(kit.controller)) : []),
    ...within('response', checkResponse(response)),
    ...unknownFan('response.lead', response.lead),
    ...response.followers.flatMap(({ fan }, index) => unknownFan(`response.followers.${index}.fan`, fan)),
    ...(response.stages?.fixed ?? []).flatMap(({ fan }, index) =>
      unknownFan(`response.stages.fixed.${index}.fan`, fan),
    ),
    ...calibration.fans.flatMap(({ fan }, index) => unknownFan(`calibration.fans.${index}.fan`, fan)),
    ...(calibration.sensors ?? []).flatMap(({ probe }, index): Problem[] =>
      probeIds.includes(probe)
        ? []
        : [
            {
              code: 'unknown_id',
              path: `calibration.sensors.${index}.probe`,
              what: 'probe',
              got: probe,
              known: probeIds,
            },
          ],
    ),
    ...Object.keys(kit.mounting ?? {}).flatMap((id): Problem[] =>
      MOUNTING_IDS.includes(id)
        ? []
        : [
            {
              code: 'unknown_id',
              path: `kit.mounting.${id}`,
              what: 'question of mounting',
              got: id,
              known: MOUNTING_IDS,
            },
          ],
    ),
    ...twice('kit.fans', 'id', 'fans', fanIds),
    ...twice('kit.probes', 'id', 'probes', probeIds),
    ...twice(
      'calibration.fans',
      'fan',
      'calibrations',
      calibration.fans.map(({ fan }) => fan),
    ),
    ...calibration.fans.flatMap(({ map }, index) =>
      twice(
        `calibration.fans.${index}.map`,
        'id',
        'readings',
        map.map(({ id }) => id),
      ),
    ),
    ...twice(
      'calibration.sensors',
      'probe',
      'probe offsets',
      (calibration.sensors ?? []).map(({ probe }) => probe),
    ),
    ...twice(
      'calibration.instruments',
      'id',
      'instruments',
      (calibration.instruments ?? []).map(({ id }) => id),
    ),
    ...twice(
      'calibration.spots',
      'id',
      'spots',
      (calibration.spots ?? []).map(({ id }) => id),
    ),
    ...twice(
      'calibration.balance.terminals',
      'id',
      'terminals',
      (calibration.balance?.terminals ?? []).map(({ id }) => id),
    ),
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
    ...kit.probes.flatMap(({ input }, index): Problem[] =>
      inputIds.includes(input)
        ? []
        : [{ code: 'unknown_id', path: `kit.probes.${index}.input`, what: 'input', got: input, known: inputIds }],
    ),
  ]
}
