import { Line, Path, Polyline, Rect, StyleSheet, Svg, Text, View } from '@react-pdf/renderer'
import type { ReactNode } from 'react'
import type { CardCurve, CardSpeed } from '@/core/record/boxCard'
import type { WeekStrips } from '@/core/record/weekStrips'
import { ticksWithin } from '@/core/quantity/evenTicks'
import { formatPct, formatTick, type UnitPreference } from '@/core/quantity/format'
import { FIGURES, TEXT } from '@/print/fonts'
import { qrPath } from '@/print/qrPath'

export const INK = '#15252B'
const SOFT = '#48595F'
const RULE = '#D3D9D6'
const TINT = '#A8CEC8'
export const DANGER = '#B3162D'
const TEAL = '#0B5A57'

export const styles = StyleSheet.create({
  page: { fontFamily: TEXT as never, fontSize: 9, color: INK, padding: 36, paddingBottom: 48 },
  figure: { fontFamily: FIGURES as never },
  bold: { fontWeight: 700 },
  soft: { color: SOFT },
  row: { flexDirection: 'row', borderBottomWidth: 0.5, borderBottomColor: RULE, paddingVertical: 2, gap: 6 },
  heading: {
    fontSize: 11,
    fontWeight: 700,
    marginTop: 10,
    marginBottom: 3,
    borderBottomWidth: 1,
    borderBottomColor: INK,
    paddingBottom: 2,
  },
})

/** Signs that the fonts of paper lack, in words. */
export const plain = (text: string): string =>
  text
    .replace(/ ?→ ?/g, ' to ')
    .replace(/≥ ?/g, 'at least ')
    .replace(/≤ ?/g, 'at most ')
    .replace(/[✓]/g, 'yes')
    .replace(/[\u2009\u202f]/g, ' ')

/** A place in the outline of a paper; the library’s types know it of pages alone. */
export const Bookmark = ({ title }: { title: string }) => {
  const place: object = { bookmark: title }
  return <View {...place} />
}

export const Heading = ({ children, bookmark = true }: { children: string; bookmark?: boolean }) => (
  <View minPresenceAhead={40}>
    {bookmark && <Bookmark title={children} />}
    <Text style={styles.heading}>{children}</Text>
  </View>
)

/** A name and what is so, on a line of its own. */
export const Fact = ({ label, children, danger = false }: { label: string; children: string; danger?: boolean }) => (
  <View style={styles.row} wrap={false}>
    <Text style={{ width: 150, color: danger ? DANGER : SOFT }}>{plain(label)}</Text>
    <Text style={{ flex: 1 }}>{plain(children)}</Text>
  </View>
)

/** A table: heads, and rows of the same length. The widths are shares. */
export const Table = ({
  heads,
  rows,
  widths,
}: {
  heads: readonly string[]
  rows: readonly (readonly string[])[]
  widths: readonly number[]
}) => (
  <View>
    <View style={styles.row}>
      {heads.map((head, index) => (
        <Text key={head} style={[styles.soft, { flex: widths[index] ?? 1 }]}>
          {head}
        </Text>
      ))}
    </View>
    {rows.map((cells, row) => (
      <View key={row} style={styles.row} wrap={false}>
        {cells.map((cell, index) => (
          <Text
            key={index}
            style={[
              { flex: widths[index] ?? 1 },
              index === 0 ? styles.bold : /^[\d−-]/.test(cell) ? styles.figure : {},
            ]}
          >
            {plain(cell)}
          </Text>
        ))}
      </View>
    ))}
  </View>
)

/** A code that a telephone reads. */
export function Code({ text, size }: { text: string; size: number }) {
  const { path, size: around } = qrPath(text)
  return (
    <Svg width={size} height={size} viewBox={`0 0 ${around} ${around}`}>
      <Rect x={0} y={0} width={around} height={around} fill="#FFFFFF" />
      <Path d={path} fill="#000000" />
    </Svg>
  )
}

