import { DUTY_PLANS } from '@/core/duty/table'
import { anotherLike } from '@/core/installation/anotherLike'
import { readInstallation } from '@/core/installation/read'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'

describe.each(DEMO_NAMES)('another like %s', (name) => {
  const one = demoInstallation(name)
  const other = anotherLike(one, 'The next room')

  test('can be opened, and is called as it was told', () => {
    expect(readInstallation(JSON.parse(JSON.stringify(other)))).toMatchObject({
      ok: true,
      value: { name: 'The next room' },
    })
  })
  test('takes over what was decided', () => {
    expect(other.response).toEqual(one.response)
    expect(other.brief.targets).toEqual(one.brief.targets)
    expect(other.kit.controller).toEqual(one.kit.controller)
    expect(other.kit.fans).toEqual(one.kit.fans)
  })
  test('has nothing of what was read, looked at, entered or let pass over there', () => {
    expect(other.calibration.fans.map(({ map, startsPct, stallsPct }) => [...map, ...startsPct, ...stallsPct])).toEqual(
      one.kit.fans.map(() => []),
    )
    expect(other.dial).toEqual({ present: [], done: [] })
    for (const key of ['dismissed', 'upkeep', 'rehearsed']) expect(other).not.toHaveProperty(key)
    for (const key of ['mounting', 'terminals', 'deratedToPct']) expect(other.kit).not.toHaveProperty(key)
    expect(other.kit.probes.every(({ place }) => place === '')).toBe(true)
    for (const { id, isSafety } of DUTY_PLANS[one.brief.duty].questions)
      if (isSafety) expect(other.brief.answers ?? {}).not.toHaveProperty(id)
  })
})
