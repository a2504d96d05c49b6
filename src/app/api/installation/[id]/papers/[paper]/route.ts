import { isUuid } from '@/server/commands/input'
import { makePaperApart } from '@/server/heavy/paper'
import { paperPhotos, sealedFor } from '@/server/papers'
import { respondWith } from '@/server/respond'

const NAMES = ['record', 'card', 'sheet', 'label', 'calendar', 'settings'] as const

type Context = { params: Promise<{ id: string; paper: string }> }

/** What is left behind of a revision: `?rev=` its number or `working`, `?mm=` the width of a label printer’s tape, `?show` to open it in the page. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { id, paper } = await params
  const name = NAMES.find((known) => known === paper)
  const asked = new URL(request.url).searchParams
  return respondWith(
    'look',
    { action: 'printed', what: `${paper} ${asked.get('rev') ?? ''}`.trim(), installationId: id, onceInMin: 60 },
    async (scope, { preference }) => {
      const sealed = name && isUuid(id) ? await sealedFor(scope, id, asked.get('rev'), preference) : null
      if (!name || !sealed) return null
      const photos = name === 'record' ? await paperPhotos(scope, id) : []
      const widthMm = Number(asked.get('mm'))
      const labelMm = widthMm >= 20 && widthMm <= 150 ? widthMm : null
      const { type, file, bytes } = await makePaperApart({
        name,
        sealed: { ...sealed, photos },
        labelMm,
        atMs: Date.now(),
      })
      const place = asked.has('show') ? 'inline' : 'attachment'
      return new Response(new Uint8Array(bytes), {
        headers: { 'content-type': type, 'content-disposition': `${place}; filename="${file}"` },
      })
    },
  )
}
