import { readText, type Streams } from '@/cli/streams'
import { parseJson, readControllerModel, readInstallationText } from '@/core/document/read'
import type { ControllerModel } from '@/core/controller/schema'
import type { Installation } from '@/core/document/installation'
import { problemLine, type Outcome } from '@/core/problem'

function told<T>(file: string, outcome: Outcome<T>, { err }: Streams): T | null {
  if (outcome.ok) return outcome.value
  for (const problem of outcome.problems) err(`${file}: ${problemLine(problem)}`)
  return null
}

/** The installation in a file; null when it is wrong, after saying so. */
export const loadInstallation = (file: string, streams: Streams): Installation | null =>
  told(file, readInstallationText(readText(file)), streams)

export function loadModel(file: string, streams: Streams): ControllerModel | null {
  const data = told(file, parseJson(readText(file)), streams)
  return data === null ? null : told(file, readControllerModel(data), streams)
}
