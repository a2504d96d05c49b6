import { checkModel } from '@/core/controller/checkModel'
import { wayTo } from '@/core/controller/panel'
import { describeState, EMPTY_PANEL, stepBack, stepOn } from '@/core/controller/walkPanel'
import { demoModel } from '@/testing/examples'

const press = { control: 'key', act: 'press' } as const
const hold = { control: 'key', act: 'hold' } as const

test('a finger’s path makes the states it passes, and leads back', () => {
  const opened = stepOn(EMPTY_PANEL, 'front', press, 'new')
  const seen = describeState(opened.panel, opened.at, { shows: 'low [{value}]', setting: 'run' })
  const raised = stepOn(seen, opened.at, { ...press, does: 'step-up' }, 'stays')
  expect(raised.at).toBe(opened.at)
  const home = stepOn(raised.panel, raised.at, { ...hold, does: 'keep' }, { state: 'front' })
  expect(home.at).toBe('front')
  expect(wayTo(home.panel, 'front', opened.at)).toHaveLength(1)
  const { settings, ...model } = demoModel('slide-lever-box')
  const run = settings.filter(({ id }) => id === 'run')
  expect(checkModel({ ...model, settings: run, panel: home.panel })).toEqual([])
})

test('the same act again takes the place of what was there, and a step can be taken back', () => {
  const once = stepOn(EMPTY_PANEL, 'front', press, 'new').panel
  const twice = stepOn(once, 'front', press, 'stays').panel
  expect(twice.states[0]?.moves).toEqual([press])
  expect(stepBack(twice, 'front', press).states[0]?.moves).toEqual([])
})

test('where no setting is open nothing happens to one', () => {
  const open = describeState(EMPTY_PANEL, 'front', { shows: 'x', setting: 'run' })
  const steps = stepOn(open, 'front', { ...press, does: 'step-up' }, 'stays').panel
  expect(describeState(steps, 'front', { shows: 'x' }).states[0]).toEqual({ id: 'front', shows: 'x', moves: [press] })
})
