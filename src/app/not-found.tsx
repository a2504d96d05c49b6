import { Fault } from '@/ui/Fault'

export default function NotFound() {
  return (
    <Fault title="There is nothing here">
      This address belongs to no installation of your workspace. It may have been mistyped, or belongs to another
      workspace.
    </Fault>
  )
}
