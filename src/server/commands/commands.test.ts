import { randomUUID } from 'node:crypto'
import { derive } from '@/core/derive/derive'
import { canonicalJson } from '@/core/json/canonical'
import { planFor } from '@/core/prove/plan'
import { fingerprintOf } from '@/core/json/fingerprint'
import { openText } from '@/core/record/stillOpen'
import { problemLine } from '@/core/words/problems'
import type { Scope } from '@/db/client'
import { inWorkspace } from '@/db/client'
import { listCheckResults } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { listLog } from '@/db/queries/log'
import { listPhotos } from '@/db/queries/photo'
import { getReadings, listReadingFiles } from '@/db/queries/reading'
import { listRevisions } from '@/db/queries/revision'
import { checkResult, workingCopy } from '@/db/schema'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { importReadingsFile } from '@/server/commands/importReadingsFile'
import { listControllerModels } from '@/db/queries/controllerModel'
import { keepController } from '@/server/commands/keepController'
import { keepCheck } from '@/server/commands/keepCheck'
import { keepPhoto } from '@/server/commands/keepPhoto'
import { keepWorkingCopy } from '@/server/commands/keepWorkingCopy'
import { importInstallation, makeInstallation } from '@/server/commands/makeInstallation'
import { replaceText } from '@/server/commands/replaceText'
import { seal } from '@/server/commands/seal'
import { writeLog } from '@/server/commands/writeLog'
import type { Result } from '@/server/result'
import { demoInstallation, demoModel, demoText } from '@/testing/examples'

useThrowawayDatabase()

let scope: Scope
let id: string
beforeEach(async () => {
  scope = await newScope()
  id = randomUUID()
  await importInstallation(scope, { id, site: 'Lock Cottage', text: demoText('installations/fruiting-room.json') })
})

async function openRow(of: string) {
  const row = await getInstallation(scope, of)
  if (row?.kind !== 'open') throw new Error('it does not open')
  return row
}

/** Keeps a reading of the first check, with the exhaust at this speed. */
const keepFloor = (exhaust: number) =>
  keepCheck(scope, {
    id: randomUUID(),
    installationId: id,
    check: 'floor',
    reading: {
      kind: 'speed',
      steps: [{ inputs: { roomTemp: 14, humidity: 84 }, fansPct: { exhaust, 'make-up': 20 } }],
    },
  })

const lines = (result: Result<object>): string[] =>
  result.kind === 'invalid' ? result.problems.map(problemLine) : [result.kind]

test('a controller that is kept again has the next version; the same once more has not', async () => {
  const own = { ...demoModel('two-pad-pwm'), id: 'mine' }
  const versions: (number | undefined)[] = []
  for (const about of ['one', 'one', 'two']) {
    await keepController(scope, { text: JSON.stringify({ ...own, about }) })
    versions.push((await listControllerModels(scope)).find((model) => model.id === 'mine')?.version)
  }
  expect(versions).toEqual([undefined, 1, 2])
})

test('an imported installation is exported byte for byte', async () =>
  expect(canonicalJson((await openRow(id)).workingCopy.document)).toBe(demoText('installations/fruiting-room.json')))

test.each([
  {
    what: 'an answer that no choice knows',
    answers: { animal: 'hen' },
    line: /brief.answers.animal: There is no question of grow-room “animal”/,
  },
  {
    what: 'a word for a number',
    answers: { temp: 'warm' },
    line: /brief.answers.temp: .* is a string; this needs a number/,
  },
  {
    what: 'a number outside',
    answers: { damp: 140 },
    line: /brief.answers.damp: .* is 140 %RH; it must lie between 20 and 98/,
  },
])('an import with $what is refused with its place', async ({ answers, line }) => {
  const document = demoInstallation('fruiting-room')
  const text = JSON.stringify({ ...document, brief: { ...document.brief, answers } })
  expect(lines(await importInstallation(scope, { id: randomUUID(), site: 'Lock Cottage', text })).join(' ')).toMatch(
    line,
  )
})

