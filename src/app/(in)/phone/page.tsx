import { existsSync } from 'node:fs'
import type { Metadata } from 'next'
import { toString as qrCode } from 'qrcode'
import { PhonePage } from '@/features/account/PhonePage'
import { requireSigned } from '@/server/scope'
import { authorityFile, isReachable, ownUrl } from '@/server/settings'

export const metadata: Metadata = { title: 'On a phone' }

/** What a phone’s first visit takes. */
export default async function Phone() {
  await requireSigned()
  const url = ownUrl()
  return (
    <PhonePage
      url={url}
      qrSvg={await qrCode(url, { type: 'svg', margin: 2 })}
      isReachable={isReachable()}
      hasOwnAuthority={existsSync(authorityFile())}
    />
  )
}
