import { inputsOfRole, roleOf } from '@/core/duty/role'
import type { Role } from '@/core/rules/input'
import { demoInstallation } from '@/testing/examples'

// By use, by name, by duty: what every input of the demo stands for, with nothing declared.
test.each<[string, Record<string, Role>]>([
  ['archive-flat', { room: 'room', outdoor: 'outdoor', boost: 'request', mesh: 'alarm', pump: 'equipment' }],
  ['creamery-condenser', { coil1: 'coil', coil2: 'coil', coil: 'coil', defrost: 'defrost' }],
  ['duckling-brooder', { house1: 'room', house2: 'room', house: 'room' }],
  ['ticket-hall-door', { hall: 'room', door: 'door', heat: 'heat' }],
  ['bakehouse-flue', { flue: 'flue' }],
  ['inverter-cupboard', { sink: 'component' }],
  ['changing-rooms', { humidity: 'room', light: 'request' }],
])('%s', (name, roles) => {
  const installation = demoInstallation(name)
  expect(
    Object.fromEntries(installation.response.inputs.map((input) => [input.id, roleOf(input, installation)])),
  ).toEqual(roles)
})

test('what is declared goes before every guess', () => {
  const installation = demoInstallation('archive-flat')
  installation.response.inputs = installation.response.inputs.map((input) =>
    input.id === 'room' && input.kind !== 'switch' ? { ...input, name: 'outdoor hut', role: 'room' } : input,
  )
  expect(inputsOfRole(installation, 'outdoor').map(({ id }) => id)).toEqual(['outdoor'])
})

test('the isolator and the heat of the controller are known by what the response makes of them', () => {
  const installation = demoInstallation('kiln-room')
  installation.response.overrides = { isolated: 'firing', overheat: { input: 'box', onAt: 70, offBelow: 50 } }
  installation.response.inputs.push({ id: 'box', kind: 'temperature', name: 'box', from: 0, to: 90 })
  expect(installation.response.inputs.map((input) => roleOf(input, installation))).toEqual(['isolator', 'body'])
})
