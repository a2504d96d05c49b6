import { compile } from '@/core/machine/compile'
import { withoutInputs } from '@/core/machine/withoutInputs'
import { throughEveryPart } from '@/testing/everyPart'
import { machineFor, measured, plainRamp, responseTo, settledPct } from '@/testing/examples'

test('whatever is left out, what remains still runs', () => {
  const ids = throughEveryPart.inputs.map(({ id }) => id)
  for (const id of ids) expect(compile(withoutInputs(throughEveryPart, [id]))).toMatchObject({ ok: true })
  for (let bits = 0; bits < 2 ** ids.length; bits += 7) {
    const gone = ids.filter((_id, index) => bits & (1 << index))
    const left = withoutInputs(throughEveryPart, gone)
    expect(compile(left)).toMatchObject({ ok: true })
    expect(JSON.stringify({ ...left, name: '' })).not.toMatch(
      new RegExp(gone.map((id) => `"input":"${id}"`).join('|') || '^$'),
    )
  }
})

test('a probe of several is left out of what they make together', () => {
  const document = responseTo([plainRamp({ input: 'both' })], {
    inputs: [
      measured('a', 'temperature'),
      measured('b', 'temperature'),
      { ...measured('both', 'temperature'), combines: { of: ['a', 'b'], how: 'average' }, lostPct: 100 },
    ],
  })
  expect(settledPct(machineFor(document), { a: 30, b: 50 })).toBe(40)
  expect(settledPct(machineFor(withoutInputs(document, ['b'])), { a: 30 })).toBe(30)
  expect(settledPct(machineFor(withoutInputs(document, ['a', 'b'])), {})).toBe(0)
})
