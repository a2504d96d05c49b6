import { Document, Image, Page, Path, Svg, Text, View } from '@react-pdf/renderer'
import type { UnitPreference } from '@/core/quantity/format'
import { instantText } from '@/core/rules/instant'
import { fullRecord, type FullRecord, type RecordMap } from '@/core/record/fullRecord'
import type { Sealed } from '@/core/record/sealed'
import { openText, type OpenItem } from '@/core/record/stillOpen'
import { shortFingerprint } from '@/core/json/fingerprint'
import {
  Bookmark,
  Chart,
  Code,
  CurveChart,
  DANGER,
  Fact,
  Framed,
  Heading,
  plain,
  Rail,
  Strips,
  styles,
  Table,
} from '@/print/pieces'

/** A4, points. */
const WIDTH = 595
const MARGIN = 36
const INNER = WIDTH - 2 * MARGIN

const MOST_NAMED = 6

function State({ sealed, state, open }: { sealed: Sealed; state: string; open: readonly OpenItem[] }) {
  const named = open.filter(({ kind }) => kind === 'check' || kind === 'action')
  const dangers = open.filter(({ kind }) => kind === 'danger')
  return (
    <Framed>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <Text style={{ fontSize: 13, fontWeight: 700 }}>{state}</Text>
          {named.slice(0, MOST_NAMED).map(({ kind, key, title, detail }) => (
            <Text key={`${kind}-${key}`}>
              <Text style={styles.bold}>{plain(title)}</Text> {plain(detail)}
            </Text>
          ))}
          {named.length > MOST_NAMED && <Text>and {named.length - MOST_NAMED} more, listed further on</Text>}
          {dangers.map(({ key, title, reason }) => (
            <Text key={key}>
              <Text style={{ color: DANGER, fontWeight: 700 }}>
                Danger, {reason === undefined ? 'open' : 'accepted'}:
              </Text>{' '}
              {plain(title)} {reason === undefined ? '' : plain(reason)}
            </Text>
          ))}
        </View>
        {sealed.address !== null && (
          <View style={{ alignItems: 'center' }}>
            <Code text={sealed.address} size={70} />
            <Text style={styles.soft}>this record, sign in</Text>
          </View>
        )}
      </View>
    </Framed>
  )
}

const MapChart = ({
  map: { fan, unit, curve, read, against },
  preference,
}: {
  map: RecordMap
  preference: UnitPreference
}) => (
  <View style={{ width: INNER / 2 - 6 }}>
    <Chart
      preference={preference}
      width={INNER / 2 - 6}
      height={140}
      x={{ from: 0, to: 100, label: `${fan} setting, %` }}
      y={{
        from: 0,
        to: Math.max(...curve.map(([, flow]) => flow), ...read.map(([, flow]) => flow)) * 1.1,
        label: `${unit}, as read`,
      }}
      lines={[{ points: curve }]}
      marks={read.map((at) => ({ at }))}
    />
    {against !== '' && <Text>{plain(against)}</Text>}
  </View>
)

/** The record: first page the state and what is in force, then everything that was read and decided. */
export function RecordPdf({ sealed }: { sealed: Sealed }) {
  const record = fullRecord(sealed)
  const { card, open, settings, losses, maps } = record
  const { seal } = sealed
  return (
    <Document title={`${card.title}, ${card.revision}`} author={card.person} language="en" pageMode="useOutlines">
      <Page size="A4" style={styles.page}>
        <View
          fixed
          style={{
            position: 'absolute',
            left: MARGIN,
            right: MARGIN,
            bottom: 22,
            flexDirection: 'row',
            justifyContent: 'space-between',
            borderTopWidth: 0.5,
            paddingTop: 4,
          }}
        >
          <Text>
            {card.fingerprint ? `fingerprint ${card.fingerprint} · check with gale check --seal` : card.state}
          </Text>
          <Text>{card.nextCheck && `next check ${card.nextCheck}`}</Text>
          <Text render={({ pageNumber, totalPages }) => `page ${pageNumber} of ${totalPages}`} />
        </View>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
          <Text style={styles.soft}>
            Record of a fan speed controller · {card.revision}
            {card.day && ` · ${card.day}`}
          </Text>
          <Text style={styles.soft}>{plain(sealed.siteName)}</Text>
        </View>
        <Bookmark title={card.title} />
        <Text style={{ fontSize: 19, fontWeight: 700, lineHeight: 1.2 }}>{plain(card.title)}</Text>
        <Text style={styles.soft}>
          {plain(card.about)}
          {card.person && ` · ${card.person}`}
        </Text>
        <State sealed={sealed} state={card.state} open={open} />
        <Rail startPct={card.startPct} speeds={card.speeds} width={INNER} preference={sealed.preference} />
        {settings.length > 0 && <Heading>In force, and how to enter it from the maker’s default</Heading>}
        {settings.length > 0 && (
          <Table
            heads={['setting', 'maker’s', 'set to', 'where', 'then', 'read back']}
            widths={[2, 1.1, 1.1, 1.4, 3, 1]}
            rows={settings}
          />
        )}
        {losses.map((loss) => (
          <Fact key={loss} label="not exactly">
            {loss}
          </Fact>
        ))}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12, marginTop: 8 }}>
          {card.curve && (
            <CurveChart curve={card.curve} width={INNER / 2 - 6} height={140} preference={sealed.preference} />
          )}
          {maps.map((map) => (
            <MapChart key={map.fan} map={map} preference={sealed.preference} />
          ))}
        </View>
        <Heading>What it does</Heading>
        {card.sentences.map((text) => (
          <Text key={text}>{plain(text)}</Text>
        ))}
        {record.weeks.map((week) => (
          <Strips key={week.name} week={week} width={INNER} />
        ))}
        <WhatWasRead record={record} isSealed={seal !== null} />
        <WhatWasDecided record={record} sealed={sealed} />
        {seal && <Signature seal={seal} preference={sealed.preference} />}
      </Page>
    </Document>
  )
}

