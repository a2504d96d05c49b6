'use client'

import Box from '@mui/material/Box'
import { useLiveQuery } from 'dexie-react-hooks'
import { useState } from 'react'
import { leaveHere, takeAlong } from '@/ui/onSite/along'
import { browserStore } from '@/ui/onSite/browserStore'
import { TextButton } from '@/ui/TextButton'

/** Takes all of a site along, so that its installations open without signal; or leaves them here again. */
export function TakeAlong({ site, ids }: { site: string; ids: readonly string[] }) {
  const along = useLiveQuery(async () => {
    const packs = (await browserStore()?.packs.bulkGet([...ids])) ?? []
    return packs.filter((pack) => pack?.isByHand === true).length
  }, [ids])
  const [isBusy, setBusy] = useState(false)
  const [isCut, setCut] = useState(false)
  if (ids.length === 0) return null
  const isAll = along === ids.length

  async function go(): Promise<void> {
    setBusy(true)
    const done = await Promise.all(
      ids.map(async (id) => {
        if (!isAll) return takeAlong(id, true)
        await leaveHere(id)
        return true
      }),
    ).catch(() => [false])
    setCut(done.includes(false))
    setBusy(false)
  }

  return (
    // Its place is kept until the browser’s store has told: nothing moves under the finger.
    <Box component="span" role="status" sx={{ visibility: along === undefined ? 'hidden' : 'visible' }}>
      <TextButton label={isAll ? `Leave ${site} here` : `Take ${site} along`} onClick={() => void go()}>
        {isBusy ? 'taking…' : isAll ? 'along, without signal too; leave it here' : 'Take along'}
      </TextButton>
      {along !== undefined && along > 0 && !isAll && ` ${along} of ${ids.length} along`}
      {isCut && ' The server cannot be reached; try again with signal.'}
    </Box>
  )
}
