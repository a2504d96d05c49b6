import type { Response } from '@/core/response/schema'
import { measured, plainRamp, responseTo } from '@/testing/examples'

/** A response with one of everything that hangs on an input. */
export const throughEveryPart: Response = responseTo(
  [
    plainRamp({ input: 'both' }),
    {
      id: 'on',
      kind: 'differential',
      input: 'a',
      action: 'direct',
      onAt: 30,
      offAt: 28,
      speedPct: 60,
      minOnS: 0,
      minOffS: 0,
    },
    { id: 'rise', kind: 'rapid-rise', input: 'rh', windowS: 300, rise: 8, release: 3, speedPct: 70, capS: 600 },
    { id: 'boost', kind: 'switch', input: 'contact', speedPct: 80, onDelayS: 0, overrun: { kind: 'none' } },
  ],
  {
    inputs: [
      { ...measured('a', 'temperature'), lostPct: 100 },
      measured('b', 'temperature'),
      { ...measured('both', 'temperature'), combines: { of: ['a', 'b'], how: 'highest' } },
      { ...measured('over', 'temperature'), combines: { of: ['a', 'b'], how: 'difference' } },
      measured('rh', 'humidity'),
      measured('light', 'light'),
      measured('box', 'temperature'),
      { id: 'contact', kind: 'switch', name: 'contact' },
      { id: 'heat', kind: 'switch', name: 'heat' },
      { id: 'off', kind: 'switch', name: 'isolator' },
      { id: 'stop', kind: 'switch', name: 'stop' },
      { id: 'try', kind: 'switch', name: 'test' },
    ],
    light: { input: 'light', level: 50, delayS: 60 },
    heaterPurge: { input: 'heat', speedPct: 45, holdS: 60 },
    reductions: [{ input: 'b', when: 'at-or-below', at: 0, byPct: 20, how: 'points' }],
    overrides: {
      isolated: 'off',
      safetyStop: 'stop',
      overheat: { input: 'box', onAt: 70, offBelow: 50 },
      test: { input: 'try', speedPct: 30 },
    },
    otherOutputs: [
      {
        id: 'call',
        kind: 'alarm',
        name: 'alarm',
        onWhen: [
          { kind: 'input', input: 'both', when: 'above', at: 40, release: 1 },
          { kind: 'lost', input: 'a' },
        ],
        notWhile: [{ kind: 'switch', input: 'off', is: 'on' }],
        delayS: 10,
      },
      { id: 'lamp', kind: 'lamp', name: 'lamp', onWhen: [{ kind: 'overheated' }], notWhile: [], delayS: 0 },
    ],
  },
)