/** The speed rail: where it will not turn, from lowest to highest, with what each speed shows. */
export function Rail({
  startPct,
  speeds,
  width,
  preference,
}: {
  startPct: number | null
  speeds: readonly CardSpeed[]
  width: number
  preference: UnitPreference
}) {
  const at = (pct: number) => (pct / 100) * width
  const [lowest, highest] = [speeds[0]!.pct, speeds.at(-1)!.pct]
  const hatch = Array.from({ length: Math.floor(at(startPct ?? 0) / 5) }, (_, index) => index * 5)
  return (
    <View>
      <Svg width={width} height={16}>
        <Rect x={0} y={3} width={width} height={10} fill="#E3E7E3" stroke={INK} strokeWidth={0.5} />
        <Rect x={at(lowest)} y={3} width={at(highest - lowest)} height={10} fill={TINT} />
        {hatch.map((x) => (
          <Line key={x} x1={x} y1={13} x2={x + 5} y2={3} stroke={SOFT} strokeWidth={0.4} />
        ))}
        {speeds.map(({ name, pct }) => (
          <Line key={name} x1={at(pct)} y1={0} x2={at(pct)} y2={16} stroke={INK} strokeWidth={1.5} />
        ))}
      </Svg>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
        {startPct !== null && <Text style={styles.soft}>will not turn under {formatPct(startPct, preference)} %</Text>}
        {speeds.map(({ name, pct, shows }) => (
          <Text key={name}>
            {name} <Text style={styles.bold}>{formatPct(pct, preference)} %</Text>{' '}
            <Text style={styles.figure}>{shows}</Text>
          </Text>
        ))}
      </View>
    </View>
  )
}

const [DAY_WIDTH, STRIP_HEIGHT, DAY_MIN] = [30, 13, 1440]
const HOURS = [0, 6, 12, 18, 24] as const

/** A week as seven strips, a day a line, hours to the right. */
export function Strips({ week, width }: { week: WeekStrips; width: number }) {
  const across = width - DAY_WIDTH - 12
  const at = (min: number) => DAY_WIDTH + (min / DAY_MIN) * across
  const small = { fontSize: 7, fontFamily: FIGURES[0]! }
  const height = week.days.length * STRIP_HEIGHT + 12
  return (
    <View wrap={false}>
      <Text style={[styles.bold, { marginTop: 6 }]}>{plain(week.name)}, by the week</Text>
      <Svg width={width} height={height}>
        {HOURS.map((hour) => (
          <Line
            key={hour}
            x1={at(hour * 60)}
            x2={at(hour * 60)}
            y1={0}
            y2={height - 10}
            stroke={RULE}
            strokeWidth={0.5}
          />
        ))}
        {HOURS.map((hour) => (
          <Text key={`h${hour}`} x={at(hour * 60)} y={height - 2} style={small} textAnchor="middle">
            {String(hour).padStart(2, '0')}
          </Text>
        ))}
        {week.days.map(({ day }, line) => (
          <Text key={day} x={0} y={line * STRIP_HEIGHT + 9} style={{ fontSize: 7, fontFamily: TEXT[0]! }}>
            {day}
          </Text>
        ))}
        {week.days.flatMap(({ day, pieces }, line) =>
          pieces.map(({ fromMin, toMin }) => (
            <Rect
              key={`${day}-${fromMin}`}
              x={at(fromMin)}
              y={line * STRIP_HEIGHT + 1}
              width={at(toMin) - at(fromMin)}
              height={STRIP_HEIGHT - 3}
              fill={TINT}
              stroke={TEAL}
              strokeWidth={0.5}
            />
          )),
        )}
        {week.days.flatMap(({ day, pieces }, line) =>
          pieces.map(({ fromMin, toMin, says }) =>
            // A piece that is too narrow for its figure has it in the rule’s own sentence alone.
            at(toMin) - at(fromMin) < says.length * 4.4 ? null : (
              <Text key={`s${day}-${fromMin}`} x={at(fromMin) + 3} y={line * STRIP_HEIGHT + 8.5} style={small}>
                {plain(says)}
              </Text>
            ),
          ),
        )}
      </Svg>
    </View>
  )
}

type Point = readonly [x: number, y: number]

