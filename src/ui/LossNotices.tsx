import type { Loss } from '@/core/controller/loss'
import { lossText } from '@/core/sentences/lossText'
import { Notice } from '@/ui/Notice'
import { usePreference } from '@/ui/preference'
import { usePart } from '@/ui/workingCopy/context'

/** What of the response in hand the chosen controller does not do as asked. */
export function LossNotices({ losses }: { losses: readonly Loss[] }) {
  const response = usePart('response')
  const preference = usePreference()
  return losses.map((loss, index) => {
    const { title, detail } = lossText(loss, response, preference)
    return (
      <Notice key={index} title={title}>
        {detail}
      </Notice>
    )
  })
}
