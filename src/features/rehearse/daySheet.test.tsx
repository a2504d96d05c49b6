/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { fireEvent, screen } from '@testing-library/react'
import { CUSTOMARY } from '@/core/quantity/format'
import { builtInScenarios } from '@/core/scenario/builtIn'
import { MOST_OWN_DAYS } from '@/core/scenario/schema'
import { spaceOf } from '@/core/space/starting'
import { DaySheet } from '@/features/rehearse/DaySheet'
import { SpaceSheet } from '@/features/rehearse/SpaceSheet'
import { demoInstallation } from '@/testing/examples'
import { renderOverCopy, startBrowser } from '@/testing/workingCopy'

beforeEach(() => startBrowser())

const [mild] = builtInScenarios({ duty: 'grow-room', probe: 'roomTemp', fan: 'exhaust' }, 1)

test.each([
  { kept: MOST_OWN_DAYS - 1, full: false },
  { kept: MOST_OWN_DAYS, full: true },
])('with $kept painted days another may be begun: no → $full', ({ kept, full }) => {
  const scenarios = Array.from({ length: kept }, (_, index) => ({ ...mild!, id: `own-${index}` }))
  renderOverCopy(<DaySheet scenario={mild!} onChosen={() => undefined} files={[]} />, {
    ...demoInstallation('fruiting-room'),
    scenarios,
  })
  const begin = screen.getByRole<HTMLButtonElement>('button', { name: 'Paint a day from this one' })
  expect(begin.disabled).toBe(full)
  expect(screen.queryByText(/the most there can be/) !== null).toBe(full)
})

const READER = { ...CUSTOMARY, decimalMark: ',' } as const

test('a day is painted in the units of its reader', () => {
  const document = { ...demoInstallation('fruiting-room'), scenarios: [{ ...mild!, id: 'painted' }] }
  renderOverCopy(<DaySheet scenario={document.scenarios[0]!} onChosen={() => undefined} files={[]} />, document, READER)
  expect(screen.getByRole('combobox', { name: 'what to paint' })).toHaveTextContent('outdoor temperature, °F')
  const noon = screen.getByRole('slider', { name: 'outdoor temperature at 12:00' })
  const kept = Number(noon.getAttribute('aria-valuenow'))
  expect(noon).toHaveAttribute('aria-valuetext', `${(kept * 1.8 + 32).toFixed(1).replace('.', ',')} °F`)
})

test('a space is read and changed in the units of its reader', () => {
  const document = demoInstallation('fruiting-room')
  const space = spaceOf(document)
  const { volumeM3 } = space.serves as { volumeM3: number }
  renderOverCopy(<SpaceSheet space={space} />, document, READER)
  fireEvent.click(screen.getByRole('button', { name: /^All \d+ figures/ }))
  const volume = screen.getByRole('textbox', { name: 'volume of the air, ft³' })
  expect(volume).toHaveValue(String(Number((volumeM3 / 0.028316846592).toPrecision(4))).replace('.', ','))
  for (const name of ['air to outside, BTU/(h·F°)', 'water at full load, lb/h', 'leakage at 50 Pa, cfm'])
    expect(screen.getByRole('textbox', { name })).toBeInTheDocument()
})