test('a text that was mended takes the place of one that could not be opened; one that is still wrong does not', async () => {
  await inWorkspace(scope, (tx) => tx.update(workingCopy).set({ document: { name: 'Shed' } }))
  const mend = (text: string, saveId = randomUUID(), version = 1) => replaceText(scope, { id, saveId, version, text })
  const once = randomUUID()
  expect(lines(await mend('{"schema": "soft-gale/installation@2"}')).join(' ')).toMatch(/“name” is missing/)
  expect((await getInstallation(scope, id))?.kind).toBe('unreadable')
  expect(await mend(demoText('installations/fruiting-room.json'), once)).toEqual({ kind: 'done' })
  // Sent again because its answer was lost.
  expect(await mend(demoText('installations/fruiting-room.json'), once)).toEqual({ kind: 'done' })
  expect((await openRow(id)).workingCopy.version).toBe(2)
  expect((await mend(demoText('installations/fruiting-room.json'))).kind).toBe('behind')
})

test('making the same installation twice makes one, and leaves the first as it is', async () => {
  expect(await makeInstallation(scope, { id, site: 'Lock Cottage', name: 'Other', duty: 'exhaust' })).toEqual({
    kind: 'done',
    id,
  })
  expect((await openRow(id)).workingCopy.document.name).toBe('Fruiting room 2, exhaust and make-up')
})

test.each([
  { input: null, line: 'this must be a object, not null.' },
  { input: { id: 'x', baseVersion: 1, saveId: randomUUID(), document: {} }, line: /^id: / },
  {
    input: { id: randomUUID(), baseVersion: 0.5, saveId: randomUUID(), document: {} },
    line: /baseVersion: this must be a whole number/,
  },
])('a save of $input is refused with its place', async ({ input, line }) =>
  expect(lines(await keepWorkingCopy(scope, input)).join(' ')).toMatch(line),
)

test('a document that contradicts itself is not kept, and the one before stays', async () => {
  const document = demoInstallation('fruiting-room')
  document.response.floor.speedPct = 95
  expect(lines(await keepWorkingCopy(scope, { id, baseVersion: 1, saveId: randomUUID(), document }))).toContain(
    'response.floor.speedPct: The floor (95 %) is above the ceiling (90 %).',
  )
  expect((await openRow(id)).workingCopy.version).toBe(1)
})

test('a check is judged on the server, against the kept working copy', async () => {
  expect(await keepFloor(26)).toMatchObject({ kind: 'done', verdict: 'passes' })
  expect(await keepFloor(40)).toMatchObject({ kind: 'done', verdict: 'fails' })
  expect(
    lines(
      await keepCheck(scope, {
        id: randomUUID(),
        installationId: id,
        check: 'gone',
        reading: { kind: 'seen', asExpected: true },
      }),
    ),
  ).toEqual(['check: This check no longer belongs to the setting; open Prove again.'])
})

test('a seal needs a reason', async () =>
  expect(lines(await seal(scope, { id: randomUUID(), installationId: id, version: 1, reason: '  ' }))).toEqual([
    'reason: "  " must not have fewer than 3 characters.',
    'reason: this must not be empty.',
  ]))

describe('an id', () => {
  test('is of one workspace: what another made under it stays as it is, and tells nobody that it is there', async () => {
    const other = await newScope('Ada Fenn')
    const shared = randomUUID()
    const text = demoText('installations/fruiting-room.json')
    expect((await importInstallation(other, { id: shared, site: 'Elsewhere', text })).kind).toBe('done')
    const before = await getInstallation(other, shared)
    expect(await makeInstallation(scope, { id: shared, site: 'Lock Cottage', name: 'Mine', duty: 'exhaust' })).toEqual({
      kind: 'done',
      id: shared,
    })
    expect(await seal(scope, { id: shared, installationId: shared, version: 1, reason: 'mine alone' })).toMatchObject({
      kind: 'done',
    })
    expect(await getInstallation(other, shared)).toEqual(before)
    expect(await listRevisions(other, shared)).toEqual([])
  })
  test('that was used for something else of ours is refused, and what it was used for stays', async () => {
    const entry = randomUUID()
    expect(await writeLog(scope, { id: entry, installationId: id, text: 'first' })).toEqual({ kind: 'done' })
    expect(await writeLog(scope, { id: entry, installationId: id, text: 'second' })).toEqual({ kind: 'unknown' })
    const second = randomUUID()
    await makeInstallation(scope, { id: second, site: 'Lock Cottage', name: 'Second', duty: 'exhaust' })
    const sealing = { id: randomUUID(), version: 1, reason: 'as found' }
    expect((await seal(scope, { ...sealing, installationId: second })).kind).toBe('done')
    expect(await seal(scope, { ...sealing, installationId: id })).toEqual({ kind: 'unknown' })
  })
})

