import { produce } from 'immer'
import { checkInstallation } from '@/core/installation/checkInstallation'
import type { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import { readInstallation } from '@/core/installation/read'
import { canonicalJson } from '@/core/json/canonical'
import { isBlank } from '@/core/rules/kind'
import { joinPaths, valueAt } from '@/core/json/path'
import { compile } from '@/core/machine/compile'
import { explain } from '@/core/machine/explain'
import type { Response } from '@/core/response/schema'
import {
  withoutRemarks,
  canCopy,
  duplicate,
  move,
  noteAt,
  remove,
  switchOff,
  standsAt,
  switchOn,
  writeNote,
} from '@/core/sentences/change'
import { findOffers } from '@/core/sentences/findOffers'
import { lines, offers, sentenceContext, type Line } from '@/core/sentences/table'
import { partsText } from '@/core/sentences/words'
import { demoInstallation } from '@/testing/examples'

const shed = newInstallation('Shed', 'exhaust')
const addBy = (document: Installation, sentence: string, figure: number | null = null): Installation =>
  produce(document, (draft) =>
    offers(document)
      .find((offer) => offer.sentence === sentence)
      ?.add(draft, figure, '2026-05-04'),
  )

/** One with two fans and three temperatures, to which everything there is has been added. */
const full = [
  ...new Set(
    offers(demoInstallation('duckling-brooder'))
      .concat(offers(shed))
      .map(({ sentence }) => sentence)
      // Offered once there are named speeds.
      .concat('Some speeds more while the door is open')
      // Offered once there is such an input.
      .concat('Say what the contact of boost switch does when it comes on', 'Below a voltage signal counts as lost'),
  ),
].reduce((document, sentence) => addBy(document, sentence), demoInstallation('duckling-brooder'))

const wording = (document: Installation, { kind, value, place }: Line) =>
  partsText(kind.sentence(value, sentenceContext(document), place))

test.each(offers(shed).map(({ sentence }) => sentence))('“%s” makes a good document, twice over too', (sentence) => {
  const once = addBy(shed, sentence)
  const twice = addBy(once, sentence)
  expect(once).not.toEqual(shed)
  for (const document of [once, twice]) {
    expect(readInstallation(document)).toMatchObject({ ok: true })
    expect(checkInstallation(document)).toEqual([])
  }
})

test.each([
  { words: 'hum surge', sentence: 'When humidity rises quickly, run until it is back', figure: null },
  { words: 'run on 10', sentence: 'When everything stops asking, run on for a time', figure: 600 },
  { words: 'run on 90 s', sentence: 'When everything stops asking, run on for a time', figure: 90 },
  { words: 'night by light', sentence: 'Day and night by light', figure: null },
  {
    words: 'boost overrun 15min',
    sentence: 'When a switch is on, run at a set speed, and run on afterwards',
    figure: 900,
  },
  { words: 'temp ramp 75f', sentence: 'As room temperature climbs, run faster', figure: 23.888889 },
  { words: 'week timer', sentence: 'By the clock, run at a set speed on working days', figure: null },
])('a few words (“$words”) are enough to find it', ({ words, sentence, figure }) => {
  const [found] = findOffers(offers(shed), words)
  expect(found?.offer.sentence).toBe(sentence)
  if (figure === null) expect(found!.figure).toBeNull()
  else expect(found!.figure).toBeCloseTo(figure, 5)
})

test('the figure typed is the figure set', () => {
  expect(addBy(shed, 'When everything stops asking, run on for a time', 600).response.finalRunOn).toEqual({
    holdS: 600,
    speedPct: null,
  })
})

test('a fan that is not driven yet can follow; one that follows is not offered again', () => {
  const room = demoInstallation('fruiting-room')
  const follow = (document: Installation) =>
    offers(document).filter(({ sentence }) => sentence.includes('follows the lead'))
  expect(follow(room)).toHaveLength(0)
  expect(follow({ ...room, response: { ...room.response, followers: [] } })).toHaveLength(1)
})

const everyLine = lines(full.response).map((line) => ({ line, name: `${line.behaviour} at “${line.place}”` }))

test('everything there is to say can stand in one response', () => {
  expect(compile(full.response)).toMatchObject({ ok: true })
  const kinds = new Set(everyLine.map(({ line }) => line.behaviour))
  expect([...kinds].sort()).toEqual(
    [
      'bounds',
      'combined',
      'contactSense',
      'liveZero',
      'heaterPurge',
      'isolated',
      'lightMode',
      'lostSensor',
      'otherOutput',
      'overheat',
      'powerMemory',
      'rate',
      'reduction',
      'skipBand',
      'rule',
      'finalRunOn',
      'growth',
      'namedSpeed',
      'powerReturn',
      'seasons',
      'startTrim',
      'stepUp',
      'target',
      'safetyStop',
      'scan',
      'stages',
      'startKick',
      'testOverride',
    ].sort(),
  )
})

describe.each(everyLine)('$name', ({ line }) => {
  const { kind, value, place } = line
  const parts = kind.sentence(value, sentenceContext(full), place)

  test('is a sentence', () => expect(wording(full, line)).toMatch(/^[\p{L}\d“(].*\.$/u))

  test('every blank stands for a figure that is really there', () => {
    for (const part of parts) {
      if (!isBlank(part)) continue
      const held = valueAt(full.response, joinPaths(place, part.path))
      if (part.kind === 'choice') expect(part.options.map(([option]) => option)).toContain(part.value)
      else if (part.kind === 'field') expect(held).toBe(part.value / (part.perBase ?? 1))
      else expect(held).toEqual(part.value)
    }
  })

  test('says what it does now', () => {
    const compiled = compile(full.response)
    if (!compiled.ok) throw new Error('does not compile')
    const inputs = compiled.value.inputsFrom({ clock: 0 })
    const explanation = explain(compiled.value, compiled.value.settledState(inputs), inputs)
    expect(kind.now(value, explanation, sentenceContext(full), place)).not.toBe('')
  })

  if (kind.isFixed !== true) {
    test('switched off it does nothing and is not lost; switched on again all is as before', () => {
      const off = produce(full.response, (draft) => switchOff(draft, line))
      expect(off).not.toEqual(full.response)
      const resting = lines(off).find((other) => other.behaviour === line.behaviour && other.place === place)!
      expect(resting.switchedOffAt !== null || (resting.value as { off?: true }).off).toBeTruthy()
      expect(valueAt(off, standsAt(resting))).toBeDefined()
      const on = produce(off, (draft) => switchOn(draft, resting))
      expect(sorted(on)).toEqual(sorted(full.response))
      expect(readInstallation({ ...full, response: off })).toMatchObject({ ok: true })
    })

    test('removed it is gone, with its notes', () => {
      const noted = produce(full.response, (draft) => writeNote(draft, `${place}.x`, 'why'))
      const gone = produce(noted, (draft) => remove(draft, line))
      expect(lines(gone)).toHaveLength(lines(full.response).length - 1)
      expect(noteAt(gone, `${place}.x`)).toBe('')
    })
  }

  if (canCopy(line))
    test('a copy stands behind it under a name of its own', () => {
      const copied = produce(full.response, (draft) => duplicate(draft, line))
      expect(lines(copied)).toHaveLength(lines(full.response).length + 1)
      expect(compile(copied)).toMatchObject({ ok: true })
    })

  for (const { label, change } of kind.more?.(value, sentenceContext(full)) ?? [])
    test(`“${label}” leaves a good response`, () => {
      const changed = produce(full.response, (draft) => change(valueAt(draft, place)))
      expect(canonicalJson(changed)).not.toBe(canonicalJson(full.response))
      expect(compile(changed)).toMatchObject({ ok: true })
    })
})

/** Lists whose order says nothing, in one order. */
const sorted = (response: Response) => ({
  ...response,
  otherOutputs: [...(response.otherOutputs ?? [])].sort((a, b) => a.id.localeCompare(b.id)),
  followers: [...response.followers].sort((a, b) => a.fan.localeCompare(b.fan)),
})

test('a rule moves one place at a time and stops at the ends', () => {
  const order = (response: Response) => response.rules.map(({ id }) => id)
  const room = demoInstallation('fruiting-room').response
  const [first, second, third] = order(room)
  const down = produce(room, (draft) => move(draft, first!, 1))
  expect(order(down)).toEqual([second, first, third])
  expect(order(produce(room, (draft) => move(draft, first!, -1)))).toEqual(order(room))
})

test('a remark changes nothing that is carried out', () => {
  const room = demoInstallation('fruiting-room').response
  const noted = produce(room, (draft) => {
    writeNote(draft, `rules.${room.rules[0]!.id}`, 'as the grower asked')
    writeNote(draft, `rules.${room.rules[0]!.id}.startAt`, 'read at the shelf')
  })
  expect(noteAt(noted, `rules.${room.rules[0]!.id}`)).toBe('as the grower asked')
  expect(noteAt(noted, `rules.${room.rules[0]!.id}.startAt`)).toBe('read at the shelf')
  expect(canonicalJson(withoutRemarks(noted))).toBe(canonicalJson(withoutRemarks(room)))
})

test.each([
  { at: 'finalRunOn', value: 5 },
  { at: 'stages', value: { fixed: [] } },
  { at: 'constructor.name', value: 'x' },
  { at: 'inputs.house.name', value: 20 },
])('what is set aside must be what stands at its place: $at is refused with $value', (aside) => {
  const house = demoInstallation('duckling-brooder')
  expect(readInstallation({ ...house, response: { ...house.response, switchedOff: [aside] } })).toMatchObject({
    ok: false,
  })
})

test.each([
  { label: 'start kick, time', limits: [0, 120] },
  { label: 'scan interval', limits: [0, 3600] },
])('“$label” takes no more than a response may hold', ({ label, limits }) => {
  const blanks = lines(full.response).flatMap(({ kind, value, place }) =>
    kind.sentence(value, sentenceContext(full), place),
  )
  expect(blanks.find((part) => 'label' in part && part.label === label)).toMatchObject({ limits })
})
