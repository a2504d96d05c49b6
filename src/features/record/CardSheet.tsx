'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, type ReactNode } from 'react'
import { boxCard, type BoxCard } from '@/core/record/boxCard'
import type { Sealed } from '@/core/record/sealed'
import { qrPath } from '@/print/qrPath'
import { CardCurve } from '@/ui/CardCurve'
import { SpeedRail } from '@/ui/rail/SpeedRail'
import { PreferenceProvider } from '@/ui/preference'

/** The card for the box: one side, to be read without the program, with or without signal. */
export function CardSheet({ sealed, as = 'main' }: { sealed: Sealed; as?: 'main' | 'section' }) {
  const card = useMemo(() => boxCard(sealed), [sealed])
  return (
    <Box
      component={as}
      sx={{
        breakAfter: 'page',
        maxWidth: 900,
        mx: 'auto',
        p: { xs: 2, sm: 3 },
        bgcolor: 'ground.sheet',
        minHeight: '100vh',
      }}
    >
      <Head card={card} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 3, mt: 1.5 }}>
        <div>
          {card.curve && (
            <PreferenceProvider value={sealed.preference}>
              <CardCurve curve={card.curve} height={210} withCorners />
            </PreferenceProvider>
          )}
          {card.sentences.map((text) => (
            <Typography key={text} variant="body2">
              {text}
            </Typography>
          ))}
        </div>
        <Part title="Set on the controller">
          {card.settings.map(({ name, value }) => (
            <Box
              key={name}
              sx={{
                display: 'flex',
                justifyContent: 'space-between',
                borderBottom: 1,
                borderColor: 'divider',
                py: 0.25,
              }}
            >
              <span>{name}</span>
              <Typography variant="figure" sx={{ fontWeight: 700 }}>
                {value}
              </Typography>
            </Box>
          ))}
        </Part>
        {card.lamps.length > 0 && (
          <Part title="Lamps and codes">
            {card.lamps.map(({ shows, means, urgent }) => (
              <Typography key={shows} variant="body2">
                <b>
                  {urgent ? '! ' : ''}
                  {shows}:
                </b>{' '}
                {means}
              </Typography>
            ))}
          </Part>
        )}
        <Part title="After an outage">
          {card.outage.map((text) => (
            <Typography key={text} variant="body2">
              {text}
            </Typography>
          ))}
        </Part>
        <Part title={card.day || 'Not sealed'}>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 2 }}>
            <div>
              <div>{card.person}</div>
              {card.nextCheck !== '' && (
                <div>
                  next check <b>{card.nextCheck}</b>
                </div>
              )}
              <Typography variant="figure" sx={{ fontWeight: 700 }}>
                {card.fingerprint}
              </Typography>
            </div>
            {sealed.address !== null && <Code text={sealed.address} />}
          </Box>
        </Part>
      </Box>
    </Box>
  )
}

/** What it is, how far it is proved, and its speeds. */
const Head = ({ card }: { card: BoxCard }) => (
  <>
    <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 2, flexWrap: 'wrap' }}>
      <div>
        <Typography variant="h1">{card.title}</Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {card.about} · {card.revision}
        </Typography>
      </div>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Box sx={{ border: '2px solid', borderColor: 'text.primary', px: 1.25, py: 0.75, fontWeight: 700 }}>
          {card.state}
        </Box>
        <Button variant="outlined" onClick={() => window.print()} sx={{ displayPrint: 'none' }}>
          Print
        </Button>
      </Box>
    </Box>
    <Box sx={{ mt: 1.5 }}>
      <SpeedRail
        startPct={card.startPct}
        floorPct={card.speeds[0]!.pct}
        ceilingPct={card.speeds.at(-1)!.pct}
        boostPct={card.speeds.find(({ name }) => name === 'boost')?.pct ?? null}
        nowPct={null}
      />
      <Box sx={{ display: 'flex', justifyContent: 'space-between', flexWrap: 'wrap', columnGap: 2 }}>
        {card.startPct !== null && <span>will not turn under {card.startPct} %</span>}
        {card.speeds.map(({ name, pct, shows }) => (
          <span key={name}>
            {name} <b>{pct} %</b> <Typography variant="figure">{shows}</Typography>
          </span>
        ))}
      </Box>
    </Box>
  </>
)

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ breakInside: 'avoid' }}>
    <Typography variant="h2" sx={{ borderBottom: '1.5px solid', borderColor: 'text.primary', mb: 0.5 }}>
      {title}
    </Typography>
    {children}
  </Box>
)

function Code({ text }: { text: string }) {
  const { path, size } = qrPath(text)
  return (
    <Box component="figure" sx={{ m: 0, textAlign: 'center', fontSize: '0.75rem' }}>
      <svg
        width="120"
        height="120"
        viewBox={`0 0 ${size} ${size}`}
        role="img"
        aria-label={`Code with the address ${text}`}
      >
        <rect width={size} height={size} fill="#FFFFFF" />
        <path d={path} fill="#000000" />
      </svg>
      <figcaption>the record, sign in</figcaption>
    </Box>
  )
}