test('what was read later counts, even where the clock was set back in between', async () => {
  await keepFloor(26)
  await inWorkspace(scope, (tx) => tx.update(checkResult).set({ readAt: new Date('2126-01-01T00:00:00Z') }))
  await keepFloor(40)
  expect((await listCheckResults(scope, id)).map(({ verdict }) => verdict)).toEqual(['passes', 'fails'])
})

describe('a seal says what is open', () => {
  const importRooms = async () => {
    const rooms = randomUUID()
    const text = demoText('installations/changing-rooms.json')
    await importInstallation(scope, { id: rooms, site: 'Regatta house', text })
    return rooms
  }
  const sealOf = (installationId: string, stays?: object) =>
    seal(scope, { id: randomUUID(), installationId, version: 1, reason: 'as found', ...stays })

  test('a danger asks for its reason, each by itself', async () => {
    const rooms = await importRooms()
    expect(lines(await sealOf(rooms))).toEqual([
      'stays.mounting-isolator: Say why this stays as it is: No single isolator cuts every supply.',
      'stays.open-flue-unproved: Say why this stays as it is: An open flue, and no spillage test.',
    ])
    const one = { stays: [{ danger: 'mounting-isolator', reason: 'electrician is due' }] }
    expect(lines(await sealOf(rooms, one))).toEqual([
      'stays.open-flue-unproved: Say why this stays as it is: An open flue, and no spillage test.',
    ])
    expect(lines(await sealOf(rooms, { stays: [{ danger: 'mounting-isolator', reason: '  ' }] })).join()).toMatch(
      /stays.0.reason/,
    )
    expect(await listRevisions(scope, rooms)).toEqual([])
  })

  test('what is open stands on the seal and in the log, and holds nothing up', async () => {
    const rooms = await importRooms()
    const stays = [
      { danger: 'mounting-isolator', reason: 'electrician is due' },
      { danger: 'open-flue-unproved', reason: 'stove is tagged' },
      { danger: 'gone', reason: 'nobody asked' },
    ]
    expect(await sealOf(rooms, { stays })).toEqual({ kind: 'done', number: 1 })
    const [sealed] = await listRevisions(scope, rooms)
    const open = sealed!.open!
    expect(open.filter(({ kind }) => kind === 'danger').map(({ key, reason }) => [key, reason])).toEqual([
      ['mounting-isolator', 'electrician is due'],
      ['open-flue-unproved', 'stove is tagged'],
    ])
    const document = demoInstallation('changing-rooms')
    const planned = planFor(document, derive(document))!.plan
    expect(open.filter(({ kind }) => kind === 'check').map(({ key }) => key)).toEqual(planned.map(({ id: key }) => key))
    expect((await listLog(scope, { installationId: rooms })).map(({ text }) => text)).toContainEqual(
      `Sealed revision 1: as found (${openText(open)})`,
    )
  })

  test('a check that passed is no longer open; one that failed is open as failed', async () => {
    const openFloor = async () => {
      await sealOf(id)
      const [sealed] = await listRevisions(scope, id)
      return sealed!.open!.find(({ kind, key }) => kind === 'check' && key === 'floor')
    }
    await keepFloor(40)
    expect(await openFloor()).toMatchObject({ detail: 'It failed.' })
    await keepFloor(26)
    expect(await openFloor()).toBeUndefined()
  })
})

