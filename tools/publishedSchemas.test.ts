import { Validator, type Schema } from '@cfworker/json-schema'
import { readdirSync, readFileSync } from 'node:fs'
import { DOCUMENTS } from '@/core/installation/read'
import { validator } from '@/core/json/validator'
import { broken } from '@/testing/broken'
import { seeded } from '@/testing/seeded'
import { formats } from './publishSchemas'

type Node = {
  readonly $schema?: string
  readonly $id?: string
  readonly description?: string
  readonly properties?: Readonly<Record<string, Node>>
  readonly anyOf?: readonly Node[]
  readonly items?: Node
  readonly patternProperties?: Readonly<Record<string, Node>>
}

const published = formats()
  .filter(({ file }) => file.endsWith('.schema.json'))
  .map(({ file, text }) => ({ file, schema: JSON.parse(text) as Node }))

/** Fields of a schema that say nothing of what they mean, dotted. */
function silent(node: Node, at = ''): string[] {
  return [
    ...Object.entries(node.properties ?? {}).flatMap(([key, field]) => [
      ...(field.description ? [] : [`${at}.${key}`]),
      ...silent(field, `${at}.${key}`),
    ]),
    ...(node.anyOf ?? []).flatMap((branch) => silent(branch, at)),
    ...(node.items ? silent(node.items, `${at}[]`) : []),
    ...Object.values(node.patternProperties ?? {}).flatMap((value) => silent(value, `${at}{}`)),
  ]
}

test.each(published)('$file says of every field what it means', ({ schema }) => expect(silent(schema)).toEqual([]))

test('each is of JSON Schema 2020-12 and has a name of its own', () => {
  expect(new Set(published.map(({ schema }) => schema.$schema))).toEqual(
    new Set(['https://json-schema.org/draft/2020-12/schema']),
  )
  expect(new Set(published.map(({ schema }) => schema.$id)).size).toBe(published.length)
})

// A validator of other people, which compiles nothing and knows nothing of ours.
const validatorOf = (name: string): Validator => {
  const file = `docs/formats/${name.replace('soft-gale/', '').replace('@', '-')}.schema.json`
  return new Validator(JSON.parse(readFileSync(file, 'utf8')) as Schema, '2020-12', true)
}
const demos = ['installations', 'controllers'].flatMap((folder) =>
  readdirSync(`demo/${folder}`).map((file) => ({
    file: `${folder}/${file}`,
    data: JSON.parse(readFileSync(`demo/${folder}/${file}`, 'utf8')) as { schema: keyof typeof DOCUMENTS },
  })),
)

test.each(demos)('an independent validator accepts $file', ({ data }) =>
  expect(validatorOf(data.schema).validate(data).errors).toEqual([]),
)

test('it refuses what the program refuses for its shape, and nothing else', () => {
  const random = seeded(12)
  let refused = 0
  for (const { data } of demos) {
    const shapeOnly = validator(DOCUMENTS[data.schema].schema)
    const independent = validatorOf(data.schema)
    for (let run = 0; run < 60; run++) {
      const changed = broken(data, random)
      const [ours, theirs] = [shapeOnly(changed).ok, independent.validate(changed).valid]
      if (!theirs) refused++
      if (ours !== theirs) expect({ changed, ours }).toEqual({ changed, ours: theirs })
    }
  }
  expect(refused).toBeGreaterThan(500)
})
