import { given, givenList, givenParts, made } from '@/core/controller/given'

const kick = { kind: 'no-kick' } as const
const wins = { kind: 'wins', asked: 'first' } as const

test('losses that are not there count for nothing', () => {
  const isLost = [true, false, true]
  expect(given(3, isLost[0]! && kick, isLost[1]! && wins, undefined)).toEqual({ value: 3, losses: [kick] })
})

test('what is made of a value keeps its losses', () =>
  expect(made(given(3, kick), (x) => x * 2)).toEqual({ value: 6, losses: [kick] }))

test('a list and an object of what is given keep theirs in order', () => {
  expect(givenList([given(1, kick), given(2), given(3, wins)])).toEqual({ value: [1, 2, 3], losses: [kick, wins] })
  expect(givenParts({ b: given('x', wins), a: given(1, kick) })).toEqual({
    value: { b: 'x', a: 1 },
    losses: [wins, kick],
  })
})
