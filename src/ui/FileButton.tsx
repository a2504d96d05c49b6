'use client'

import Button, { type ButtonProps } from '@mui/material/Button'
import { useRef } from 'react'

type Props = Omit<ButtonProps, 'onClick'> & { label: string; accept: string; onFile: (file: File) => void }

/** A button that asks for a file. The same file can be chosen again after it was mended. */
export function FileButton({ label, accept, onFile, children, ...button }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button {...button} onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) onFile(file)
        }}
      />
    </>
  )
}
