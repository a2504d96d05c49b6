import { emptyBin, forgetExpired } from '@/db/queries/bin'
import { listWorkspaceIds } from '@/db/queries/member'
import { refreshLines } from '@/server/refreshLines'

const AT_ONCE = 50

/** Removes what was deleted 30 days ago, forgets what has run out, and derives anew what lists show where the program changed. */
export async function keepHouse(now = new Date()): Promise<void> {
  while ((await emptyBin(now)) > 0);
  await forgetExpired(now)
  for (const workspaceId of await listWorkspaceIds())
    while ((await refreshLines({ workspaceId }, AT_ONCE)) === AT_ONCE);
}
