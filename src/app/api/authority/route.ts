import { readFile } from 'node:fs/promises'
import { respondWith } from '@/server/respond'
import { authorityFile } from '@/server/settings'

/** The certificate of this server’s own authority, for a phone to install; not there where the server has no such authority. */
export const GET = (): Promise<Response> =>
  respondWith('look', { action: 'exported', what: 'the certificate of the authority' }, async () => {
    const text = await readFile(authorityFile()).catch(() => null)
    return (
      text &&
      new Response(new Uint8Array(text), {
        headers: {
          'content-type': 'application/x-x509-ca-cert',
          'content-disposition': 'attachment; filename="soft-gale-authority.crt"',
        },
      })
    )
  })
