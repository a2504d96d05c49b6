import { mkdirSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { DOCUMENTS } from '@/core/document/read'
import { MachineStateDocument, STATE_SCHEMA } from '@/core/response/saveState'

/** The JSON Schemas of all documents, and of the memory `gale evaluate --state` keeps, as files of docs/formats. */
export const formats = (): { file: string; text: string }[] =>
  Object.entries({ ...DOCUMENTS, [STATE_SCHEMA]: { schema: MachineStateDocument } }).map(([name, { schema }]) => ({
    file: `docs/formats/${name.replace('soft-gale/', '').replace('@', '-')}.schema.json`,
    text: `${JSON.stringify({ $schema: 'http://json-schema.org/draft-07/schema#', title: name, ...schema }, null, 2)}\n`,
  }))

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  mkdirSync('docs/formats', { recursive: true })
  for (const { file, text } of formats()) writeFileSync(file, text)
}
