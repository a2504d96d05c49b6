import type { Metadata } from 'next'
import { listInstallationNames } from '@/db/queries/installation'
import { listLog } from '@/db/queries/log'
import { LogPage } from '@/features/log/LogPage'
import { requireSigned } from '@/server/scope'
import { stagePath } from '@/ui/stages'

export const metadata: Metadata = { title: 'Log' }

export default async function Log() {
  const { scope } = await requireSigned()
  const [entries, rows] = await Promise.all([listLog(scope), listInstallationNames(scope)])
  const nameOf = (id: string | null) => rows.find((row) => row.id === id)?.name
  return (
    <LogPage
      entries={entries.map(({ id, text, writtenBy, writtenAt, installationId }) => {
        const name = nameOf(installationId)
        return {
          id,
          text,
          writtenBy,
          writtenAt: writtenAt.toISOString(),
          of: name && installationId ? { name, path: stagePath(installationId, 'hand-over') } : undefined,
        }
      })}
    />
  )
}