describe('readings files', () => {
  const send = (text: string) =>
    importReadingsFile(
      scope,
      { id: randomUUID(), installationId: id, name: 'logger.csv' },
      (async function* () {
        // In pieces that break lines and characters anywhere.
        const bytes = new TextEncoder().encode(text)
        for (let at = 0; at < bytes.length; at += 1000) yield await Promise.resolve(bytes.slice(at, at + 1000))
      })(),
    )
  const minute = (index: number) => new Date(Date.UTC(2026, 0, 1) + index * 60000).toISOString().slice(0, 19)

  test('two columns, semicolons and decimal commas', async () => {
    const result = await send('Zeit;Temperatur °C;rH %\n2026-11-09 10:00;18,2;91\n2026-11-09 10:01;18,3;92\n')
    expect(result).toMatchObject({
      kind: 'done',
      file: { lineCount: 2, columns: [{ quantity: 'temperature' }, { quantity: 'humidity' }] },
    })
    const [file] = await listReadingFiles(scope, id)
    expect(await getReadings(scope, file!.id)).toEqual({
      columns: [
        { name: 'Temperatur °C', quantity: 'temperature' },
        { name: 'rH %', quantity: 'humidity' },
      ],
      zone: 'as-written',
      atMs: [Date.UTC(2026, 10, 9, 10), Date.UTC(2026, 10, 9, 10, 1)],
      values: [
        [18.2, 18.3],
        [91, 92],
      ],
    })
  })

  test('100,000 lines are all there', async () => {
    const text = `time,temperature (°C)\n${Array.from({ length: 100_000 }, (_, index) => `${minute(index)},${(20 + Math.sin(index / 500)).toFixed(2)}`).join('\n')}\n`
    expect(await send(text)).toMatchObject({ kind: 'done', file: { lineCount: 100_000 } })
    const table = await getReadings(scope, (await listReadingFiles(scope, id))[0]!.id)
    expect(table!.atMs).toHaveLength(100_000)
    expect(table!.values[0]![99_999]).toBeCloseTo(20 + Math.sin(99_999 / 500), 2)
  }, 60_000)

  test.each([
    { name: 'empty', text: '', line: 'The file is empty.' },
    { name: 'headings only', text: 'time,temperature\n', line: 'There is no line of readings under the headings.' },
    { name: 'no time', text: 'place;temperature\nattic;18\n', line: /line 1: No column is headed “time”/ },
    {
      name: 'a bad line far down',
      text: `time,temp\n${Array.from({ length: 12_000 }, (_, index) => `${minute(index)},18.0`).join('\n')}\n2027-01-01 00:00,hot\n`,
      line: 'line 12002: “hot” in temp is not a number.',
    },
  ])('$name: named, and nothing of the file is kept', async ({ text, line }) => {
    expect(lines(await send(text)).join(' ')).toMatch(line)
    expect(await listReadingFiles(scope, id)).toEqual([])
  })

  test('many bad lines are named up to a number a person can read', async () => {
    const result = lines(
      await send(`time,temp\n${Array.from({ length: 500 }, (_, index) => `${minute(index)},x`).join('\n')}`),
    )
    expect(result).toHaveLength(21)
    expect(result.at(-1)).toBe('There may be more; these come first.')
  })

  test('a file that never ends is stopped at its limit', async () => {
    const chunk = new TextEncoder().encode(`${'x'.repeat(1_000_000)}\n`)
    const endless = (async function* () {
      yield await Promise.resolve(new TextEncoder().encode('time,temp\n'))
      for (let n = 0; n < 200; n++) yield chunk
    })()
    expect(
      lines(await importReadingsFile(scope, { id: randomUUID(), installationId: id, name: 'huge.csv' }, endless)).join(
        ' ',
      ),
    ).toMatch(/larger than 64 MB|is not a time/)
  })
})

