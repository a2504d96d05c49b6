import { asc, eq, sql } from 'drizzle-orm'
import { readFinding, type Finding } from '@/core/prove/finding'
import { readCheckReading, type CheckReading } from '@/core/prove/reading'
import { VERDICTS, type VerdictKind } from '@/core/prove/verdict'
import { inWorkspace, type Scope } from '@/db/client'
import { hasInstallation, within } from '@/db/queries/within'
import { checkResult } from '@/db/schema'

/** What an earlier version of the program wrote for a pass. */
const keptVerdict = (verdict: string): VerdictKind =>
  verdict === 'holds' ? 'passes' : (VERDICTS.find((known) => known === verdict) ?? 'cannot-tell')

/** What another version of the program wrote is not understood; the verdict stands without its figures. */
const keptFinding = (finding: unknown): Finding => {
  const read = readFinding(finding)
  return read.ok ? read.value : { code: 'as-written', text: '' }
}

export type CheckResult = {
  readonly id: string
  readonly check: string
  readonly given: string
  /** What was read; null where another version of the program wrote it. */
  readonly reading: CheckReading | null
  readonly verdict: VerdictKind
  readonly finding: Finding
  /** What was said of it, in the words of whoever read. */
  readonly note: string
  /** When it was read by the clock of whoever read; null from before that was noted. */
  readonly takenAt: Date | null
  readonly readBy: string
  readonly readAt: Date
}

/** Keeps a check's result; the same id sent twice is one. False when the installation is not of this workspace, or the id belongs to another. */
export const addCheckResult = (
  scope: Scope,
  installationId: string,
  result: Omit<CheckResult, 'readBy' | 'readAt' | 'reading' | 'note' | 'takenAt'> & {
    readonly reading: CheckReading
    readonly note?: string
    readonly takenAt?: Date | null
  },
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    if (!(await hasInstallation(tx, scope, installationId))) return false
    const kept = await tx
      .insert(checkResult)
      .values({
        ...result,
        workspaceId: scope.workspaceId,
        installationId,
        readBy: scope.personName,
        readAt: sql`clock_timestamp()`,
      })
      .onConflictDoNothing()
      .returning({ id: checkResult.id })
    const same = within(
      scope,
      checkResult,
      eq(checkResult.id, result.id),
      eq(checkResult.installationId, installationId),
    )
    return kept.length > 0 || (await tx.$count(checkResult, same)) === 1
  })

/** Every result of an installation, in the order in which they were kept, whatever the clock said. */
export const listCheckResults = (scope: Scope, installationId: string): Promise<CheckResult[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(checkResult)
      .where(within(scope, checkResult, eq(checkResult.installationId, installationId)))
      .orderBy(asc(checkResult.seq))
    return rows.map(({ id, check, given, reading, verdict, finding, note, takenAt, readBy, readAt }) => {
      const read = readCheckReading(reading)
      return {
        id,
        check,
        given,
        reading: read.ok ? read.value : null,
        verdict: keptVerdict(verdict),
        finding: keptFinding(finding),
        note,
        takenAt,
        readBy,
        readAt,
      }
    })
  })
