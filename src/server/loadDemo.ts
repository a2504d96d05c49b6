import { readFile } from 'node:fs/promises'
import { createReadStream } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { Type } from '@sinclair/typebox'
import type { Installation } from '@/core/installation/installation'
import { readInstallationText } from '@/core/installation/read'
import { parseJson } from '@/core/json/parseJson'
import type { Outcome } from '@/core/json/problem'
import { validator } from '@/core/json/validator'
import { closed } from '@/core/json/vocabulary'
import { CheckReading } from '@/core/prove/reading'
import { problemLine } from '@/core/words/problems'
import type { Scope } from '@/db/client'
import { createInstallation, saveWorkingCopy } from '@/db/queries/installation'
import { addLogEntry } from '@/db/queries/log'
import { ensureSite } from '@/db/queries/site'
import { renameWorkspace } from '@/db/queries/workspace'
import { auth } from '@/server/auth'
import { importReadingsFile } from '@/server/commands/importReadingsFile'
import { keepCheck } from '@/server/commands/keepCheck'
import { seal } from '@/server/commands/seal'
import { DEMO_PASSWORD, DEMO_EMAIL } from '@/server/demoAccount'

const Text = Type.String({ minLength: 1 })
const DemoCheck = Type.Object({ check: Text, reading: CheckReading }, closed)
const Stays = Type.Object({ danger: Text, reason: Text }, closed)
const Demo = Type.Object(
  {
    name: Text,
    person: Type.Object({ name: Text, email: Text }, closed),
    sites: Type.Array(Type.Object({ id: Text, name: Text }, closed)),
    installations: Type.Array(
      Type.Object(
        {
          id: Text,
          site: Text,
          document: Text,
          readings: Type.Array(Text),
          seals: Type.Array(
            Type.Object(
              { document: Text, reason: Text, stays: Type.Optional(Type.Array(Stays)), checks: Type.Array(DemoCheck) },
              closed,
            ),
          ),
          log: Type.Array(Text),
        },
        closed,
      ),
    ),
  },
  closed,
)
const readDemo = validator(Demo)

const demoFile = (...path: string[]) => join(process.cwd(), 'demo', ...path)

function need<T>(file: string, outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value
  throw new Error(`demo/${file}: ${outcome.problems.map(problemLine).join('; ')}`)
}

const demoInstallation = async (name: string): Promise<Installation> =>
  need(
    `installations/${name}.json`,
    readInstallationText(await readFile(demoFile('installations', `${name}.json`), 'utf8')),
  )

async function loadInstallation(
  scope: Scope,
  { document, readings, seals, log }: (typeof Demo)['static']['installations'][number],
  siteId: string,
): Promise<void> {
  const id = randomUUID()
  const working = await demoInstallation(document)
  await createInstallation(scope, { id, siteId, document: working })
  let version = 1
  const keep = async (next: Installation) => {
    const outcome = await saveWorkingCopy(scope, { id, baseVersion: version, saveId: randomUUID(), document: next })
    if (outcome.kind === 'kept') version = outcome.version
  }
  for (const { document: sealedDocument, reason, stays, checks } of seals) {
    const sealed = await demoInstallation(sealedDocument)
    await keep(sealed)
    for (const { check, reading } of checks) {
      const kept = await keepCheck(scope, { id: randomUUID(), installationId: id, check, reading })
      if (kept.kind !== 'done')
        throw new Error(`demo/workspace.json: the check ${check} of ${sealedDocument} is not kept`)
    }
    const outcome = await seal(scope, {
      id: randomUUID(),
      installationId: id,
      version,
      reason,
      ...(stays && { stays }),
    })
    if (outcome.kind !== 'done')
      throw new Error(
        `demo/workspace.json: ${sealedDocument} is not sealed${outcome.kind === 'invalid' ? `: ${outcome.problems.map(problemLine).join('; ')}` : ''}`,
      )
  }
  await keep(working)
  for (const text of log) await addLogEntry(scope, { id: randomUUID(), installationId: id, kind: 'note', text })
  for (const name of readings) {
    const outcome = await importReadingsFile(
      scope,
      { id: randomUUID(), installationId: id, name: `${name}.csv` },
      createReadStream(demoFile('readings', `${name}.csv`)),
    )
    if (outcome.kind === 'invalid')
      throw new Error(`demo/readings/${name}.csv: ${outcome.problems.map(problemLine).join('; ')}`)
  }
}

/** Puts the demo scenario into an empty database, through the same commands and checks as a person's own work. */
export async function loadDemo(): Promise<void> {
  const demo = need(
    'workspace.json',
    readDemo(need('workspace.json', parseJson(await readFile(demoFile('workspace.json'), 'utf8')))),
  )
  // Not by signing up: nobody confirms the address of a made-up person.
  const { internalAdapter, password } = await auth().$context
  const user = await internalAdapter.createUser(
    { name: demo.person.name, email: DEMO_EMAIL, emailVerified: true },
    { method: 'email-password' },
  )
  await internalAdapter.linkAccount({
    userId: user.id,
    accountId: user.id,
    providerId: 'credential',
    password: await password.hash(DEMO_PASSWORD),
  })
  const workspaceId = (user as { workspaceId?: string | null }).workspaceId
  if (!workspaceId) throw new Error('the demo person has no workspace')
  const scope: Scope = { workspaceId, personId: user.id, personName: user.name }
  await renameWorkspace(scope, demo.name)
  for (const installation of demo.installations) {
    const site = await ensureSite(scope, demo.sites.find(({ id }) => id === installation.site)?.name ?? demo.name)
    await loadInstallation(scope, installation, site.id)
  }
}
