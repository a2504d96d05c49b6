import { mkdirSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { DOCUMENTS } from '@/core/document/read'

/** The JSON Schemas of all documents, as files of docs/formats. */
export const formats = (): { file: string; text: string }[] =>
  Object.entries(DOCUMENTS).map(([name, { schema }]) => ({
    file: `docs/formats/${name.replace('soft-gale/', '').replace('@', '-')}.schema.json`,
    text: `${JSON.stringify({ $schema: 'http://json-schema.org/draft-07/schema#', title: name, ...schema }, null, 2)}\n`,
  }))

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  mkdirSync('docs/formats', { recursive: true })
  for (const { file, text } of formats()) writeFileSync(file, text)
}
