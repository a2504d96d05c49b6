import { readdirSync } from 'node:fs'
import type { ReactElement } from 'react'
import { renderToString } from 'react-dom/server'
import { DUTIES } from '@/core/brief/duty'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import { unsealed } from '@/core/record/sealed'
import { daysOf } from '@/core/rehearse/daysOf'
import { spaceOf } from '@/core/space/starting'
import { CUSTOMARY, METRIC, type UnitPreference } from '@/core/quantity/format'
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
import { DaySheet } from '@/features/rehearse/DaySheet'
import { RehearseStage } from '@/features/rehearse/RehearseStage'
import { SpaceSheet } from '@/features/rehearse/SpaceSheet'
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

const PAGES: Readonly<Record<string, (document: Installation, preference: UnitPreference) => ReactElement>> = {
  brief: () => <BriefStage />,
  kit: () => <KitStage installationId="i" models={demoModels} photos={[]} />,
  calibrate: () => <CalibrateStage installationId="i" photos={[]} />,
  respond: () => <RespondStage others={[]} installationId="i" seals={[]} />,
  rehearse: () => <RehearseStage models={[]} installationId="i" files={[]} onFeeds={nothing} />,
  // They come with the first result.
  'rehearse, a painted day': ({ scenarios: [day] = [] }) =>
    day ? <DaySheet scenario={day} onChosen={() => undefined} files={[]} /> : <></>,
  'rehearse, the space': (document) => <SpaceSheet space={spaceOf(document)} />,
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
      elsewhere={{ sites: [], onCopy: nothing, onMove: nothing }}
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
  card: (document, preference) => <CardSheet sealed={{ ...unsealed(document, 'Wherry Lane Yard'), preference }} />,
  readings: () => <ReadingsPage installationId="i" files={[]} deleted={[]} jobs={[]} onPlace={nothing} />,
}

/** Each page as the server draws it first, by its name, in the units of who looks. */
const pagesOf = (document: Installation, preference: UnitPreference): [name: string, html: string][] => [
  ...Object.entries(PAGES).map(([name, page]): [string, string] => [
    name,
    renderToString(
      <Providers>
        <WhoProvider value={{ personId: 'p', workspaceId: 'w' }}>
          <InstallationFrame
            id="i"
            siteName="Wherry Lane Yard"
            document={document}
            version={1}
            savedAt="2026-11-26T10:00:00.000Z"
            preference={preference}
            results={[]}
            lastSeal={null}
            localRules={[]}
          >
            {page(document, preference)}
          </InstallationFrame>
        </WhoProvider>
      </Providers>,
    ),
  ]),
  [
    'record',
    renderToString(
      <Providers>
        <RecordSheet siteName="Wherry Lane Yard" document={document} seal={null} results={[]} preference={preference} />
      </Providers>,
    ),
  ],
]

function drawn(document: Installation): void {
  for (const [name, html] of pagesOf(document, METRIC))
    if (/>[^<]*(?:undefined|\[object Object\]|\bNaN\b)[^<]*</.test(html.replace(/<style[\s\S]*?<\/style>/g, '')))
      throw new Error(`${name} shows what it should not`)
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

const DEMOS = readdirSync('demo/installations').map((file) => file.replace('.json', ''))

/** Every text of a document: what somebody wrote, or a panel says, stands as it is. */
const textsIn = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(textsIn)
      : []

const decoded = (html: string): string =>
  html
    .replace(/<(style|script)[\s\S]*?<\/\1>/g, ' ')
    .replace(/<!-- -->/g, '')
    .replace(/<[^>]+>/g, '\u241f')
    .replace(/&amp;/g, '&')
    .replace(/&#x27;/g, "'")
    .replace(/&quot;/g, '"')

/** With a day of its own, painted over the first that is built in. */
function withPaintedDay(document: Installation): Installation {
  const [day] = daysOf(document, spaceOf(document), 1)
  return day ? { ...document, scenarios: [{ ...day, id: 'painted' }] } : document
}

const OTHERWISE: UnitPreference = {
  ...CUSTOMARY,
  dates: { order: 'month', clock: '12', weekFrom: 'sun' },
  decimalMark: ',',
}
const DAY_FIRST = /\b\d{1,2} (?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)\b/gu
const OF_24_HOURS = /\b(?:[01]?\d|2[0-4]):[0-5]\d\b(?! [AP]M)/gu
// Tables of a standard are cited by their numbers.
const POINT = /(?<![\d.:]|tables? |tables 1\.1 to )\b\d+\.\d+(?![\d.])/gu
/** Minutes and seconds that run, no time of day. */
const STOPWATCH = /Start (?:the stopwatch|settling)\W*[\d:]+(?: \/ [\d:]+)?/gu
/** What a panel is given, as it shows it. */
const ON_A_PANEL = /Period \d+, [A-Za-z, ]+[\d:]+ to [\d:]+/gu
const METRIC_FIGURE = /[\d–]\s?(?:°C|K|l\/s|m³\/h|m³|m²|Pa|kPa|kg|mm|m\/s|g\/h|W\/K)(?![\p{L}\d·/])/gu

test.each([
  ...DEMOS.map((name) => [name, demoInstallation(name)] as const),
  ...DUTIES.map((duty) => [`a new ${duty} installation`, newInstallation('New', duty)] as const),
])(
  'every page of %s in other units shows no metric figure, no date the other way round, no clock of 24 hours, no point before decimals',
  (_name, document) => {
    const others = [METRIC_FIGURE, DAY_FIRST, OF_24_HOURS, POINT]
    const own = textsIn(document).filter((text) => others.some((other) => text.search(other) >= 0))
    const left = pagesOf(withPaintedDay(document), OTHERWISE).flatMap(([page, html]) => {
      let text = decoded(html).replace(STOPWATCH, '').replace(ON_A_PANEL, '')
      for (const said of own) text = text.replaceAll(said, '')
      return others
        .flatMap((other) => [...text.matchAll(other)])
        .map(({ index }) => `${page}: …${text.slice(Math.max(0, index - 60), index + 12)}`)
    })
    expect([...new Set(left)]).toEqual([])
  },
)
