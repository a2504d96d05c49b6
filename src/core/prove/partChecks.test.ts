import { provePlan } from '@/core/prove/plan'
import { demoInstallation, machineFor, measured, plainRamp, responseTo } from '@/testing/examples'

const { kit } = demoInstallation('fruiting-room')

test('everything beside the rules has its check: joins both ways, modes, run-on, holds, outputs, bars', () => {
  const machine = machineFor(
    responseTo([plainRamp()], {
      inputs: [
        { ...measured('temp', 'temperature'), lostPct: 100 },
        measured('light', 'light'),
        { id: 'contact', kind: 'switch', name: 'heat' },
        { id: 'off', kind: 'switch', name: 'isolator' },
      ],
      stages: { fixed: [{ fan: 'second', joinsAtPct: 50 }], offBelowPct: 5, minStageS: 30 },
      light: { input: 'light', level: 50, delayS: 120 },
      runOn: { holdS: 60, speedPct: null },
      reductions: [{ input: 'temp', when: 'at-or-below', at: -10, byPct: 20, how: 'points' }],
      restBands: [{ fromPct: 43, toPct: 48 }],
      coolDown: { input: 'contact', speedPct: 45, holdS: 90 },
      holds: {
        isolated: 'off',
        overheat: { input: 'temp', onAt: 70, offBelow: 50 },
        test: { input: 'contact', speedPct: 33 },
      },
      otherOutputs: [
        {
          id: 'bell',
          kind: 'alarm',
          name: 'house alarm',
          onWhen: [{ kind: 'lost', input: 'temp' }],
          notWhile: [{ kind: 'switch', input: 'off', is: 'on' }],
          delayS: 10,
        },
      ],
    }),
  )
  const plan = provePlan(machine, kit)
  expect(plan.map(({ id }) => id)).toEqual([
    'floor',
    'ramp-start',
    'ramp-half',
    'ramp-full',
    'stage-1-joins',
    'stage-1-leaves',
    'night-comes',
    'day-comes',
    'run-on',
    'reduction-1',
    'rest-band-1',
    'temp-lost',
    'isolated',
    'overheat',
    'test',
    'cool-down',
    'bell-on-1',
    'bell-barred-1',
    'power',
    'read-back',
  ])
  for (const check of plan) {
    expect(check.how).not.toBe('')
    expect(check.ifFails).not.toBe('')
  }
  expect(plan.find(({ id }) => id === 'bell-on-1')).toMatchObject({
    how: 'Then take it back again. See that it reaches a person, not only a lamp.',
    expect: 'It is raised, after 10 s, and quiet again afterwards.',
  })
})
