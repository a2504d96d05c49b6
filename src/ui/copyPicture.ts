import { saveFile } from '@/ui/saveText'

/** Dots a pixel: sharp in a report, too. */
const SHARP = 2

/** Puts a part of the page onto the clipboard as a picture; saves it as a file where the browser keeps its clipboard to itself.
 *  @throws where the browser cannot draw it */
export async function copyPicture(element: HTMLElement, name: string): Promise<'copied' | 'saved'> {
  const { toBlob } = await import('html-to-image')
  const { backgroundColor } = getComputedStyle(document.body)
  const picture = await toBlob(element, { pixelRatio: SHARP, backgroundColor })
  if (!picture) throw new Error(`no picture of ${name} could be drawn`)
  try {
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })])
    return 'copied'
  } catch {
    saveFile(`${name}.png`, picture)
    return 'saved'
  }
}
