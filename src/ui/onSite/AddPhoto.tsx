'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { FileButton } from '@/ui/FileButton'
import { usePutWork, useWork } from '@/ui/onSite/who'
import type { ShownPhoto } from '@/ui/onSite/pack'
import { usePhotos } from '@/ui/onSite/useResults'

type Props = { installationId: string; about: string; caption: string; photos: readonly ShownPhoto[] }

/** The longer side of what is kept, pixels: a plate is read at it, and it goes over a thin line. */
const LONGEST_PX = 1600
const QUALITY = 0.8

/** A picture made smaller, as JPEG in base 64. */
async function smaller(file: File): Promise<string> {
  const picture = await createImageBitmap(file)
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(picture.width * scale)
  canvas.height = Math.round(picture.height * scale)
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  return canvas.toDataURL('image/jpeg', QUALITY).replace(/^data:[^,]*,/, '')
}

/** Takes a picture of something, and shows those that are there. Without signal it waits on this device. */
export function AddPhoto({ installationId, about, caption, photos }: Props) {
  const put = usePutWork()
  const waiting = useWork(installationId)
  const [message, setMessage] = useState<string | null>(null)
  const here = usePhotos(installationId, photos).filter((photo) => photo.about === about)

  async function take(file: File): Promise<void> {
    try {
      const id = crypto.randomUUID()
      const takenAt = new Date().toISOString()
      const data = await smaller(file)
      await put({
        ...{ id, installationId, kind: 'photo', label: `a photo: ${caption}` },
        input: { id, installationId, about, caption, takenAt, data },
        shown: { id, about, caption, takenBy: 'you', takenAt } satisfies ShownPhoto,
      })
      setMessage(null)
    } catch {
      setMessage('That picture cannot be read here; take it again as JPEG or PNG.')
    }
  }

  const source = (id: string): string => {
    const data = waiting.find((item) => item.id === id)?.input.data
    return typeof data === 'string' ? `data:image/jpeg;base64,${data}` : `/api/photo/${id}`
  }
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      <FileButton label={`Photo: ${caption}`} accept="image/*" onFile={(file) => void take(file)}>
        Photo…
      </FileButton>
      {here.map(({ id, caption: says }) => (
        <img key={id} src={source(id)} alt={says} style={{ height: 64, maxWidth: 120, objectFit: 'cover' }} />
      ))}
      {message !== null && (
        <Typography variant="body2" role="alert" sx={{ color: 'error.main' }}>
          {message}
        </Typography>
      )}
    </Box>
  )
}
