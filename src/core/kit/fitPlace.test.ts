import { readFileSync } from 'node:fs'
import { fit } from '@/core/controller/fit'
import { readInstallationText } from '@/core/installation/read'
import { fitPlace } from '@/core/kit/fitPlace'
import type { Signal } from '@/core/physics/signal'

const read = readInstallationText(readFileSync('docs/formats/examples/exhaust.json', 'utf8'))
if (!read.ok) throw new Error(JSON.stringify(read.problems))
const { value: exhaust } = read

test.each<{ signal: Signal; type: number }>([
  { signal: { kind: 'volts', convention: 'ten' }, type: 0 },
  { signal: { kind: 'volts', convention: 'two-to-ten' }, type: 1 },
  { signal: { kind: 'volts', convention: 'ten-cut-off' }, type: 2 },
  // None of these: the output stays as its maker delivers it.
  { signal: { kind: 'relay' }, type: 1 },
])('an output is put to what the lead takes: $signal', ({ signal, type }) => {
  const fans = exhaust.kit.fans.map((fan) => ({ ...fan, signal }))
  const place = fitPlace({ ...exhaust, kit: { fans } })
  const { settings } = fit(exhaust.response, exhaust.kit.controller!, place)
  expect(settings.find(({ setting }) => setting === 'type')?.value).toBe(type)
})

test('a step that can be set is the one asked', () => {
  const asked = { ...exhaust.response, steps: { ...exhaust.response.steps, stepPct: 25 } }
  expect(fit(asked, exhaust.kit.controller!, fitPlace(exhaust)).given.steps.stepPct).toBe(25)
})