const WhatWasRead = ({ record, isSealed }: { record: FullRecord; isSealed: boolean }) => {
  const { checks, open, readings, instruments } = record
  return (
    <>
      <Heading>What was proved</Heading>
      {checks.map(({ label, text }, index) => (
        <Fact key={index} label={label} danger={label === 'fails'}>
          {text}
        </Fact>
      ))}
      {open.length > 0 && <Heading>{isSealed ? 'What was open when it was sealed' : 'What is open'}</Heading>}
      {open.map(({ kind, key, title, detail, reason }) => (
        <Fact key={`${kind}-${key}`} label={openText([{ kind, key, title, detail }])} danger={kind === 'danger'}>
          {`${title} ${detail}${reason === undefined ? '' : ` Left as it is: ${reason}`}`}
        </Fact>
      ))}
      {readings.length > 0 && <Heading>What was read</Heading>}
      {readings.length > 0 && (
        <Table
          heads={['fan', 'setting', 'flow', 'turns', 'sound', 'with']}
          widths={[2, 1, 1.2, 1.2, 1, 2]}
          rows={readings}
        />
      )}
      {instruments.map(({ label, text }) => (
        <Fact key={label} label={label}>
          {text}
        </Fact>
      ))}
    </>
  )
}

const WhatWasDecided = ({ record, sealed }: { record: FullRecord; sealed: Sealed }) => {
  const { card, facts, care, signals, changes, rehearsed, due } = record
  return (
    <>
      <Heading>What is set and answered</Heading>
      {facts.map(({ label, text }, index) => (
        <Fact key={index} label={label}>
          {text}
        </Fact>
      ))}
      {rehearsed.length > 0 && <Heading>What was rehearsed</Heading>}
      {rehearsed.map(({ label, text }, index) => (
        <Fact key={index} label={label}>
          {text}
        </Fact>
      ))}
      <Heading>After the power has been away</Heading>
      {card.outage.map((text, index) => (
        <Fact key={text} label={String(index + 1)}>
          {text}
        </Fact>
      ))}
      {signals.length > 0 && <Heading>Lamps and codes</Heading>}
      {signals.map((text) => (
        <Text key={text}>{plain(text)}</Text>
      ))}
      {due.length > 0 && <Heading>What is due</Heading>}
      {due.map(({ label, text }) => (
        <Fact key={`${label}-${text}`} label={label}>
          {text}
        </Fact>
      ))}
      {changes.length > 0 && <Heading>Since the revision before</Heading>}
      {changes.map((text) => (
        <Text key={text}>{plain(text)}</Text>
      ))}
      {sealed.photos.length > 0 && <Heading>Photos</Heading>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        {sealed.photos.map(({ caption, takenAt, dataUrl }) => (
          <View key={`${takenAt}-${caption}`} wrap={false} style={{ width: INNER / 2 - 6 }}>
            <Image src={dataUrl} style={{ width: INNER / 2 - 6, maxHeight: 220, objectFit: 'contain' }} />
            <Text style={styles.soft}>
              {plain(caption)} {instantText(takenAt, sealed.preference)}
            </Text>
          </View>
        ))}
      </View>
      <Heading>Care</Heading>
      {care.map((text) => (
        <Text key={text}>{plain(text)}</Text>
      ))}
    </>
  )
}

function Signature({ seal, preference }: { seal: NonNullable<Sealed['seal']>; preference: UnitPreference }) {
  return (
    <View wrap={false} style={{ marginTop: 10 }}>
      <Text>
        {plain(seal.reason)} Signed by {plain(seal.sealedBy)}
        {seal.signedAt ? ` on ${instantText(seal.signedAt, preference)}` : ''}, sealed on{' '}
        {instantText(seal.sealedAt, preference)}, fingerprint {shortFingerprint(seal.fingerprint)}.
      </Text>
      {seal.signature !== null && (
        <Svg width={150} height={50} viewBox="0 0 600 200">
          <Path d={seal.signature} fill="none" stroke="#15252B" strokeWidth={4} />
        </Svg>
      )}
    </View>
  )
}
