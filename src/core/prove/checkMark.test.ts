import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { checkMark } from '@/core/prove/checkMark'
import { expectStep } from '@/core/prove/expect'
import { inGroups, mayRunBeside } from '@/core/prove/order'
import { planFor, type Planned } from '@/core/prove/plan'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'

const plannedOf = (document: Installation): Planned => planFor(document, derive(document))!
const marksOf = (document: Installation): Map<string, string> => {
  const { context, plan } = plannedOf(document)
  return new Map(plan.map((check) => [check.id, checkMark(context, check)]))
}

/** What every step of every speed check expects, as asked for. */
const expectedOf = (document: Installation): Map<string, string> => {
  const { context, plan } = plannedOf(document)
  return new Map(
    plan.flatMap((check) =>
      check.kind === 'speed'
        ? [
            [
              check.id,
              JSON.stringify(
                check.steps.map((_step, step) =>
                  expectStep(context, check, step).map(({ expectPct }) => Math.round(expectPct * 10)),
                ),
              ),
            ] as const,
          ]
        : [],
    ),
  )
}

const changedIn = (before: Map<string, string>, after: Map<string, string>): string[] =>
  [...before].flatMap(([id, mark]) => (after.get(id) === mark ? [] : [id]))

function changed(name: string, change: (draft: Installation) => void): string[] {
  const document = demoInstallation(name)
  const next = structuredClone(document)
  change(next)
  return changedIn(marksOf(document), marksOf(next))
}

/** By id, so that a table says what is changed and not where it stands. */
const rule = <T>(draft: Installation, id: string): T => draft.response.rules.find((one) => one.id === id) as T

describe('what a change leaves proved', () => {
  test('a shorter run-on leaves proved what does not time it, but for what a person looks at', () => {
    // Without a box that could give only certain times.
    const [before, after] = [1, 0.5].map((share) => {
      const draft = structuredClone(demoInstallation('bakehouse-flue'))
      draft.kit.controller = null
      rule<{ holdS: number }>(draft, 'draw').holdS *= share
      return marksOf(draft)
    })
    const gone = changedIn(before!, after!)
    expect(gone).toContain('draw-after')
    for (const id of ['floor', 'draw-runs', 'flue-lost', 'power']) expect(gone).not.toContain(id)
  })

  test('another controller has proved nothing', () => {
    const document = demoInstallation('kiln-room')
    const next = structuredClone(document)
    next.kit.controller!.id = 'another-box'
    expect(changedIn(marksOf(document), marksOf(next))).toHaveLength(marksOf(document).size)
  })

  test.each(DEMO_NAMES)('%s: a name, a note, what is dialled and who was told change nothing', (name) => {
    const gone = changed(name, (draft) => {
      draft.name = `${draft.name} two`
      draft.dial.done = []
      draft.brief.targets.forEach((target) => Object.assign(target, { note: 'seen' }))
    })
    expect(gone).toEqual([])
  })

  test.each(DEMO_NAMES)('%s: whoever reads in other units has the same marks', (name) => {
    const document = demoInstallation(name)
    const { context, plan } = planFor(document, derive(document), { temperature: 'F', flow: 'cfm' })!
    expect(new Map(plan.map((check) => [check.id, checkMark(context, check)]))).toEqual(marksOf(document))
  })

  test.each(DEMO_NAMES)('%s: where a check expects another speed than before, its result no longer counts', (name) => {
    const document = demoInstallation(name)
    for (const by of [-7, 5]) {
      const next = structuredClone(document)
      next.response.floor.speedPct = Math.max(0, next.response.floor.speedPct + by)
      const expectedOther = changedIn(expectedOf(document), expectedOf(next))
      expect(changedIn(marksOf(document), marksOf(next))).toEqual(expect.arrayContaining(expectedOther))
    }
  })
})

describe('the order on site', () => {
  test.each(DEMO_NAMES)('%s: every check once, the power cut and the reading back last', (name) => {
    const { context, plan } = plannedOf(demoInstallation(name))
    const groups = inGroups(context, plan)
    const inOrder = groups.flatMap(({ checks }) => checks)
    expect(inOrder.map(({ id }) => id).sort()).toEqual(plan.map(({ id }) => id).sort())
    expect(inOrder.at(-1)!.id).toBe('read-back')
    const cut = inOrder.findIndex(({ stages }) => stages.some(({ power }) => power === false))
    expect(
      inOrder.slice(cut).every(({ id, stages }) => id === 'read-back' || stages.some(({ power }) => power === false)),
    ).toBe(true)
    // Nothing that touches fan, probe or supply is done beside a wait: no test of spillage, backup or alarm either.
    expect(inOrder.filter(mayRunBeside).map(({ id }) => id)).toEqual(['read-back'])
  })

  test('a probe is brought once and upward, and its lead is pulled at the end', () => {
    const { context, plan } = plannedOf(demoInstallation('fruiting-room'))
    const warm = inGroups(context, plan).find(({ name }) => name === 'With room temperature brought')!
    expect(warm.checks.map(({ id }) => id)).toEqual(['temp-start', 'temp-inside', 'temp-full', 'roomTemp-lost'])
  })
})
