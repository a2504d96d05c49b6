import { judgeInstallation } from '@/core/advise/judge'
import { judgementText } from '@/core/advise/words'
import { DUTIES } from '@/core/brief/duty'
import { derive } from '@/core/derive/derive'
import { checkInstallation } from '@/core/installation/checkInstallation'
import { chooseController } from '@/core/installation/chooseController'
import type { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import { rankModels } from '@/core/kit/rankModels'
import { demoModels } from '@/testing/anyInstallation'
import { a } from '@/testing/corpus/build'
import { DANGEROUS } from '@/testing/corpus/dangerous'
import { SANE } from '@/testing/corpus/sane'

/** What is said of a document above a note, as a reader would see it. */
function spoken(document: Installation): string[] {
  const derived = derive(document)
  const wrong = [...checkInstallation(document), ...derived.asked.problems]
  if (wrong.length > 0) throw new Error(`the corpus itself is wrong: ${JSON.stringify(wrong)}`)
  return judgeInstallation(document, derived).flatMap((judgement) => {
    const { title, detail } = judgementText(judgement)
    return judgement.severity === 'know' ? [] : [`${judgement.id}: ${title} ${detail}`]
  })
}

describe('no false alarm', () => {
  test('the corpus is large enough and of every duty', () => {
    expect(SANE.length).toBeGreaterThanOrEqual(60)
    expect(new Set(SANE.map(({ document }) => document.brief.duty))).toEqual(new Set(DUTIES))
    expect(new Set(SANE.map(({ document }) => document.kit.controller?.id)).size).toBeGreaterThanOrEqual(6)
  })

  test.each(SANE)('$why', ({ document }) => {
    expect(spoken(document)).toEqual([])
  })

  test.each(DUTIES)('a fresh start of %s, nothing answered yet', (duty) => {
    expect(spoken(newInstallation('Fresh', duty))).toEqual([])
  })

  // A controller fits that drives the fan and leaves out nothing; what it makes of a lost probe is a danger of its own, and may be said.
  const fitting = DUTIES.flatMap((duty) => {
    const { response, kit } = a(duty)
    return rankModels(response, kit, { duty }, demoModels).flatMap(({ model, cannotDrive, missing }) =>
      cannotDrive.length === 0 && missing.every(({ kind }) => kind === 'lost-sensor')
        ? [{ duty, model, losesProbe: missing.length > 0 }]
        : [],
    )
  })

  test('each duty has a controller that fits its start; a blower that stands still when cold has none here', () => {
    expect(DUTIES.filter((duty) => !fitting.some((fits) => fits.duty === duty))).toEqual(['stove-flue'])
  })

  test.each(fitting)('a fresh start of $duty on $model.id', ({ duty, model, losesProbe }) => {
    const lines = spoken(a(duty, {}, (draft) => chooseController(draft, model)))
    expect(lines.filter((line) => !(losesProbe && line.startsWith('fails-low')))).toEqual([])
  })
})

describe('no danger passes', () => {
  test('the corpus is large enough and of every duty', () => {
    expect(DANGEROUS.length).toBeGreaterThanOrEqual(80)
    expect(new Set(DANGEROUS.map(({ document }) => document.brief.duty))).toEqual(new Set(DUTIES))
  })

  test.each(DANGEROUS)('$says: $why', ({ says, document, neighbour }) => {
    expect(spoken(document).filter((id) => id.startsWith(says))).not.toEqual([])
    expect(spoken(neighbour)).toEqual([])
  })
})
