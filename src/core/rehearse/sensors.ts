import type { Brief } from '@/core/brief/schema'
import { roleOf } from '@/core/duty/role'
import type { Machine } from '@/core/machine/compile'
import { quietInputs } from '@/core/machine/quietInputs'
import { isMeasured, type Input, type Role } from '@/core/rules/input'
import type { Scenario, ScenarioEvent } from '@/core/scenario/schema'
import { DRIVE, READ, type Read } from '@/core/space/model'
import { primaryReads } from '@/core/space/primary'
import type { Space } from '@/core/space/schema'

/** Heat of a controller in its box over the air around it, K. Common practice, no source. */
const BODY_K = 6
/** What a shorted probe reads, in its own unit: far below anything. */
const SHORTED = -999
const SWITCH_ON = 0.5

/** Where an input has its reading from. */
type From =
  | { readonly kind: 'drive'; readonly at: number; readonly times: number }
  | { readonly kind: 'read'; readonly at: number; readonly plus: number; readonly times: number }
  | { readonly kind: 'rest'; readonly value: number }

type Fault = Extract<ScenarioEvent, { kind: 'probe' }>

type Sensor = {
  readonly place: number
  readonly from: From
  readonly isSwitch: boolean
  /** What is left of a difference after a step. */
  readonly keeps: number
  readonly offset: number
  readonly resolution: number
  readonly sunK: number
  readonly draught: number
  readonly ownAir: number
  readonly contacts: readonly ScenarioEvent[]
  readonly faults: readonly Fault[]
}

/** The inputs of a machine as a space and a day give them: through their probes, with what goes wrong with them. */
export type Sensors = {
  /** What each probe has come to, for a run to begin with. */
  newState(): Float64Array
  /** Brings the probes to what is there now, at once. */
  settle(state: Float64Array, drives: Float64Array, reads: Float64Array): void
  /** Follows for a step. */
  follow(state: Float64Array, drives: Float64Array, reads: Float64Array, ownShare: number): void
  /** Writes what is read at a time into the inputs of the machine. */
  read(state: Float64Array, drives: Float64Array, atS: number, raw: Float64Array): void
}

type Where = { readonly brief: Brief; readonly space: Space; readonly scenario: Scenario }

/** Roles of a temperature that are one read of a space. */
const TEMPERATURES: Partial<Record<Role, Read>> = {
  supply: 'supplyC',
  flue: 'flueC',
  shell: 'shellC',
  component: 'componentC',
}

function fromOf(input: Input, nth: number, machine: Machine, { brief, space }: Where): From {
  const role = roleOf(input, { response: machine.response, brief })
  const read = (name: Read, plus = 0, times = 1): From => ({ kind: 'read', at: READ[name], plus, times })
  const drive = (at: number, times = 1): From => ({ kind: 'drive', at, times })
  const rest = (): From => ({ kind: 'rest', value: quietInputs(machine.response)[input.id] ?? 0 })
  if (!isMeasured(input)) {
    if (role === 'request') return drive(DRIVE.request)
    if (role === 'door') return drive(DRIVE.doorOpen)
    return role === 'heat' ? read('heatOn') : { kind: 'rest', value: 0 }
  }
  if (role === 'light') return drive(DRIVE.light, input.to)
  if (input.kind === 'humidity')
    return role === 'outdoor' ? drive(DRIVE.outdoorRhPct) : role === 'supply' ? read('supplyRhPct') : read('rhPct')
  if (input.kind === 'pressure') {
    if (input.refrigerant !== undefined) return read('headKpa', 0, 1000)
    return space.serves.kind === 'stove' ? read('draughtPa') : read('pressurePa')
  }
  if (input.kind !== 'temperature') return rest()
  if (role === 'outdoor') return drive(DRIVE.outdoorC)
  if (role === 'body') return read('airC', BODY_K)
  const coils = primaryReads(space)
  if (role === 'coil') return read(coils[Math.min(nth, coils.length - 1)] ?? 'airC')
  const plain = TEMPERATURES[role]
  if (plain) return read(plain)
  return read(space.serves.kind === 'electronics' || space.serves.kind === 'condenser' ? coils[0]! : 'airC')
}

const isOn = ({ atS: from, lengthS }: ScenarioEvent, atS: number): boolean => atS >= from && atS < from + lengthS