describe('work that comes later', () => {
  const signed = async (change: object = {}) => {
    const { document } = (await openRow(id)).workingCopy
    return {
      ...{ id: randomUUID(), installationId: id, reason: 'signed in the loft', signedAt: '2026-11-27T10:00:00Z' },
      fingerprint: await fingerprintOf(document),
      ...change,
    }
  }

  test('a seal is of what was signed: with its fingerprint, both times, and once', async () => {
    const input = await signed()
    expect(await seal(scope, input)).toMatchObject({ kind: 'done', number: 1 })
    expect(await seal(scope, input)).toMatchObject({ kind: 'done', number: 1 })
    const [sealed] = await listRevisions(scope, id)
    expect(sealed).toMatchObject({ number: 1, fingerprint: input.fingerprint, signedAt: new Date(input.signedAt) })
    expect(sealed!.sealedAt.getTime()).toBeGreaterThan(Date.parse(input.signedAt))
  })

  test('what was changed after it was signed is not sealed, and says why; signed again it is', async () => {
    const input = await signed()
    const { document, version } = (await openRow(id)).workingCopy
    await keepWorkingCopy(scope, {
      ...{ id, baseVersion: version, saveId: randomUUID() },
      document: { ...document, name: 'Changed by a colleague' },
    })
    expect(lines(await seal(scope, input)).join(' ')).toMatch(/not what was signed/)
    expect(await listRevisions(scope, id)).toEqual([])
    expect(await seal(scope, await signed())).toMatchObject({ kind: 'done', number: 1 })
  })

  test('a seal that names neither version nor fingerprint is refused', async () =>
    expect(await seal(scope, await signed({ fingerprint: undefined }))).toMatchObject({ kind: 'invalid' }))

  test('a check is judged against what stood before whoever read, whatever is kept by now', async () => {
    const { document } = (await openRow(id)).workingCopy
    const against = structuredClone(document)
    against.response.floor.speedPct = 40
    const reading = {
      kind: 'speed',
      steps: [{ inputs: { roomTemp: 14, humidity: 84 }, fansPct: { exhaust: 40, 'make-up': 32 } }],
    }
    const at = { installationId: id, check: 'floor', reading }
    expect(await keepCheck(scope, { ...at, id: randomUUID(), against })).toMatchObject({ verdict: 'passes' })
    expect(await keepCheck(scope, { ...at, id: randomUUID() })).toMatchObject({ verdict: 'fails' })
    const [there, here] = await listCheckResults(scope, id)
    expect(there!.given).not.toBe(here!.given)
  })

  test('what is not possible here is kept with why, and proves nothing', async () => {
    const reading = { kind: 'not-possible', why: 'beds are being picked' }
    const takenAt = '2026-11-27T09:00:00Z'
    expect(
      await keepCheck(scope, {
        id: randomUUID(),
        installationId: id,
        check: 'floor',
        reading,
        takenAt,
        note: 'again in May',
      }),
    ).toMatchObject({ kind: 'done', verdict: 'cannot-tell' })
    expect((await listCheckResults(scope, id))[0]).toMatchObject({
      finding: { code: 'not-possible', why: 'beds are being picked' },
      note: 'again in May',
      takenAt: new Date(takenAt),
    })
  })

  test('an entry of the log is put right by another about the same, and by no other', async () => {
    const wrong = randomUUID()
    await writeLog(scope, { id: wrong, installationId: id, text: 'filter is old' })
    const right = { id: randomUUID(), installationId: id, text: 'filter is new', corrects: wrong }
    expect(await writeLog(scope, right)).toEqual({ kind: 'done' })
    expect((await listLog(scope, { installationId: id }))[0]).toMatchObject({ text: 'filter is new', corrects: wrong })
    expect(await writeLog(scope, { ...right, id: randomUUID(), corrects: randomUUID() })).toEqual({ kind: 'unknown' })
    expect(await writeLog(scope, { ...right, id: randomUUID(), installationId: null })).toEqual({ kind: 'unknown' })
  })

  test('a picture is kept once, by what its bytes are; anything else is refused', async () => {
    const taken = { installationId: id, about: 'kit', caption: 'Plate', takenAt: '2026-11-27T09:00:00Z' }
    const png = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]).toString('base64')
    const one = { ...taken, id: randomUUID(), data: png }
    expect([await keepPhoto(scope, one), await keepPhoto(scope, one)]).toEqual([{ kind: 'done' }, { kind: 'done' }])
    expect(await listPhotos(scope, id)).toHaveLength(1)
    const page = Buffer.from('<html><script>').toString('base64')
    expect(lines(await keepPhoto(scope, { ...taken, id: randomUUID(), data: page })).join(' ')).toMatch(/no picture/)
  })
})
