import Ajv from 'ajv/dist/2020.js'
import standaloneCode from 'ajv/dist/standalone/index.js'
import { writeFileSync } from 'node:fs'
import '@/core/brief/readFlowTable'
import '@/core/installation/read'
import { namedSchemas } from '@/core/json/validator'
import { VALIDATOR_OPTIONS } from '@/core/json/validatorOptions'

const FILE = 'src/core/json/standalone.generated.js'

/** The validators of all schemas that pages check by, as source: a page may not compile them. */
export function standaloneSource(): string {
  const ajv = new Ajv({ ...VALIDATOR_OPTIONS, code: { source: true, esm: true } })
  const names = [...namedSchemas.keys()]
  const ids = Object.fromEntries(names.map((name, index) => [`v${index}`, name]))
  for (const [name, schema] of namedSchemas) ajv.addSchema(schema, name)
  const runtime: string[] = []
  const code = standaloneCode(ajv, ids).replace(/require\("([^"]+)"\)\.default/g, (_, from: string) => {
    if (!runtime.includes(from)) runtime.push(from)
    return `runtime${runtime.indexOf(from)}`
  })
  return [
    '// Made by tools/standalone.ts.',
    // Modules of the old kind: what they export may come one level deeper.
    ...runtime.flatMap((from, index) => [
      `import module${index} from '${from}.js'`,
      `const runtime${index} = module${index}.default ?? module${index}`,
    ]),
    code,
    `export const STANDALONE = { ${names.map((name, index) => `${JSON.stringify(name)}: v${index}`).join(', ')} }`,
    '',
  ].join('\n')
}

export const writeStandalone = (): void => writeFileSync(FILE, standaloneSource())
