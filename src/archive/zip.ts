import type { Readable } from 'node:stream'
import { fromBuffer, open, type Entry, type ZipFile } from 'yauzl'

/** A file with more parts is none of ours. */
const MOST_PARTS = 100_000

/** Opens a zip, by its path or its bytes; it is closed by whoever asked. */
export const openZip = (file: string | Buffer): Promise<ZipFile> =>
  new Promise((resolve, reject) => {
    const options = { lazyEntries: true, autoClose: false, validateEntrySizes: true }
    const hear = (error: Error | null, zip?: ZipFile) => (zip ? resolve(zip) : reject(error ?? new Error('no zip')))
    if (typeof file === 'string') open(file, options, hear)
    else fromBuffer(file, options, hear)
  })

/** What is in it, by name. */
export const entriesOf = (zip: ZipFile): Promise<Map<string, Entry>> =>
  new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>()
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry)
      if (entries.size > MOST_PARTS) reject(new Error('too many parts'))
      else zip.readEntry()
    })
    zip.once('end', () => resolve(entries))
    zip.once('error', reject)
    zip.readEntry()
  })

export const streamOf = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => (stream ? resolve(stream) : reject(error ?? new Error('no part'))))
  })

/** A part of it unpacked. Its size is looked at before. */
export async function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const pieces: Buffer[] = []
  for await (const piece of await streamOf(zip, entry)) pieces.push(piece as Buffer)
  return Buffer.concat(pieces)
}
