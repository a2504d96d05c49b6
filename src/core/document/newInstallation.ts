import type { NewDuty } from '@/core/brief/duty'
import { lostSensorPct } from '@/core/brief/lostSensor'
import { BRIEF_SCHEMA, type Brief } from '@/core/brief/schema'
import { CALIBRATION_SCHEMA } from '@/core/calibration/schema'
import { INSTALLATION_SCHEMA, type Installation } from '@/core/document/installation'
import { KIT_SCHEMA } from '@/core/kit/schema'
import { RESPONSE_SCHEMA, type Response } from '@/core/response/schema'

type Start = {
  readonly target: Brief['targets'][number]
  readonly input: { id: string; name: string; from: number; to: number }
  readonly startAt: number
  readonly fullAt: number
  readonly floorPct: number
}

// Sensible first figures; common practice, no source. The electronics ramp is the 40 + 15 of trade.md section 2.
const STARTS: Record<NewDuty, Start> = {
  'grow-room': {
    target: {
      quantity: 'temperature',
      bandFrom: 18,
      bandTo: 26,
      limitAbove: 30,
      why: 'Starting value; ask the grower',
      source: '',
    },
    input: { id: 'roomTemp', name: 'room temperature', from: 10, to: 36 },
    startAt: 22,
    fullAt: 27,
    floorPct: 20,
  },
  exhaust: {
    target: {
      quantity: 'temperature',
      bandFrom: 10,
      bandTo: 30,
      limitAbove: 40,
      why: 'Starting value; ask what the equipment stands',
      source: '',
    },
    input: { id: 'roomTemp', name: 'room temperature', from: 10, to: 50 },
    startAt: 26,
    fullAt: 34,
    floorPct: 20,
  },
  electronics: {
    target: {
      quantity: 'temperature',
      bandFrom: 10,
      bandTo: 45,
      limitAbove: 60,
      why: 'Starting value; read the plate of the component',
      source: '',
    },
    input: { id: 'sink', name: 'heat-sink temperature', from: 20, to: 80 },
    startAt: 40,
    fullAt: 55,
    floorPct: 30,
  },
}

function startingResponse({ input, startAt, fullAt, floorPct }: Start, duty: NewDuty): Response {
  return {
    schema: RESPONSE_SCHEMA,
    lead: 'fan',
    inputs: [{ kind: 'temperature', ...input, lostPct: lostSensorPct(duty, floorPct) }],
    floor: { speedPct: floorPct, reasons: [] },
    ceiling: { speedPct: 100, how: 'clip' },
    rules: [
      { id: 'temp', kind: 'ramp', input: input.id, startAt, fullAt, fromPct: floorPct, toPct: 100, below: 'from' },
    ],
    startKick: null,
    followers: [],
    steps: { stepPct: 0, rounding: 'nearest' },
  }
}

/** An installation with one fan, one probe and the usual ramp of its duty, to be changed. */
export function newInstallation(name: string, duty: NewDuty): Installation {
  const start = STARTS[duty]
  return {
    schema: INSTALLATION_SCHEMA,
    name,
    brief: {
      schema: BRIEF_SCHEMA,
      duty,
      space: { about: '', volumeM3: null, heatLoadW: null, allowedRiseK: null },
      targets: [start.target],
      requiredFlow: null,
    },
    kit: {
      schema: KIT_SCHEMA,
      controller: null,
      fans: [
        {
          id: 'fan',
          name: 'fan',
          output: null,
          signal: duty === 'electronics' ? { kind: 'pwm', inverted: false } : { kind: 'volts', convention: 'ten' },
          motor: 'unknown',
          bearings: 'unknown',
          ratedFlowLs: null,
          ratedPowerW: null,
          ratedCurrentA: null,
          ratedRpm: null,
          coolingFloorPct: null,
        },
      ],
      probes: [
        {
          id: 'probe',
          input: start.input.id,
          name: `${start.input.name} probe`,
          quantity: 'temperature',
          survivesToC: null,
          resolution: 0.5,
          place: '',
        },
      ],
    },
    calibration: {
      schema: CALIBRATION_SCHEMA,
      fans: [{ fan: 'fan', startsPct: [], stallsPct: [], restartMarginPct: 5, areaM2: null, map: [] }],
    },
    response: startingResponse(start, duty),
    dial: { present: [], done: [] },
  }
}