const MOST_TICKS = 5

/** A chart with a line and marks, its figures at the axes. */
export function Chart({
  width,
  height,
  x,
  y,
  lines,
  marks = [],
  preference,
}: {
  width: number
  height: number
  x: { readonly from: number; readonly to: number; readonly label: string }
  y: { readonly from: number; readonly to: number; readonly label: string }
  lines: readonly { readonly points: readonly Point[]; readonly dashed?: boolean }[]
  marks?: readonly { readonly at: Point; readonly text?: string }[]
  preference: UnitPreference
}) {
  const [left, bottom, top] = [30, 22, 16]
  const atX = (value: number) => left + ((value - x.from) / (x.to - x.from)) * (width - left - 8)
  const atY = (value: number) => height - bottom - ((value - y.from) / (y.to - y.from)) * (height - bottom - top)
  const xTicks = ticksWithin(x.from, x.to, MOST_TICKS)
  const yTicks = ticksWithin(y.from, y.to, MOST_TICKS)
  // A picture takes one family, not a row of them.
  const small = { fontSize: 7, fontFamily: FIGURES[0]! }
  const name = { fontSize: 7, fontFamily: TEXT[0]! }
  return (
    <Svg width={width} height={height}>
      {yTicks.map((tick) => (
        <Line key={tick} x1={left} x2={width - 8} y1={atY(tick)} y2={atY(tick)} stroke={RULE} strokeWidth={0.5} />
      ))}
      {yTicks.map((tick) => (
        <Text key={`t${tick}`} x={left - 4} y={atY(tick) + 2.5} style={small} textAnchor="end">
          {formatTick(tick, preference)}
        </Text>
      ))}
      {xTicks.map((tick) => (
        <Text key={tick} x={atX(tick)} y={height - bottom + 9} style={small} textAnchor="middle">
          {formatTick(tick, preference)}
        </Text>
      ))}
      <Text x={width - 8} y={height - 3} style={name} textAnchor="end">
        {plain(x.label)}
      </Text>
      <Text x={0} y={6} style={name}>
        {plain(y.label)}
      </Text>
      {lines.map(({ points, dashed }, index) => (
        <Polyline
          key={index}
          points={points.map(([px, py]) => `${atX(px).toFixed(2)},${atY(py).toFixed(2)}`).join(' ')}
          fill="none"
          stroke={TEAL}
          strokeWidth={1.4}
          {...(dashed && { strokeDasharray: '3 2' })}
        />
      ))}
      {marks.map(({ at: [px, py] }, index) => (
        <Rect key={`m${index}`} x={atX(px) - 2} y={atY(py) - 2} width={4} height={4} fill={INK} />
      ))}
      {marks.map(({ at: [px, py], text }, index) =>
        text === undefined ? null : (
          <Text
            key={`w${index}`}
            x={Math.min(atX(px) + 4, width - 70)}
            y={atY(py) + 10}
            style={{ ...small, fontWeight: 700 }}
          >
            {plain(text)}
          </Text>
        ),
      )}
    </Svg>
  )
}

/** The curve of a card: percent against what it answers to. */
export function CurveChart({
  curve,
  width,
  height,
  preference,
}: {
  curve: CardCurve
  width: number
  height: number
  preference: UnitPreference
}) {
  const { points, down, corners, input, unit, fan } = curve
  return (
    <Chart
      preference={preference}
      width={width}
      height={height}
      x={{ from: points[0]![0], to: points.at(-1)![0], label: `${input}, ${unit}` }}
      y={{ from: 0, to: 100, label: `${fan}, %` }}
      lines={[{ points }, ...(down ? [{ points: down, dashed: true }] : [])]}
      marks={corners.map((at) => ({
        at,
        text: `${formatTick(Number(at[0].toFixed(1)), preference)}: ${formatPct(at[1], preference)} %`,
      }))}
    />
  )
}

export const Framed = ({ children }: { children: ReactNode }) => (
  <View style={{ borderWidth: 1.5, borderColor: INK, padding: 8, marginVertical: 6 }}>{children}</View>
)
