import { expect, openStage, test } from './setup/test'

/** What has the focus, and whether anybody sees that: a frame around it, or around the field it stands in. */
const seen = () => {
  const one = document.activeElement
  if (!one || one === document.body) return null
  const framed = [one, one.closest('.MuiInputBase-root'), one.parentElement?.closest('.MuiSlider-thumb')]
  const isSeen = framed.some((frame) => frame && getComputedStyle(frame).outlineStyle !== 'none')
  return isSeen ? 'seen' : `${one.tagName} ${one.getAttribute('aria-label') ?? one.textContent?.slice(0, 40) ?? ''}`
}

const MOST_STOPS = 60

for (const stage of ['brief', 'respond', 'dial-in', 'prove', 'hand-over'])
  test(`${stage}: whoever goes by keys sees where they are`, async ({ yard }) => {
    await openStage(yard, /Kiln room/, stage)
    const unseen = new Set<string>()
    for (let stop = 0; stop < MOST_STOPS; stop++) {
      await yard.keyboard.press('Tab')
      const found = await yard.evaluate(seen)
      if (found !== null && found !== 'seen') unseen.add(found)
    }
    expect([...unseen]).toEqual([])
  })
