import { bothChanged } from '@/core/record/bothChanged'
import { demoInstallation } from '@/testing/examples'

const base = demoInstallation('fruiting-room')
const withSpeeds = (floorPct: number, ceilingPct: number) => {
  const changed = structuredClone(base)
  changed.response.floor.speedPct = floorPct
  changed.response.ceiling.speedPct = ceilingPct
  return changed
}

test('only what both changed, and not alike, is told, with both figures', () => {
  expect(bothChanged(base, withSpeeds(25, 90), withSpeeds(30, 85))).toEqual([
    expect.stringMatching(/25 %.* here, 30 %.* there/),
  ])
  expect(bothChanged(base, withSpeeds(25, 90), withSpeeds(25, 85))).toEqual([])
  expect(bothChanged(base, base, withSpeeds(25, 85))).toEqual([])
})
