import { makePaper, paperFile } from '@/print/paper'
import type { PaperWork } from '@/server/heavy/paper'

/** Makes one paper, and then this thread is over: the library of PDF keeps what it knows of a font over papers, and figures of the next one go
 *  missing. */
export default async function run({ name, sealed, labelMm, atMs }: PaperWork) {
  const { type, extension, bytes } = await makePaper(name, sealed, { labelMm, now: new Date(atMs) })
  return { type, bytes, file: paperFile(name, sealed, extension) }
}
