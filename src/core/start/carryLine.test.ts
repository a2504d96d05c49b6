import { produce } from 'immer'
import { compile } from '@/core/machine/compile'
import { lines } from '@/core/sentences/table'
import { adopt } from '@/core/start/adopt'
import { canCarry, carryLine } from '@/core/start/carryLine'
import { demoInstallation } from '@/testing/examples'

const NAMES = [
  'changing-rooms',
  'creamery-condenser',
  'duckling-brooder',
  'fruiting-room',
  'archive-flat',
  'ticket-hall-door',
]

describe.each(NAMES.flatMap((from) => NAMES.filter((to) => to !== from).map((to) => ({ from, to }))))(
  'from $from to $to',
  ({ from, to }) => {
    const [giver, taker] = [demoInstallation(from), demoInstallation(to)]
    const adopted = adopt(
      taker.response,
      giver.response,
      taker.kit.fans.map(({ id }) => id),
    )
    test('every sentence that can be copied leaves a response that works, with one sentence more or another in its place', () => {
      for (const line of lines(adopted).filter(canCarry)) {
        const copied = produce(taker.response, (draft) => carryLine(draft, adopted, line))
        expect(compile(copied)).toMatchObject({ ok: true })
        expect(copied).not.toEqual(taker.response)
      }
    })
  },
)

test('a rule keeps its figures and answers to the input here', () => {
  const [giver, taker] = [demoInstallation('fruiting-room'), demoInstallation('inverter-cupboard')]
  const adopted = adopt(taker.response, giver.response, ['fan'])
  const line = lines(adopted).find(({ behaviour }) => behaviour === 'rule')!
  const copied = produce(taker.response, (draft) => carryLine(draft, adopted, line))
  expect(copied.rules.at(-1)).toMatchObject({ kind: 'ramp', input: 'sink', startAt: 16, fullAt: 20 })
})
