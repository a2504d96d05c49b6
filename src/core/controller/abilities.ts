import type { ControllerModel } from '@/core/controller/schema'
import { hasWords } from '@/core/glossary/hasWords'

/** Something a controller can do or cannot, as people ask for it. */
export type Ability = {
  readonly id: string
  readonly name: string
  /** What else people call it. */
  readonly words: string
  readonly has: (model: ControllerModel) => boolean
}

const reads =
  (kind: string) =>
  ({ inputs = [], ramps, differentials = [] }: ControllerModel): boolean =>
    [
      ...inputs.map((input) => input.kind),
      ...ramps.map(({ input }) => input),
      ...differentials.map(({ input }) => input),
    ].some((read) => read === kind)
const drives =
  (kind: string) =>
  ({ outputs }: ControllerModel): boolean =>
    outputs.some((output) => output.kind === kind)

export const ABILITIES: readonly Ability[] = [
  {
    id: 'ramp',
    name: 'Speed by a reading',
    words: 'ramp proportional modulating',
    has: ({ ramps }) => ramps.length > 0,
  },
  {
    id: 'differential',
    name: 'On and off by a reading',
    words: 'thermostat humidistat differential hysteresis',
    has: ({ differentials = [] }) => differentials.length > 0,
  },
  {
    id: 'switch',
    name: 'Boost by a contact',
    words: 'switch run-on overrun',
    has: ({ switches }) => switches.length > 0,
  },
  {
    id: 'rapid-rise',
    name: 'Answers a quick rise',
    words: 'rapid rise surge humidity',
    has: ({ rapidRises = [] }) => rapidRises.length > 0,
  },
  { id: 'week', name: 'A calendar', words: 'week clock timer schedule', has: ({ weeks = [] }) => weeks.length > 0 },
  { id: 'cycle', name: 'A cycle', words: 'interval minimum ventilation', has: ({ cycles = [] }) => cycles.length > 0 },
  {
    id: 'hold-after-fall',
    name: 'Runs on after a fall',
    words: 'after-run flue embers',
    has: ({ holdsAfterFall = [] }) => holdsAfterFall.length > 0,
  },
  {
    id: 'followers',
    name: 'A second fan at a ratio',
    words: 'follower make-up supply extract',
    has: ({ followers }) => followers.length > 0,
  },
  { id: 'stages', name: 'Fixed fans that join', words: 'stages ladder', has: ({ stages }) => stages !== undefined },
  {
    id: 'speeds',
    name: 'Named speeds',
    words: 'gears presets low medium high trim',
    has: ({ abilities }) => (abilities?.speeds ?? 0) > 0,
  },
  {
    id: 'targets',
    name: 'Points tied to a target',
    words: 'set point comfort follows',
    has: ({ abilities }) => (abilities?.targets ?? 0) > 0,
  },
  {
    id: 'dates',
    name: 'Seasons by its own date',
    words: 'summer winter calendar year',
    has: ({ abilities }) => abilities?.dates ?? false,
  },
  {
    id: 'by-age',
    name: 'Least air by age',
    words: 'growth batch curve days',
    has: ({ abilities }) => (abilities?.byAge ?? 0) > 0,
  },
  {
    id: 'cut-out',
    name: 'A low-speed cut-out',
    words: 'bearing stop minimum',
    has: ({ abilities }) => abilities?.cutOut !== undefined,
  },
  {
    id: 'inlets',
    name: 'Inlets stage by stage',
    words: 'slots shutters opening',
    has: ({ stages }) => stages?.inlets ?? false,
  },
  {
    id: 'contact-sense',
    name: 'Contacts of either sense',
    words: 'normally open closed',
    has: ({ abilities }) => abilities?.contactSense ?? false,
  },
  {
    id: 'heater-purge',
    name: 'Air for a heater after heat',
    words: 'cool-down purge',
    has: ({ abilities }) => abilities?.heaterPurge ?? false,
  },
  {
    id: 'reductions',
    name: 'Less air past a point',
    words: 'reduction frost',
    has: ({ abilities }) => (abilities?.reductions ?? 0) > 0,
  },
  {
    id: 'off',
    name: 'Stands still when nothing asks',
    words: 'off allowed',
    has: ({ abilities }) => abilities?.offAllowed ?? false,
  },
  {
    id: 'full-when-lost',
    name: 'Full when a probe is lost',
    words: 'fail safe sensor',
    has: ({ abilities }) => abilities?.lost === 'full',
  },
  {
    id: 'alarm',
    name: 'An alarm contact',
    words: 'alarm fault relay',
    has: ({ abilities }) => abilities?.otherOutputs?.includes('alarm') ?? false,
  },
  {
    id: 'bypass',
    name: 'A bypass damper',
    words: 'summer bypass',
    has: ({ abilities }) => abilities?.otherOutputs?.includes('bypass') ?? false,
  },
  { id: 'temperature', name: 'Reads temperature', words: 'probe input', has: reads('temperature') },
  { id: 'humidity', name: 'Reads humidity', words: 'damp input', has: reads('humidity') },
  { id: 'pressure', name: 'Reads pressure', words: 'transducer input', has: reads('pressure') },
  { id: 'light', name: 'Reads light', words: 'day night input', has: reads('light') },
  { id: 'reads-volts', name: 'Follows 0–10 V', words: 'signal input request main controller', has: reads('volts') },
  { id: 'volts', name: 'Gives 0–10 V', words: 'output analogue', has: drives('volts') },
  { id: 'phase-cut', name: 'Cuts the phase', words: 'output mains triac', has: drives('phase-cut') },
  { id: 'levels', name: 'Gives levels', words: 'output steps transformer', has: drives('levels') },
  { id: 'pwm', name: 'Gives PWM', words: 'output four-wire duty', has: drives('pwm') },
  { id: 'relay', name: 'Switches a relay', words: 'output contact', has: drives('relay') },
]

/** Those of a model, in the order of the table. */
export const abilitiesOf = (model: ControllerModel): Ability[] => ABILITIES.filter(({ has }) => has(model))

/** Whether a model goes by what was typed: each word stands in its name, in what it is for, or in what it can do. */
export const matches = (model: ControllerModel, typed: string): boolean =>
  hasWords(
    [
      model.name,
      model.about,
      ...abilitiesOf(model).flatMap(({ name, words }) => [name, words]),
      ...model.settings.flatMap(({ name, otherNames = [] }) => [name, ...otherNames]),
    ].join(' '),
    typed,
  )
