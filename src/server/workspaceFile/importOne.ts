import { randomUUID } from 'node:crypto'
import { entriesOf, openZip } from '@/archive/zip'
import { readInstallationPart, readReadingsPart } from '@/core/formats/workspaceFile/format'
import { openInstallation } from '@/core/installation/open'
import { fingerprintOf } from '@/core/json/fingerprint'
import { nameIn } from '@/core/json/nameIn'
import type { Scope } from '@/db/client'
import { getInstallation } from '@/db/queries/installation'
import { putInstallation, type InstallationIn } from '@/db/queries/workspaceFile'
import { isUuid } from '@/server/commands/input'
import { refreshLine } from '@/server/refreshLines'
import type { Result } from '@/server/result'
import { installationIn, jsonOf, SpoiledPart, takeReadings } from '@/server/workspaceFile/import'

/** What an import makes of an exported installation, and where. */
export type Makes = {
  readonly id: string
  readonly name: string
  readonly site: string
  /** The same installation, with its seals and checks; or, where it is here already, a copy of its working copy alone: what was proved there was not
   *  proved of a copy. */
  readonly as: 'same' | 'copy'
  readonly revisions: number
  readonly checks: number
  readonly photos: number
  readonly readings: number
  /** What is left out, and why. */
  readonly left: readonly string[]
}

/** A seal that is not what was sealed is no seal. */
async function trueSeals(part: InstallationIn): Promise<{ revisions: InstallationIn['revisions']; left: string[] }> {
  const judged = await Promise.all(
    part.revisions.map(async (revision) => ({
      revision,
      isTrue:
        (revision.fingerprint === null || revision.fingerprint === (await fingerprintOf(revision.document))) &&
        openInstallation(revision.document).kind !== 'unreadable',
    })),
  )
  return {
    revisions: judged.filter(({ isTrue }) => isTrue).map(({ revision }) => revision),
    left: judged.flatMap(({ revision, isTrue }) =>
      isTrue ? [] : [`Revision ${revision.number} is not as it was sealed.`],
    ),
  }
}

/** Takes an exported installation in: says what it would make, or makes it.
 *  @param bytes the zip
 *  @param isTrial only says */
export async function importOne(scope: Scope, bytes: Buffer, isTrial: boolean): Promise<Result<{ makes: Makes }>> {
  const zip = await openZip(bytes).catch(() => null)
  if (!zip) return { kind: 'invalid', problems: [{ code: 'no_zip', path: '' }] }
  try {
    const entries = await entriesOf(zip)
    const named = [...entries].find(([name]) => /^installations\/[^/]+\.json$/.test(name))
    const read = named && readInstallationPart(await jsonOf(zip, named[1]))
    if (!read) return { kind: 'invalid', problems: [{ code: 'no_installation_in_zip', path: '' }] }
    if (!read.ok) return { kind: 'invalid', problems: read.problems }
    const whole = installationIn(read.value)
    const opened = openInstallation(whole.document)
    if (opened.kind === 'unreadable') return { kind: 'invalid', problems: opened.problems }
    const isHere = isUuid(whole.id) && (await getInstallation(scope, whole.id)) !== null
    const seals = await trueSeals(whole)
    const part: InstallationIn = isHere
      ? { ...whole, id: randomUUID(), revisions: [], checks: [], photos: [], log: [], version: 1 }
      : { ...whole, id: isUuid(whole.id) ? whole.id : randomUUID(), revisions: seals.revisions }
    const files = isHere ? [] : [...entries].filter(([name]) => /^readings\/[^/]+\.json$/.test(name))
    const left = [...(isHere ? [] : seals.left)]
    const makes = (): Makes => ({
      ...{ id: part.id, name: nameIn(part.document), site: part.site, as: isHere ? 'copy' : 'same', left },
      revisions: part.revisions.length,
      checks: part.checks.length,
      photos: part.photos.length,
      readings: files.length,
    })
    if (isTrial) return { kind: 'done', makes: makes() }
    await putInstallation(scope, part)
    for (const [name, entry] of files) {
      const readings = readReadingsPart(await jsonOf(zip, entry))
      try {
        if (!readings.ok) throw new SpoiledPart('it is none of ours')
        await takeReadings(scope, zip, entries, entry, readings.value)
      } catch (error) {
        if (!(error instanceof SpoiledPart)) throw error
        left.push(`${name}: ${error.message}`)
      }
    }
    await refreshLine(scope, part.id)
    return { kind: 'done', makes: makes() }
  } catch (error) {
    if (error instanceof SpoiledPart)
      return { kind: 'invalid', problems: [{ code: 'no_installation_in_zip', path: '' }] }
    throw error
  } finally {
    zip.close()
  }
}
