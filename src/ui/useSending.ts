import { useState } from 'react'

/** Sends once at a time: whether something is under way, and the way to send. */
export function useSending<T>(onSend: (value: T) => Promise<void>): [boolean, (value: T) => void] {
  const [isSending, setSending] = useState(false)
  return [
    isSending,
    (value) => {
      setSending(true)
      void onSend(value).finally(() => setSending(false))
    },
  ]
}
