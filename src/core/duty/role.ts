import type { Duty } from '@/core/brief/duty'
import type { Brief } from '@/core/brief/schema'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Response } from '@/core/response/schema'
import { isMeasured, type Input, type MeasuredInput, type Role } from '@/core/rules/input'

export const ROLE_NAMES: Record<Role, string> = {
  room: 'air of the room',
  outdoor: 'air outside',
  supply: 'air coming in',
  coil: 'condenser coil',
  flue: 'flue gas',
  shell: 'metal of the stove',
  component: 'part to be cooled',
  body: 'the controller itself',
  light: 'light',
  pressure: 'pressure',
  request: 'somebody asks for air',
  door: 'door',
  isolator: 'isolator',
  'safety-stop': 'safety stop',
  test: 'test switch',
  heat: 'heat is given',
  equipment: 'equipment that needs air',
  defrost: 'heating or defrost',
  alarm: 'alarm contact',
}

type Where = { readonly response: Response; readonly brief: Pick<Brief, 'duty' | 'answers' | 'space'> }

/** What a part of the response makes of an input that it names. */
function byUse(id: string, { overrides, light, heaterPurge }: Response, duty: Duty): Role | null {
  if (overrides?.isolated === id) return 'isolator'
  if (overrides?.safetyStop === id) return 'safety-stop'
  if (overrides?.test?.input === id) return 'test'
  if (overrides?.overheat?.input === id) return 'body'
  if (light?.input === id) return 'light'
  return heaterPurge?.input === id ? (duty === 'balanced' ? 'equipment' : 'heat') : null
}

const WORDS: readonly (readonly [RegExp, Role])[] = [
  [/outdoor|outside|ambient|external|weather/i, 'outdoor'],
  [/supply air|intake|incoming|fresh air/i, 'supply'],
  [/coil|condens/i, 'coil'],
  [/flue|chimney/i, 'flue'],
  [/stove|shroud|shell|metal/i, 'shell'],
  [/sink|component|board|inverter/i, 'component'],
]
const SWITCH_WORDS: readonly (readonly [RegExp, Role])[] = [
  [/door/i, 'door'],
  [/defrost|reversing/i, 'defrost'],
  [/isolat/i, 'isolator'],
  [/heat ?pump/i, 'equipment'],
  [/heat given|heater/i, 'heat'],
  [/alarm/i, 'alarm'],
]

function temperatureOf({ brief }: Where): Role {
  if (brief.duty === 'head-pressure') return 'coil'
  if (brief.duty === 'electronics') return 'component'
  if (brief.duty !== 'stove-flue') return 'room'
  return answerReader(DUTY_PLANS[brief.duty], brief).choice('moves') === 'flue' ? 'flue' : 'shell'
}

function ofMeasured(input: MeasuredInput, where: Where): Role {
  if (input.kind === 'light' || input.kind === 'pressure') return input.kind
  const word = WORDS.find(
    ([pattern, role]) =>
      pattern.test(input.name) && (input.kind === 'temperature' || role === 'outdoor' || role === 'supply'),
  )
  if (word) return word[1]
  return input.kind === 'temperature' ? temperatureOf(where) : 'room'
}

/** What an input stands for: as declared, else as the response uses it, else by its name and duty. Of several probes taken together it is
 *  what the first of them is. */
export function roleOf(input: Input, where: Where): Role {
  if (input.role) return input.role
  const used = byUse(input.id, where.response, where.brief.duty)
  if (used) return used
  if (!isMeasured(input)) return SWITCH_WORDS.find(([pattern]) => pattern.test(input.name))?.[1] ?? 'request'
  const [first] = input.combines?.of ?? []
  const part = where.response.inputs.find(({ id }) => id === first)
  return part && part.id !== input.id ? roleOf(part, where) : ofMeasured(input, where)
}

/** The inputs of a response that stand for this, those made of others left out. */
export const inputsOfRole = (where: Where, ...roles: readonly Role[]): Input[] =>
  where.response.inputs.filter(
    (input) => !(isMeasured(input) && input.combines) && roles.includes(roleOf(input, where)),
  )
