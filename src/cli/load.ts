import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { readText, UsageError, type Streams } from '@/cli/streams'
import type { ControllerModel } from '@/core/controller/schema'
import type { Installation } from '@/core/installation/installation'
import { readControllerModel, readInstallationText } from '@/core/installation/read'
import { parseJson } from '@/core/json/parseJson'
import type { Outcome } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'

function told<T>(file: string, outcome: Outcome<T>, { err }: Streams): T | null {
  if (outcome.ok) return outcome.value
  for (const problem of outcome.problems) err(`${file}: ${problemLine(problem)}`)
  return null
}

/** The installation in a file; null when it is wrong, after saying so. */
export const loadInstallation = (file: string, streams: Streams): Installation | null =>
  told(file, readInstallationText(readText(file)), streams)

export const loadModel = (file: string, streams: Streams): ControllerModel | null =>
  loadDocument(file, readControllerModel, streams)

/** The JSON files of a folder, in order of name. */
export function listJson(folder: string): string[] {
  try {
    const files = readdirSync(folder).filter((file) => file.endsWith('.json'))
    if (files.length === 0) throw new UsageError(`${folder} holds no .json file.`)
    return files.sort().map((file) => join(folder, file))
  } catch (error) {
    if (error instanceof UsageError) throw error
    throw new UsageError(`Cannot read ${folder}: ${error instanceof Error ? error.message : String(error)}`)
  }
}

/** A document of ours in a file, read by one of the readers; null when it is wrong, after saying so. */
export function loadDocument<T>(file: string, read: (data: unknown) => Outcome<T>, streams: Streams): T | null {
  const data = told(file, parseJson(readText(file)), streams)
  return data === null ? null : told(file, read(data), streams)
}
