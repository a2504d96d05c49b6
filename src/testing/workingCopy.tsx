import { render } from '@testing-library/react'
import type { ReactNode } from 'react'
import type { Installation } from '@/core/installation/installation'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { demoInstallation } from '@/testing/examples'
import { keepBarSlot } from '@/ui/barSlot'
import { WhoProvider } from '@/ui/onSite/who'
import { WorkingCopyProvider } from '@/ui/workingCopy/context'

/** What jsdom lacks, and an empty memory of the browser: no other tab, and no line to the server unless one is given. */
export function startBrowser(
  fetch: (address: string, init?: { method?: string }) => Promise<unknown> = () =>
    Promise.reject(new TypeError('no line')),
): void {
  localStorage.clear()
  Object.assign(globalThis, {
    BroadcastChannel: class {
      addEventListener() {}
      removeEventListener() {}
      postMessage() {}
    },
    fetch,
  })
}

/** Draws what reads and writes a working copy over one, a demo where none is given. */
export const renderOverCopy = (
  parts: ReactNode,
  installation: Installation = demoInstallation('fruiting-room'),
  preference: UnitPreference = METRIC,
) =>
  render(
    <WhoProvider value={{ personId: 'p', workspaceId: 'w' }}>
      <div id="standing" ref={keepBarSlot} />
      <WorkingCopyProvider
        id="one"
        document={installation}
        version={1}
        savedAt="2026-11-09T08:00:00Z"
        preference={preference}
        sealed={null}
      >
        {parts}
      </WorkingCopyProvider>
    </WhoProvider>,
  )
