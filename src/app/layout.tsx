import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript'
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import { preload } from 'react-dom'
import { NONCE_HEADER } from '@/server/front/headers'
import { EARLY_TOUCHES_SCRIPT } from '@/ui/earlyTouches'
import { Providers } from '@/ui/Providers'

export const metadata: Metadata = {
  title: { default: 'Soft Gale', template: '%s · Soft Gale' },
  description: 'Sets up standalone fan speed controllers',
}
/** The two fonts of every page, fetched with it: a page drawn in another one first would move as they come. */
const FONTS = [
  new URL(
    '../../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
    import.meta.url,
  ),
  new URL(
    '../../node_modules/@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2',
    import.meta.url,
  ),
]

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Read at each request: a page made beforehand could not carry the mark of its answer.
  const nonce = (await headers()).get(NONCE_HEADER) ?? undefined
  for (const { pathname } of FONTS) preload(pathname, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' })
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: EARLY_TOUCHES_SCRIPT }} />
        <InitColorSchemeScript attribute="data" nonce={nonce} />
        <AppRouterCacheProvider>
          <Providers>{children}</Providers>
        </AppRouterCacheProvider>
      </body>
    </html>
  )
}
