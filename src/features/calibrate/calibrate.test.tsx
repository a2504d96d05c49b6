/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { act, fireEvent, screen, within } from '@testing-library/react'
import type { FanCalibration } from '@/core/calibration/schema'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { MapTable } from '@/features/calibrate/MapTable'
import { Trials } from '@/features/calibrate/Trials'
import { renderOverCopy, startBrowser } from '@/testing/workingCopy'
import { useDerived, useWorkingCopy } from '@/ui/workingCopy/context'

beforeEach(() => startBrowser())

let held: FanCalibration
let undo: () => void

/** The first fan of the fruiting room under one part of the stage. */
function OfFirstFan({ part }: { part: 'trials' | 'map' }) {
  const [derived] = useDerived().fans
  const edit = useWorkingCopy((state) => state.edit)
  undo = useWorkingCopy((state) => state.undo)
  held = useWorkingCopy(({ document }) => document.calibration.fans[0]!)
  const change: ChangeCalibration = (label, recipe, key) =>
    edit(label, ({ calibration }) => recipe(calibration.fans[0]!), key)
  return part === 'trials' ? (
    <Trials calibration={held} fan={derived!.fan} onChange={change} />
  ) : (
    <MapTable calibration={held} derived={derived!} onChange={change} />
  )
}

const type = (label: string, text: string) => {
  const field = screen.getByRole('textbox', { name: (name) => name.startsWith(label) })
  fireEvent.change(field, { target: { value: text } })
  fireEvent.blur(field)
}

test('tries close in on the start, and each answer is kept as it is given', () => {
  renderOverCopy(<OfFirstFan part="trials" />)
  const start = within(screen.getByRole('region', { name: 'From rest: does it turn?' }))
  const before = held.startsPct.length
  const press = (name: string) => fireEvent.click(start.getByRole('button', { name }))
  type('From rest: does it turn?', '10')
  press('Stands still')
  expect(start.getByRole('status')).toHaveTextContent('Stands still at 10 %.')
  expect(held.tries?.at(-1)).toMatchObject({ of: 'start', settingPct: 10, turned: false })
  expect(start.getByRole('button', { name: 'Not seen yet' })).toBeDisabled()
  type('From rest: does it turn?', '25')
  press('It turns')
  expect(start.getByRole('status')).toHaveTextContent('Stands still at 10 %. It turns at 25 %.')
  // What has been seen to turn may be noted; what only stands in the field may not.
  expect(start.getByRole('button', { name: 'Note 25 %' })).toBeEnabled()
  expect(held.startsPct).toHaveLength(before)
  // Within one step of the controller, five percent, the trial is over and notes itself.
  type('From rest: does it turn?', '15')
  press('It turns')
  expect(held.startsPct).toHaveLength(before + 1)
  expect(held.startsPct.at(-1)).toBe(15)
  expect(start.getByRole('status')).toBeEmptyDOMElement()
  act(() => undo())
  expect(held.startsPct).toHaveLength(before)
  expect(start.getByRole('status')).toHaveTextContent('Stands still at 10 %. It turns at 25 %.')
})

test('a reading is typed, excluded, used again and removed, each one step for undo', () => {
  renderOverCopy(<OfFirstFan part="map" />)
  const readings = [...held.map].sort((a, b) => a.settingPct - b.settingPct)
  const rows = within(screen.getByRole('region', { name: 'readings' }))
    .getAllByRole('row')
    .slice(1)
  expect(rows).toHaveLength(readings.length)
  const { id, settingPct } = readings.find(({ setAside }) => !setAside)!
  const reading = () => held.map.find((one) => one.id === id)
  const flowLs = reading()!.flowLs
  type(`flow at ${settingPct} %`, '37')
  expect(reading()?.flowLs).toBe(37)
  act(() => undo())
  expect(reading()?.flowLs).toBe(flowLs)
  const exclude = screen.getByRole('checkbox', { name: `exclude the reading at ${settingPct} %` })
  fireEvent.click(exclude)
  expect(reading()?.setAside).toBe(true)
  fireEvent.click(exclude)
  expect(reading()?.setAside).toBe(false)
  fireEvent.click(screen.getByRole('button', { name: `Remove the reading at ${settingPct} %` }))
  expect(reading()).toBeUndefined()
  act(() => undo())
  expect(reading()?.flowLs).toBe(flowLs)
})

test('a flow that cannot be read says why and counts no more, and undo brings the old one back', () => {
  renderOverCopy(<OfFirstFan part="map" />)
  const before = held.map
  type(`flow at ${before[0]!.settingPct} %`, 'much')
  expect(screen.getByRole('alert')).toHaveTextContent(/is not a number/)
  expect(held.map[0]!.flowLs).toBeNull()
  act(() => undo())
  expect(held.map).toEqual(before)
})
