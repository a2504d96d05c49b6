import { buildSync } from 'esbuild'
import type { ValidateFunction } from 'ajv'
import { createRequire } from 'node:module'
import { readdirSync, readFileSync } from 'node:fs'
import { runInThisContext } from 'node:vm'
import { compileSchema } from '@/core/json/compileSchema'
import { namedSchemas } from '@/core/json/validator'
import { broken } from '@/testing/broken'
import { seeded } from '@/testing/seeded'
import { standaloneSource } from './standalone'

type Standalone = Readonly<Record<string, ValidateFunction>>

/** The validators of pages as a page runs them, made of the source alone. */
function loaded(): Standalone {
  const { outputFiles } = buildSync({
    stdin: { contents: standaloneSource(), resolveDir: process.cwd() },
    bundle: true,
    write: false,
    format: 'cjs',
    platform: 'node',
  })
  const module = { exports: {} as { STANDALONE?: Standalone } }
  const run = runInThisContext(`(module, exports, require) => {${outputFiles[0]!.text}}`) as (
    ...given: unknown[]
  ) => void
  run(module, module.exports, createRequire(__filename))
  return module.exports.STANDALONE!
}

const standalone = loaded()
const documents = ['installations', 'controllers'].flatMap((folder) =>
  readdirSync(`demo/${folder}`).map((file) => JSON.parse(readFileSync(`demo/${folder}/${file}`, 'utf8')) as unknown),
)

test('there is one for every schema that a page checks by', () =>
  expect(Object.keys(standalone).sort()).toEqual([...namedSchemas.keys()].sort()))

test('nothing is compiled from text in them', () => {
  const source = standaloneSource()
  expect(source).not.toMatch(/new Function|\beval\(|require\(/)
})

test.each([...namedSchemas])('%s: the same verdict and the same places as the one that is compiled', (name, schema) => {
  const compiled = compileSchema(schema)
  const made = standalone[name]!
  const random = seeded(5)
  const places = ({ errors }: ValidateFunction) =>
    (errors ?? []).map(({ instancePath, schemaPath, keyword }) => `${keyword} ${instancePath} ${schemaPath}`)
  for (const document of documents)
    for (let run = 0; run < 8; run++) {
      const data = run === 0 ? document : broken(document, random)
      const verdicts = [compiled(data), made(data)]
      if (verdicts[0] !== verdicts[1] || (run === 1 && String(places(compiled)) !== String(places(made))))
        expect({ data, verdicts, places: places(made) }).toEqual({
          data,
          verdicts: [verdicts[0], verdicts[0]],
          places: places(compiled),
        })
    }
})
