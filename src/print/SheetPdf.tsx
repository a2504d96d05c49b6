import { Document, Page, Text, View } from '@react-pdf/renderer'
import { peopleSheet } from '@/core/record/peopleSheet'
import type { Sealed } from '@/core/record/sealed'
import { DANGER, INK, plain, styles } from '@/print/pieces'

/** The sheet for the people who live or work there: half a page of A4, in large letters. */
export function SheetPdf({ sealed }: { sealed: Sealed }) {
  const { title, does, normal, when, foot } = peopleSheet(sealed)
  const Part = ({ name, lines }: { name: string; lines: readonly string[] }) => (
    <View style={{ marginTop: 8 }}>
      <Text style={styles.bold}>{name}</Text>
      {lines.map((line) => (
        <Text key={line}>{plain(line)}</Text>
      ))}
    </View>
  )
  return (
    <Document title={`${title}, for the people there`} language="en">
      <Page size="A5" orientation="landscape" style={[styles.page, { fontSize: 14, padding: 28 }]}>
        <Text
          style={{
            fontSize: 20,
            fontWeight: 700,
            lineHeight: 1.2,
            borderBottomWidth: 1.5,
            borderBottomColor: INK,
            paddingBottom: 4,
          }}
        >
          {plain(title)}
        </Text>
        <Part name="What it does" lines={does} />
        <Part name="What is normal" lines={normal} />
        <View style={{ marginTop: 8 }}>
          <Text style={styles.bold}>What to do when</Text>
          {when.map(({ seen, act, urgent }) => (
            <View key={seen} style={{ flexDirection: 'row', gap: 8, marginTop: 2 }}>
              <Text style={{ width: 190, fontWeight: 700, ...(urgent && { color: DANGER }) }}>
                {urgent ? '! ' : ''}
                {plain(seen)}
              </Text>
              <Text style={{ flex: 1 }}>{plain(act)}</Text>
            </View>
          ))}
        </View>
        <Text style={[styles.soft, { fontSize: 10, marginTop: 10 }]}>{plain(foot)}</Text>
      </Page>
    </Document>
  )
}