function makeSensor(input: Input, place: number, machine: Machine, where: Where, stepS: number): Sensor {
  const { space, scenario, brief } = where
  const { inputs } = machine.response
  const role = roleOf(input, { response: machine.response, brief })
  const nth = inputs
    .slice(0, place)
    .filter(
      (other) => other.kind === input.kind && roleOf(other, { response: machine.response, brief }) === role,
    ).length
  const probe = space.probes.find((candidate) => candidate.input === input.id)
  return {
    place,
    from: fromOf(input, nth, machine, where),
    isSwitch: !isMeasured(input),
    keeps: probe && probe.lagS > 0 ? Math.exp(-stepS / probe.lagS) : 0,
    offset: probe?.offset ?? 0,
    resolution: probe?.resolution ?? 0,
    sunK: input.kind === 'temperature' ? (probe?.sunK ?? 0) : 0,
    draught: input.kind === 'temperature' ? (probe?.draught ?? 0) : 0,
    ownAir: input.kind === 'temperature' ? (probe?.ownAir ?? 0) : 0,
    contacts: scenario.events.filter((event) => event.kind === 'contact' && event.input === input.id),
    faults: scenario.events.filter((event): event is Fault => event.kind === 'probe' && event.input === input.id),
  }
}

const sourceOf = ({ from }: Sensor, drives: Float64Array, reads: Float64Array): number => {
  if (from.kind === 'drive') return drives[from.at]! * from.times
  return from.kind === 'read' ? reads[from.at]! * from.times + from.plus : from.value
}

/** What a probe is exposed to: what it is meant for, the sun on it, a draught, the fan's own air that cools it. */
function exposed(sensor: Sensor, drives: Float64Array, reads: Float64Array, ownShare: number): number {
  let x = sourceOf(sensor, drives, reads)
  if (sensor.draught > 0) x += sensor.draught * (drives[DRIVE.outdoorC]! - x)
  if (sensor.ownAir > 0) {
    const airC = reads[READ.airC]!
    x += sensor.ownAir * ownShare * ((airC === airC ? airC : drives[DRIVE.outdoorC]!) - x)
  }
  return x + (sensor.sunK * drives[DRIVE.sunWM2]!) / 1000
}

function shown(sensor: Sensor, x: number): number {
  const read = x + sensor.offset
  return sensor.resolution > 0 ? Math.round(read / sensor.resolution) * sensor.resolution : read
}

/** The sensors of a machine in a space on a day, for steps of one length. */
export function makeSensors(machine: Machine, where: Where, stepS: number): Sensors {
  const sensors = machine.response.inputs.flatMap((input, place) =>
    isMeasured(input) && input.combines ? [] : [makeSensor(input, place, machine, where, stepS)],
  )
  const indexOf = new Map(sensors.map((sensor, index) => [machine.inputIds[sensor.place]!, index]))
  /** What a fault makes of a reading; a stuck one keeps what it read when it stuck, behind the state. */
  function broken(fault: Fault, index: number, x: number, state: Float64Array, atS: number): number {
    switch (fault.fault) {
      case 'open':
        return NaN
      case 'short':
        return SHORTED
      case 'drifting':
        return x + ((fault.driftPerH ?? 0) * (atS - fault.atS)) / 3600
      case 'swapped': {
        const other = indexOf.get(fault.swappedWith ?? '')
        return other === undefined ? x : shown(sensors[other]!, state[other]!)
      }
      case 'stuck':
        if (Number.isNaN(state[sensors.length + index]!)) state[sensors.length + index] = x
        return state[sensors.length + index]!
    }
  }
  return {
    newState: () => new Float64Array(sensors.length * 2).fill(NaN),
    settle(state, drives, reads) {
      for (let index = 0; index < sensors.length; index++) state[index] = exposed(sensors[index]!, drives, reads, 0)
    },
    follow(state, drives, reads, ownShare) {
      for (let index = 0; index < sensors.length; index++) {
        const sensor = sensors[index]!
        const x = exposed(sensor, drives, reads, ownShare)
        state[index] = sensor.keeps === 0 ? x : x + (state[index]! - x) * sensor.keeps
      }
    },
    read(state, drives, atS, raw) {
      for (let index = 0; index < sensors.length; index++) {
        const sensor = sensors[index]!
        if (sensor.isSwitch) {
          // A contact has no lag: it is what the day says now.
          const closed = sensor.from.kind === 'drive' ? drives[sensor.from.at]! : state[index]!
          raw[sensor.place] = closed >= SWITCH_ON || sensor.contacts.some((event) => isOn(event, atS)) ? 1 : 0
          continue
        }
        let x = shown(sensor, state[index]!)
        for (const fault of sensor.faults) if (isOn(fault, atS)) x = broken(fault, index, x, state, atS)
        raw[sensor.place] = x
      }
    },
  }
}
