import { seeded } from '@/testing/seeded'
import {
  LABEL_HEIGHT_PX,
  labelWidthPx,
  placeLabels,
  type Box,
  type LabelWish,
  type Side,
} from '@/ui/labels/placeLabels'

const AREA: Box = { x: 40, y: 10, width: 320, height: 200 }
const SIDES: readonly Side[] = [
  'right',
  'left',
  'above',
  'below',
  'above right',
  'above left',
  'below right',
  'below left',
]

const boxOf = ({ text }: LabelWish, { x, y }: { x: number; y: number }): Box => ({
  x: x - labelWidthPx(text) / 2,
  y: y - LABEL_HEIGHT_PX / 2,
  width: labelWidthPx(text),
  height: LABEL_HEIGHT_PX,
})

const crossing = (one: Box, other: Box): boolean =>
  Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x) > 1e-6 &&
  Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y) > 1e-6

test('a label alone stands on the side it likes best', () => {
  const [place] = placeLabels([{ text: 'now', x: 100, y: 100, sides: ['right'] }], AREA, [])
  expect(place!.x).toBeCloseTo(104 + labelWidthPx('now') / 2)
  expect(place!.y).toBe(100)
})

test.each([
  [
    'at the right edge it goes to the left',
    { text: 'limit', x: 355, y: 100, sides: ['right', 'left'] },
    (x: number) => x < 355,
  ],
  [
    'at the top edge it goes below',
    { text: 'ceiling', x: 200, y: 12, sides: ['above', 'below'] },
    (_x: number, y: number) => y > 12,
  ],
] as const)('%s', (_name, wish, holds) => {
  const [place] = placeLabels([wish], AREA, [])
  expect(holds(place!.x, place!.y)).toBe(true)
})

test('a line is kept off where there is a place beside it, and written over rather than left out', () => {
  const wish: LabelWish = { text: 'target 40–60', x: 100, y: 20, sides: ['right', 'left'] }
  const line: Box = { x: 150, y: 10, width: 2, height: 200 }
  const [beside] = placeLabels([{ ...wish, x: 200 }], AREA, [line])
  expect(crossing(boxOf(wish, beside!), line)).toBe(false)
  const everywhere: Box = { ...AREA }
  expect(placeLabels([wish], AREA, [everywhere])[0]).not.toBeNull()
})

test('on one line labels are pushed along it and keep their order of importance', () => {
  const wishes: LabelWish[] = [80, 75, 78].map((x) => ({ text: 'ceiling 80', x, y: 9, sides: ['right', 'left'] }))
  const places = placeLabels(wishes, { x: 0, y: 0, width: 380, height: 18 }, [])
  expect(places.every((place) => place?.y === LABEL_HEIGHT_PX / 2)).toBe(true)
  expect(places[0]!.x).toBeCloseTo(84 + labelWidthPx('ceiling 80') / 2)
})

test('what stays at its point is left out rather than moved', () => {
  const hours: LabelWish[] = [100, 110, 180].map((x) => ({ text: '12:00', x, y: 9, sides: ['above'], stays: true }))
  const places = placeLabels(hours, { x: 0, y: 0, width: 380, height: 18 }, [])
  expect(places.map((place) => place?.x ?? null)).toEqual([100, null, 180])
})

test.each([1, 2, 3, 4, 5, 6])('property, seed %i: none crosses another, none leaves the area', (seed) => {
  const random = seeded(seed)
  for (let round = 0; round < 50; round++) {
    const area = random() < 0.3 ? { ...AREA, height: 18 } : AREA
    const wishes: LabelWish[] = Array.from({ length: 1 + Math.floor(random() * 9) }, (_, index) => ({
      text: 'x'.repeat(1 + Math.floor(random() * 20)) + index,
      x: area.x + random() * area.width,
      y: area.y + random() * area.height,
      sides: SIDES.slice(0, 1 + Math.floor(random() * SIDES.length)),
    }))
    const boxes = placeLabels(wishes, area, []).flatMap((place, index) => (place ? [boxOf(wishes[index]!, place)] : []))
    for (const [index, one] of boxes.entries()) {
      expect(one.x).toBeGreaterThanOrEqual(area.x - 1e-6)
      expect(one.x + one.width).toBeLessThanOrEqual(area.x + area.width + 1e-6)
      expect(one.y).toBeGreaterThanOrEqual(area.y - 1e-6)
      expect(boxes.slice(index + 1).some((other) => crossing(one, other))).toBe(false)
    }
  }
})
