import type { ReactNode } from 'react'
import { chartFont } from '@/ui/chart'
import { paletteVar } from '@/ui/paletteVar'
import type { StageId } from '@/ui/stages'

const INK = paletteVar('text.primary')
const QUIET = paletteVar('text.secondary')
const SPEED = paletteVar('cause.speed')
const WARM = paletteVar('cause.temperature')
const TINT = paletteVar('ground.tint')

const WIDE_PX = 360
const HIGH_PX = 116

type At = { x: number; y: number; fill?: string; end?: boolean; children: string }

const Say = ({ x, y, fill = QUIET, end = false, children }: At) => (
  <text x={x} y={y} textAnchor={end ? 'end' : 'start'} style={{ ...chartFont, fill }}>
    {children}
  </text>
)

const line = { fill: 'none', strokeWidth: 2 } as const

/** A field with its curve, as the stages show it. */
const Curve = ({ children }: { children?: ReactNode }) => (
  <>
    <path d="M40 12V92H344" stroke={QUIET} {...line} strokeWidth={1} />
    <path d="M40 76H130L240 28H344" stroke={SPEED} {...line} strokeWidth={2.5} />
    {children}
  </>
)

const Box = ({ x, y, width, children }: { x: number; y: number; width: number; children: string }) => (
  <>
    <rect x={x} y={y} width={width} height={30} stroke={INK} {...line} strokeWidth={1.5} rx={3} />
    <Say x={x + 8} y={y + 19} fill={INK}>
      {children}
    </Say>
  </>
)

type Picture = { readonly says: string; readonly draw: () => ReactNode }

const PICTURES: Readonly<Record<StageId, Picture>> = {
  brief: {
    says: 'A band of temperatures to hold, and beyond it a limit that must never be passed.',
    draw: () => (
      <>
        <rect x={110} y={24} width={110} height={56} fill={WARM} fillOpacity={0.16} />
        <path d="M20 80H344" stroke={INK} {...line} strokeWidth={1.5} />
        <path d="M270 24V80" stroke={paletteVar('error.main')} {...line} strokeDasharray="3 4" />
        <Say x={110} y={18} fill={WARM}>
          band to hold
        </Say>
        <Say x={262} y={18} fill={paletteVar('error.main')}>
          limit
        </Say>
      </>
    ),
  },
  kit: {
    says: 'A probe goes to the controller, and the controller to a fan.',
    draw: () => (
      <>
        <Box x={10} y={40} width={70}>
          probe
        </Box>
        <Box x={128} y={40} width={108}>
          controller
        </Box>
        <Box x={284} y={40} width={60}>
          fan
        </Box>
        <path d="M80 55H128M236 55H284" stroke={SPEED} {...line} />
        <Say x={128} y={92}>
          2 of 9 can do it
        </Say>
      </>
    ),
  },
  calibrate: {
    says: 'Flow read at five settings, and a hatched part below which the fan does not turn.',
    draw: () => (
      <>
        <rect x={40} y={12} width={40} height={80} fill={paletteVar('ground.wont')} />
        <path d="M40 12V92H344" stroke={QUIET} {...line} strokeWidth={1} />
        <path d="M80 84L140 68L200 52L260 37L320 22" stroke={SPEED} {...line} strokeWidth={2.5} />
        {[80, 140, 200, 260, 320].map((x, index) => (
          <circle key={x} cx={x} cy={[84, 68, 52, 37, 22][index]} r={4.5} fill={INK} />
        ))}
        <Say x={40} y={108}>
          will not turn
        </Say>
        <Say x={344} y={108} end>
          setting, 100 %
        </Say>
      </>
    ),
  },
  respond: {
    says: 'The speed against temperature: flat, then rising between two handles, then flat.',
    draw: () => (
      <Curve>
        <circle cx={130} cy={76} r={7} fill={paletteVar('ground.sheet')} stroke={WARM} strokeWidth={3} />
        <circle cx={240} cy={28} r={7} fill={paletteVar('ground.sheet')} stroke={WARM} strokeWidth={3} />
        <Say x={44} y={108}>
          the warmer, the faster
        </Say>
      </Curve>
    ),
  },
  rehearse: {
    says: 'A day: temperature above, speed below, one cursor through both.',
    draw: () => (
      <>
        <path d="M20 44C80 44 110 14 170 14S260 44 344 40" stroke={WARM} {...line} />
        <path d="M20 92H110V72H150V62H210V78H260V92H344" stroke={SPEED} {...line} />
        <path d="M188 4V98" stroke={INK} {...line} strokeWidth={1} />
        <Say x={20} y={112}>
          00:00
        </Say>
        <Say x={344} y={112} end>
          24:00
        </Say>
      </>
    ),
  },
  'dial-in': {
    says: 'A panel that shows 22, with what to press: three times up, then keep.',
    draw: () => (
      <>
        <rect x={14} y={18} width={120} height={80} stroke={INK} {...line} strokeWidth={1.5} rx={4} />
        <rect x={30} y={30} width={64} height={30} fill={TINT} />
        <text x={62} y={51} textAnchor="middle" style={{ ...chartFont, fontSize: 18, fontWeight: 700, fill: INK }}>
          22
        </text>
        <circle cx={46} cy={80} r={7} stroke={INK} {...line} strokeWidth={1.5} />
        <circle cx={78} cy={80} r={7} stroke={INK} {...line} strokeWidth={1.5} />
        <Say x={158} y={42} fill={INK}>
          1. up, 3 times
        </Say>
        <Say x={158} y={64} fill={INK}>
          2. keep
        </Say>
        <Say x={158} y={86}>
          shows 22
        </Say>
      </>
    ),
  },
  prove: {
    says: 'The expected curve with a ring where a reading should lie, a bar for the allowed error and a dot for what was read.',
    draw: () => (
      <Curve>
        <path d="M185 38V66" stroke={TINT} strokeWidth={9} />
        <circle cx={185} cy={52} r={6} fill={paletteVar('ground.sheet')} stroke={SPEED} strokeWidth={2} />
        <circle cx={185} cy={58} r={4} fill={INK} />
        <Say x={200} y={80} fill={INK}>
          passes
        </Say>
        <Say x={44} y={108}>
          ring expected, dot read
        </Say>
      </Curve>
    ),
  },
  'hand-over': {
    says: 'A list of stages with ticks, and the seal beneath them.',
    draw: () => (
      <>
        {['brief', 'dial in', 'prove'].map((name, index) => (
          <Say key={name} x={20} y={30 + index * 24} fill={INK}>
            {`✓ ${name}`}
          </Say>
        ))}
        <path d="M140 14V98" stroke={QUIET} {...line} strokeWidth={1} />
        <rect x={164} y={30} width={176} height={42} fill={SPEED} rx={4} />
        <text x={252} y={56} textAnchor="middle" style={{ ...chartFont, fill: paletteVar('ground.sheet') }}>
          Seal revision 1
        </text>
        <Say x={164} y={94}>
          record, card, log
        </Say>
      </>
    ),
  },
}

/** What a stage is about, drawn in the look of the stage itself. */
export function HelpPicture({ stage }: { stage: StageId }) {
  const { says, draw } = PICTURES[stage]
  return (
    <svg
      role="img"
      aria-label={says}
      viewBox={`0 0 ${WIDE_PX} ${HIGH_PX}`}
      style={{ display: 'block', width: '100%', maxWidth: WIDE_PX, margin: '12px 0' }}
    >
      {draw()}
    </svg>
  )
}
