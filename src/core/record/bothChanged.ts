import type { Installation } from '@/core/installation/installation'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { facts } from '@/core/record/facts'

/** What two people changed of one document, each in their own way, in words and in the order of the record. */
export function bothChanged(
  base: Installation,
  ours: Installation,
  theirs: Installation,
  preference: UnitPreference = METRIC,
): string[] {
  const byKey = (document: Installation) => new Map(facts(document, preference).map((fact) => [fact.key, fact]))
  const [was, mine, other] = [byKey(base), byKey(ours), byKey(theirs)]
  const keys = new Set([...was.keys(), ...mine.keys(), ...other.keys()])
  return [...keys].flatMap((key) => {
    const [before, here, there] = [was.get(key), mine.get(key), other.get(key)]
    const label = (here ?? there ?? before)?.label
    const isBoth =
      before?.wording !== here?.wording && before?.wording !== there?.wording && here?.wording !== there?.wording
    return isBoth && label ? [`${label}: ${here?.wording ?? 'gone'} here, ${there?.wording ?? 'gone'} there`] : []
  })
}
