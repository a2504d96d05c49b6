import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { readControllerModel } from '@/core/installation/read'
import { parseJson } from '@/core/json/parseJson'
import { problemLine } from '@/core/words/problems'
import { saveControllerModel } from '@/db/queries/controllerModel'
import { createWorkspace } from '@/db/queries/workspace'

const folder = join(process.cwd(), 'demo', 'controllers')

/** A new workspace, with our example controllers to choose from; returns its id. */
export async function makeWorkspace(name: string): Promise<string> {
  const workspaceId = await createWorkspace(name)
  for (const file of (await readdir(folder)).sort()) {
    const data = parseJson(await readFile(join(folder, file), 'utf8'))
    const model = data.ok ? readControllerModel(data.value) : data
    if (!model.ok) throw new Error(`demo/controllers/${file}: ${model.problems.map(problemLine).join('; ')}`)
    await saveControllerModel({ workspaceId, personId: '', personName: '' }, model.value)
  }
  return workspaceId
}
