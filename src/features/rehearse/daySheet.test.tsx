/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { screen } from '@testing-library/react'
import { builtInScenarios } from '@/core/scenario/builtIn'
import { MOST_OWN_DAYS } from '@/core/scenario/schema'
import { DaySheet } from '@/features/rehearse/DaySheet'
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
