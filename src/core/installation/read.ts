import { checkBrief } from '@/core/brief/check'
import { checkFlowTable, FLOW_TABLE_SCHEMA, FlowTable } from '@/core/brief/flowTable'
import { Brief, BRIEF_SCHEMA } from '@/core/brief/schema'
import { Calibration, CALIBRATION_SCHEMA } from '@/core/calibration/schema'
import { checkModel } from '@/core/controller/checkModel'
import { CONTROLLER_SCHEMA, ControllerModel } from '@/core/controller/schema'
import { checkAnswers } from '@/core/duty/answers'
import { checkInstallation } from '@/core/installation/checkInstallation'
import { Installation, INSTALLATION_SCHEMA } from '@/core/installation/installation'
import { parseJson } from '@/core/json/parseJson'
import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'
import { validator } from '@/core/json/validator'
import { Kit, KIT_SCHEMA } from '@/core/kit/schema'
import { checkResponse } from '@/core/machine/check'
import { Response, RESPONSE_SCHEMA } from '@/core/response/schema'
import { Aims, AIMS_SCHEMA, checkAims } from '@/core/scenario/aims'
import { checkScenario } from '@/core/scenario/checkScenario'
import { Scenario, SCENARIO_SCHEMA } from '@/core/scenario/schema'
import { checkSpace } from '@/core/space/checkSpace'
import { Space, SPACE_SCHEMA } from '@/core/space/schema'
import { upgrade } from '@/core/upgrade/upgrade'

type Reader<T> = (data: unknown) => Outcome<T>

const reader =
  <T>(fits: Reader<T>, check: (document: T) => readonly Problem[]): Reader<T> =>
  (data) => {
    const shaped = fits(upgrade(data))
    if (!shaped.ok) return shaped
    const problems = check(shaped.value)
    return problems.length > 0 ? fail(...problems) : shaped
  }

const readBrief = reader(validator(Brief), (brief) => [...checkBrief(brief), ...checkAnswers(brief)])
const readResponse = reader(validator(Response), checkResponse)
/** A model of the right shape, whether or not it holds together: one that is being written. */
export const readControllerShape = validator(ControllerModel, CONTROLLER_SCHEMA)
export const readControllerModel = reader(readControllerShape, checkModel)
export const readInstallation = reader(validator(Installation, INSTALLATION_SCHEMA), checkInstallation)
const readTable = reader(validator(FlowTable, FLOW_TABLE_SCHEMA), checkFlowTable)
const readKit = reader(validator(Kit), () => [])
const readCalibration = reader(validator(Calibration), () => [])
export const readSpace = reader(validator(Space, SPACE_SCHEMA), checkSpace)
export const readScenario = reader(validator(Scenario, SCENARIO_SCHEMA), checkScenario)
export const readAims = reader(validator(Aims, AIMS_SCHEMA), checkAims)

/** Every document this program reads, by the name it carries. */
export const DOCUMENTS = {
  [INSTALLATION_SCHEMA]: { schema: Installation, read: readInstallation },
  [RESPONSE_SCHEMA]: { schema: Response, read: readResponse },
  [CONTROLLER_SCHEMA]: { schema: ControllerModel, read: readControllerModel },
  [BRIEF_SCHEMA]: { schema: Brief, read: readBrief },
  [KIT_SCHEMA]: { schema: Kit, read: readKit },
  [CALIBRATION_SCHEMA]: { schema: Calibration, read: readCalibration },
  [FLOW_TABLE_SCHEMA]: { schema: FlowTable, read: readTable },
  [SPACE_SCHEMA]: { schema: Space, read: readSpace },
  [SCENARIO_SCHEMA]: { schema: Scenario, read: readScenario },
  [AIMS_SCHEMA]: { schema: Aims, read: readAims },
} as const

type DocumentName = keyof typeof DOCUMENTS

export type AnyDocument = { readonly name: DocumentName; readonly document: { readonly schema: string } }

const known = Object.keys(DOCUMENTS) as DocumentName[]

/** The document's own name, checked against what this program knows; a newer version is told apart from a stranger. */
function documentName(data: unknown): Outcome<DocumentName> {
  const got = typeof data === 'object' && data !== null && 'schema' in data ? data.schema : undefined
  if (typeof got !== 'string')
    return fail({
      code: 'missing',
      path: 'schema',
      what: `The line "schema" that says what this is (one of ${known.join(', ')})`,
    })
  const name = known.find((candidate) => candidate === got)
  if (name) return ok(name)
  const [kind, version] = got.split('@')
  const ours = known.find((candidate) => candidate.split('@')[0] === kind)
  if (ours && Number(version) > Number(ours.split('@')[1]))
    return fail({ code: 'newer_schema', path: 'schema', got, known: ours })
  return fail({ code: 'unknown_schema', path: 'schema', got, known: known.join(', ') })
}

/** Reads any document of ours, of this version or a former one; whatever is thrown at it ends in a value, never in an exception. */
export function readDocument(given: unknown): Outcome<AnyDocument> {
  const data = upgrade(given)
  const name = documentName(data)
  if (!name.ok) return name
  const read: Reader<{ readonly schema: string }> = DOCUMENTS[name.value].read
  const document = read(data)
  return document.ok ? ok({ name: name.value, document: document.value }) : document
}

/** An installation file: text to document. */
export function readInstallationText(text: string): Outcome<Installation> {
  const parsed = parseJson(text)
  if (!parsed.ok) return parsed
  const data = upgrade(parsed.value)
  const name = documentName(data)
  if (!name.ok) return name
  if (name.value !== INSTALLATION_SCHEMA)
    return fail({ code: 'unknown_schema', path: 'schema', got: name.value, known: INSTALLATION_SCHEMA })
  return readInstallation(data)
}
