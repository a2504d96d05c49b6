import { checkBrief } from '@/core/brief/check'
import { checkModel } from '@/core/controller/checkModel'
import type { Installation } from '@/core/document/installation'
import type { Problem } from '@/core/problem'
import { checkResponse } from '@/core/response/check'

const within = (part: string, problems: readonly Problem[]): Problem[] =>
  problems.map((problem) => ({ ...problem, path: `${part}.${problem.path}` }))

/** Everything that contradicts itself within the documents of one installation, at once. */
export function checkInstallation({ brief, kit, calibration, response }: Installation): Problem[] {
  const fanIds = kit.fans.map(({ id }) => id)
  const probeIds = kit.probes.map(({ id }) => id)
  const inputIds = response.inputs.map(({ id }) => id)
  const unknownFan = (path: string, got: string): Problem[] =>
    fanIds.includes(got) ? [] : [{ code: 'unknown_id', path, what: 'fan', got, known: fanIds }]
  return [
    ...within('brief', checkBrief(brief)),
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
    ...fanIds.flatMap((id, index): Problem[] =>
      fanIds.indexOf(id) < index ? [{ code: 'duplicate_id', path: `kit.fans.${index}.id`, what: 'fans', got: id }] : [],
    ),
    ...kit.probes.flatMap(({ input }, index): Problem[] =>
      inputIds.includes(input)
        ? []
        : [{ code: 'unknown_id', path: `kit.probes.${index}.input`, what: 'input', got: input, known: inputIds }],
    ),
  ]
}
