import { TEXT_SIZES, type Display } from '@/core/quantity/display'

/** What a thumb reaches is laid the other way round for a left hand. */
export const THUMB_ROW = 'data-thumb-row'

const USUAL_PX = 16
/** On a phone all is read at arm’s length. */
const PHONE_PX = 18

/** The style of every page as this person wants screens. */
export function DisplayStyle({ display: { textSize, hand } }: { display: Display }) {
  const times = TEXT_SIZES[textSize]
  const size = (px: number) => `html:root{font-size:${(px * times).toFixed(1)}px}`
  return (
    <style>
      {times === 1 ? '' : `${size(USUAL_PX)}@media (max-width:600px){${size(PHONE_PX)}}`}
      {hand === 'left' ? `[${THUMB_ROW}]{flex-direction:row-reverse}` : ''}
    </style>
  )
}
