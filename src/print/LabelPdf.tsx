import { Document, Page, Text, View } from '@react-pdf/renderer'
import { label } from '@/core/record/label'
import type { Sealed } from '@/core/record/sealed'
import { Code, plain, styles } from '@/print/pieces'

const PT_PER_MM = 72 / 25.4
/** A4 with two columns of seven. */
/** How long a strip is at least: its lines stand one under the other. */
const SHORTEST_MM = 42

const A4 = { columns: 2, rows: 7, widthMm: 99, heightMm: 38 }

function One({ sealed, widthMm, heightMm }: { sealed: Sealed; widthMm: number; heightMm: number }) {
  const { title, lines } = label(sealed)
  const height = heightMm * PT_PER_MM
  return (
    <View
      wrap={false}
      style={{ width: widthMm * PT_PER_MM, height, padding: 8, flexDirection: 'row', gap: 5, alignItems: 'flex-start' }}
    >
      <View style={{ flex: 1 }}>
        <Text style={{ fontSize: 10, fontWeight: 700 }}>{plain(title)}</Text>
        {lines.map((line) => (
          <Text key={line} style={{ fontSize: 7.5 }}>
            {plain(line)}
          </Text>
        ))}
      </View>
      {sealed.address !== null && (
        <Code text={sealed.address} size={Math.min(height - 10, (widthMm * PT_PER_MM) / 3, 62)} />
      )}
    </View>
  )
}

/** Labels: one on a strip of a label printer so wide, or a sheet of A4.
 *  @param widthMm width of the tape, mm; null for a sheet */
export function LabelPdf({ sealed, widthMm }: { sealed: Sealed; widthMm: number | null }) {
  const heightMm = widthMm === null ? A4.heightMm : Math.max(SHORTEST_MM, Math.min(widthMm * 0.7, 60))
  return (
    <Document title={`${sealed.document.name}, label`} language="en">
      {widthMm === null ? (
        <Page size="A4" style={[styles.page, { padding: 12, flexDirection: 'row', flexWrap: 'wrap' }]}>
          {Array.from({ length: A4.columns * A4.rows }, (_, index) => (
            <One key={index} sealed={sealed} widthMm={A4.widthMm} heightMm={A4.heightMm} />
          ))}
        </Page>
      ) : (
        <Page size={[widthMm * PT_PER_MM, heightMm * PT_PER_MM]} style={[styles.page, { padding: 0 }]}>
          <One sealed={sealed} widthMm={widthMm} heightMm={heightMm - 0.5} />
        </Page>
      )}
    </Document>
  )
}
