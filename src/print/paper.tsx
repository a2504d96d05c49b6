import { renderToBuffer } from '@react-pdf/renderer'
import Papa from 'papaparse'
import { fileName } from '@/core/json/fileName'
import type { Sealed } from '@/core/record/sealed'
import { SETTING_HEADS, settingsTable } from '@/core/record/settingsTable'
import { calendarText } from '@/print/calendar'
import { CardPdf } from '@/print/CardPdf'
import { registerFonts } from '@/print/fonts'
import { LabelPdf } from '@/print/LabelPdf'
import { RecordPdf } from '@/print/RecordPdf'
import { SheetPdf } from '@/print/SheetPdf'

export type PaperOptions = {
  /** Width of the label printer’s tape, mm; null for a sheet of A4. */
  readonly labelMm: number | null
  readonly now: Date
}

type Made = { readonly type: string; readonly extension: string; readonly bytes: Uint8Array }

const pdf = async (document: Parameters<typeof renderToBuffer>[0]): Promise<Made> => {
  registerFonts()
  return { type: 'application/pdf', extension: 'pdf', bytes: await renderToBuffer(document) }
}
const text = (type: string, extension: string, content: string): Promise<Made> =>
  Promise.resolve({ type: `${type}; charset=utf-8`, extension, bytes: new TextEncoder().encode(content) })

/** Everything that is left behind, by name: what it is and how it is made. */
const PAPERS = {
  record: (sealed: Sealed) => pdf(<RecordPdf sealed={sealed} />),
  card: (sealed: Sealed) => pdf(<CardPdf sealed={sealed} />),
  sheet: (sealed: Sealed) => pdf(<SheetPdf sealed={sealed} />),
  label: (sealed: Sealed, { labelMm }: PaperOptions) => pdf(<LabelPdf sealed={sealed} widthMm={labelMm} />),
  calendar: (sealed: Sealed, { now }: PaperOptions) => text('text/calendar', 'ics', calendarText(sealed, now)),
  settings: (sealed: Sealed) =>
    text(
      'text/csv',
      'csv',
      Papa.unparse([[...SETTING_HEADS], ...(settingsTable(sealed.document, sealed.preference) ?? [])]),
    ),
} satisfies Record<string, (sealed: Sealed, options: PaperOptions) => Promise<Made>>

export type PaperName = keyof typeof PAPERS

/** Makes one of the papers of what was sealed, or of a working copy. */
export const makePaper = (name: PaperName, sealed: Sealed, options: PaperOptions): Promise<Made> =>
  PAPERS[name](sealed, options)

/** What a file of it is called: installation, revision, date. */
export function paperFile(name: PaperName, { document, seal }: Sealed, extension: string): string {
  const which = seal ? `rev-${seal.number}-${seal.sealedAt.slice(0, 10)}` : 'working-copy'
  return `${fileName(document.name)}-${name}-${which}.${extension}`
}
