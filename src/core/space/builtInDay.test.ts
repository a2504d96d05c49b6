import { DUTIES } from '@/core/brief/duty'
import { roleOf } from '@/core/duty/role'
import { newInstallation } from '@/core/installation/newInstallation'
import { builtInDay } from '@/core/space/builtInDay'
import { demoInstallation } from '@/testing/examples'

const STILL = new Set(['isolator', 'safety-stop', 'test', 'body', 'heat', 'equipment', 'defrost', 'alarm'])
const NAMES = [
  'archive-flat',
  'creamery-condenser',
  'ticket-hall-door',
  'fruiting-room',
  'kiln-room',
  'duckling-brooder',
]

test.each(
  [...NAMES.map(demoInstallation), ...DUTIES.map((duty) => newInstallation(`A new one for ${duty}`, duty))].map(
    (one) => [one.name, one] as const,
  ),
)('a made-up day of %s moves only what people and weather move', (_name, installation) => {
  const { inputs, values } = builtInDay(installation)
  for (const input of installation.response.inputs) {
    const column = values[inputs.indexOf(input.id)]
    const moves = column !== undefined && Array.from(column).some((x) => x !== column[0])
    if (STILL.has(roleOf(input, installation))) expect(moves).toBe(false)
    if (column && input.kind === 'switch' && !moves) expect(column[0]).toBe(0)
  }
})

test('isolator, safety stop, test and the heat of the controller stand still, whatever they are called', () => {
  const installation = demoInstallation('kiln-room')
  installation.response.inputs.push(
    { id: 'a', kind: 'switch', name: 'red key' },
    { id: 'b', kind: 'switch', name: 'mushroom head' },
    { id: 'c', kind: 'switch', name: 'blue key' },
    { id: 'box', kind: 'temperature', name: 'inside', from: 0, to: 100 },
  )
  installation.response.overrides = {
    isolated: 'a',
    safetyStop: 'b',
    test: { input: 'c', speedPct: 60 },
    overheat: { input: 'box', onAt: 70, offBelow: 50 },
  }
  const { inputs, values } = builtInDay(installation)
  const highest = (id: string) => Math.max(...values[inputs.indexOf(id)]!)
  expect(['a', 'b', 'c', 'firing'].map(highest)).toEqual([0, 0, 0, 1])
  expect(highest('box')).toBeLessThan(50)
})

test('outside it is weather, inside it passes the limit for a while', () => {
  const { inputs, values } = builtInDay(demoInstallation('archive-flat'))
  const [room, outdoor] = ['room', 'outdoor'].map((id) => values[inputs.indexOf(id)]!)
  expect([Math.min(...outdoor!), Math.max(...outdoor!)].map(Math.round)).toEqual([14, 27])
  expect(Math.max(...room!)).toBeGreaterThan(27)
})
