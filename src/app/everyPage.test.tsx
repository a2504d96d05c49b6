import type { ReactElement } from 'react'
import { renderToString } from 'react-dom/server'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { unsealed } from '@/core/record/sealed'
import { METRIC } from '@/core/quantity/format'
import { outageItems } from '@/core/record/afterOutage'
import { BriefStage } from '@/features/brief/BriefStage'
import { CalibrateStage } from '@/features/calibrate/CalibrateStage'
import { DialInStage } from '@/features/dial-in/DialInStage'
import { SettingsList } from '@/features/dial-in/SettingsList'
import { Signals } from '@/features/dial-in/Signals'
import { InstallationFrame } from '@/features/frame/InstallationFrame'
import { HandOverStage } from '@/features/hand-over/HandOverStage'
import { KitStage } from '@/features/kit/KitStage'
import { OutagePage } from '@/features/outage/OutagePage'
import { ProveStage } from '@/features/prove/ProveStage'
import { ReadingsPage } from '@/features/readings/ReadingsPage'
import { CardSheet } from '@/features/record/CardSheet'
import { RecordSheet } from '@/features/record/RecordSheet'
import { RehearseStage } from '@/features/rehearse/RehearseStage'
import { RespondStage } from '@/features/respond/RespondStage'
import { anyInstallation, demoModels } from '@/testing/anyInstallation'
import { DANGEROUS } from '@/testing/corpus/dangerous'
import { demoInstallation } from '@/testing/examples'
import { WhoProvider } from '@/ui/onSite/who'
import { Providers } from '@/ui/Providers'

// Every page of an installation is drawn as the server draws it first, for the demo, the corpus and random installations: whatever passes
// `check` has a page, and never ends one in an exception.

jest.mock('next/navigation', () => ({
  useRouter: () => ({ push: () => undefined, refresh: () => undefined, replace: () => undefined }),
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/installation/i/brief',
  useSelectedLayoutSegment: () => 'brief',
  useParams: () => ({ id: 'i' }),
}))

// What a page sends is tested with the server; here nothing is sent.
jest.mock('@/server/actions', () => ({}))

const nothing = () => Promise.resolve({ kind: 'done' })

const PAGES: Readonly<Record<string, (document: Installation) => ReactElement>> = {
  brief: () => <BriefStage />,
  kit: () => <KitStage installationId="i" models={demoModels} photos={[]} />,
  calibrate: () => <CalibrateStage installationId="i" photos={[]} />,
  respond: () => <RespondStage others={[]} installationId="i" seals={[]} />,
  rehearse: () => <RehearseStage models={[]} installationId="i" files={[]} onFeeds={nothing} />,
  'dial-in': () => <DialInStage installationId="i" />,
  prove: () => <ProveStage installationId="i" results={[]} photos={[]} />,
  'hand-over': () => (
    <HandOverStage
      installationId="i"
      revisions={[]}
      lastSealed={null}
      log={[]}
      results={[]}
      photos={[]}
      maySeal
      mayWork
      onPlace={nothing}
      sharing={{ links: [], onShare: nothing, onEnd: nothing }}
    />
  ),
  settings(document) {
    const { controller } = document.kit
    const { fit } = derive(document)
    return controller && fit ? <SettingsList controller={controller} fit={fit} /> : <></>
  },
  signals: ({ kit: { controller } }) => (controller ? <Signals controller={controller} /> : <></>),
  outage: (document) => (
    <OutagePage
      site="Wherry Lane Yard"
      unreadable={[]}
      installations={[
        {
          id: 'i',
          name: document.name,
          duty: document.brief.duty,
          sealNumber: null,
          items: outageItems(document, derive(document)),
        },
      ]}
      onWrite={nothing}
    />
  ),
  card: (document) => <CardSheet sealed={unsealed(document, 'Wherry Lane Yard')} />,
  readings: () => <ReadingsPage installationId="i" files={[]} deleted={[]} jobs={[]} onPlace={nothing} />,
}

function drawn(document: Installation): void {
  for (const [name, page] of Object.entries(PAGES)) {
    const html = renderToString(
      <Providers>
        <WhoProvider value={{ personId: 'p', workspaceId: 'w' }}>
          <InstallationFrame
            id="i"
            siteName="Wherry Lane Yard"
            document={document}
            version={1}
            savedAt="2026-11-26T10:00:00.000Z"
            preference={METRIC}
            results={[]}
            lastSeal={null}
            localRules={[]}
          >
            {page(document)}
          </InstallationFrame>
        </WhoProvider>
      </Providers>,
    )
    if (/>[^<]*(?:undefined|\[object Object\]|\bNaN\b)[^<]*</.test(html.replace(/<style[\s\S]*?<\/style>/g, '')))
      throw new Error(`${name} shows what it should not`)
  }
  renderToString(
    <Providers>
      <RecordSheet siteName="Wherry Lane Yard" document={document} seal={null} results={[]} preference={METRIC} />
    </Providers>,
  )
}

test.each(['archive-flat', 'creamery-condenser', 'duckling-brooder', 'fruiting-room', 'ticket-hall-door'])(
  'every page of %s',
  (name) => expect(() => drawn(demoInstallation(name))).not.toThrow(),
)

test('every page of random installations', () => {
  for (let seed = 1; seed <= 10; seed++) drawn(anyInstallation(seed))
})

test('every page of work that can hurt', () => {
  for (const { document } of DANGEROUS.filter((_, index) => index % 12 === 0)) drawn(document)
})
