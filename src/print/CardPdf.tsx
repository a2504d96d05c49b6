import { Document, Page, Text, View } from '@react-pdf/renderer'
import { boxCard } from '@/core/record/boxCard'
import type { Sealed } from '@/core/record/sealed'
import { Code, CurveChart, DANGER, Framed, Heading, plain, Rail, styles } from '@/print/pieces'

/** A5 on its side, points. */
const WIDTH = 595
const MARGIN = 20

const MOST_LAMPS = 6
const MOST_OUTAGE = 5
const MOST_SETTINGS = 9

/** The card for the box: one side, to be read without the program. */
export function CardPdf({ sealed }: { sealed: Sealed }) {
  const card = boxCard(sealed)
  const inner = WIDTH - 2 * MARGIN
  return (
    <Document title={`${card.title}, card`} author={card.person} language="en">
      <Page
        size="A5"
        orientation="landscape"
        style={[styles.page, { padding: MARGIN, paddingBottom: 12, fontSize: 8 }]}
      >
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 10 }}>
          <View style={{ flex: 1 }}>
            <Text style={{ fontSize: 15, fontWeight: 700, lineHeight: 1.25 }}>{plain(card.title)}</Text>
            <Text style={styles.soft}>
              {plain(card.about)} · {card.revision}
            </Text>
          </View>
          <Framed>
            <Text style={styles.bold}>{card.state}</Text>
          </Framed>
        </View>
        <Rail startPct={card.startPct} speeds={card.speeds} width={inner} preference={sealed.preference} />
        <View style={{ flexDirection: 'row', gap: 14, marginTop: 4 }}>
          <View style={{ width: inner * 0.5 }}>
            {card.curve && (
              <CurveChart curve={card.curve} width={inner * 0.5} height={120} preference={sealed.preference} />
            )}
            {!card.curve && card.sentences.slice(0, 6).map((text) => <Text key={text}>{plain(text)}</Text>)}
          </View>
          <View style={{ flex: 1 }}>
            <Text style={styles.bold}>Set on the controller</Text>
            {card.settings.slice(0, MOST_SETTINGS).map(({ name, value }) => (
              <View key={name} style={[styles.row, { paddingVertical: 1 }]}>
                <Text style={{ flex: 1 }}>{plain(name)}</Text>
                <Text style={[styles.figure, styles.bold, { width: 110, textAlign: 'right' }]}>{plain(value)}</Text>
              </View>
            ))}
            {card.settings.length > MOST_SETTINGS && (
              <Text style={styles.soft}>and {card.settings.length - MOST_SETTINGS} more on the record</Text>
            )}
            {card.curve && card.sentences.slice(0, 2).map((text) => <Text key={text}>{plain(text)}</Text>)}
          </View>
        </View>
        <View style={{ flexDirection: 'row', gap: 12 }}>
          {card.lamps.length > 0 && (
            <View style={{ flex: 1 }}>
              <Heading bookmark={false}>Lamps and codes</Heading>
              {card.lamps.slice(0, MOST_LAMPS).map(({ shows, means, urgent }) => (
                <Text key={shows}>
                  <Text style={[styles.bold, urgent ? { color: DANGER } : {}]}>{plain(shows)}:</Text> {plain(means)}
                </Text>
              ))}
            </View>
          )}
          <View style={{ flex: 1 }}>
            <Heading bookmark={false}>After an outage</Heading>
            {card.outage.slice(0, MOST_OUTAGE).map((text) => (
              <Text key={text}>{plain(text)}</Text>
            ))}
          </View>
          <View style={{ width: 88 }}>
            <Heading bookmark={false}>{card.day || 'Not sealed'}</Heading>
            <Text>{plain(card.person)}</Text>
            {card.nextCheck !== '' && (
              <Text>
                next check <Text style={styles.bold}>{card.nextCheck}</Text>
              </Text>
            )}
            <Text style={[styles.figure, styles.bold]}>{card.fingerprint}</Text>
          </View>
          {sealed.address !== null && (
            <View style={{ alignItems: 'center' }}>
              <Code text={sealed.address} size={74} />
              <Text style={styles.soft}>the record, sign in</Text>
            </View>
          )}
        </View>
      </Page>
    </Document>
  )
}
