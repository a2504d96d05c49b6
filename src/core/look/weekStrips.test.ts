import { otherClockSpans, piecesOf } from '@/core/look/weekStrips'
import { WEEK_MIN, fillSpan } from '@/core/rules/week'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'
import { seeded } from '@/testing/seeded'

test.each([
  ['within a day', { days: [2], startMin: 480, endMin: 600 }, [{ day: 2, fromMin: 480, toMin: 600, ownDay: 2 }]],
  [
    'over midnight, and Sunday runs on into Monday',
    { days: [6], startMin: 1320, endMin: 60 },
    [
      { day: 6, fromMin: 1320, toMin: 1440, ownDay: 6 },
      { day: 0, fromMin: 0, toMin: 60, ownDay: 6 },
    ],
  ],
  [
    'to midnight it is one piece',
    { days: [0], startMin: 1320, endMin: 0 },
    [{ day: 0, fromMin: 1320, toMin: 1440, ownDay: 0 }],
  ],
])('%s', (_name, span, pieces) => expect(piecesOf(span)).toEqual(pieces))

test.each([1, 2, 3])('property, seed %i: the pieces are the minutes that the machine fills', (seed) => {
  const random = seeded(seed)
  for (let round = 0; round < 200; round++) {
    const startMin = Math.floor(random() * 1440)
    const endMin = Math.floor(random() * 1441)
    if (endMin === startMin) continue
    const span = { days: [0, 1, 2, 3, 4, 5, 6].filter(() => random() < 0.5), startMin, endMin }
    const filled = new Uint8Array(WEEK_MIN)
    fillSpan(filled, span, 1)
    const drawn = new Uint8Array(WEEK_MIN)
    for (const { day, fromMin, toMin } of piecesOf(span)) drawn.fill(1, day * 1440 + fromMin, day * 1440 + toMin)
    expect(Buffer.from(drawn).equals(Buffer.from(filled))).toBe(true)
  }
})

test.each(DEMO_NAMES)('%s: no hours are named that hang on nothing', (name) => {
  for (const { pieces, name: of } of otherClockSpans(demoInstallation(name).response)) {
    expect(of).not.toBe('')
    expect(pieces.length).toBeGreaterThan(0)
  }
})
