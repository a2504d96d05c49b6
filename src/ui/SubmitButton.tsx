import Button, { type ButtonProps } from '@mui/material/Button'
import { useIsLive } from './useIsLive'

/**
 * Sends a form that this page answers itself. It waits until the page is live: before, the browser would send the fields in its own way, what was
 * typed, a password among it, would stand in the address, and the fields would be empty. A form without a button that can be pressed is not sent by
 * Enter either.
 */
export function SubmitButton({ disabled = false, ...rest }: Omit<ButtonProps, 'type'>) {
  const isLive = useIsLive()
  return <Button type="submit" disabled={disabled || !isLive} {...rest} />
}
