'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { usePathname, useRouter } from 'next/navigation'
import { useEffect, useState, type ReactNode } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { keepBarSlot } from '@/ui/barSlot'
import { BAR_PX, PHONE, PLACES, PLACES_PX } from '@/ui/places'
import { MONO } from '@/ui/theme'
import { whenIdle } from '@/ui/whenIdle'

// Fetched once the page has nothing else to do, so that they open at once; a page does not wait for them.
const fetchHelp = () => import('@/ui/HelpHere').then((module) => module.HelpHere)
const fetchFind = () => import('@/ui/FindOrDo').then((module) => module.FindOrDo)
const HelpHere = dynamic(fetchHelp, { ssr: false })
const FindOrDo = dynamic(fetchFind, { ssr: false })

type Props = {
  /** The menu of the person who works here. */
  children?: ReactNode
}

/** Name, the places, find-or-do, how the work stands towards the server, and the person. On a phone the places lie at the thumb, and an
 *  installation writes its name into the bar. */
export function TopBar({ children }: Props) {
  const path = usePathname()
  const router = useRouter()
  const [isFinding, setFinding] = useState(false)
  const [isHelping, setHelping] = useState(false)
  useEffect(() => whenIdle(() => void Promise.allSettled([fetchHelp(), fetchFind()])), [])
  useHotkeys('mod+k', () => setFinding(true), { preventDefault: true, enableOnFormTags: true })
  useHotkeys(
    PLACES.map(({ key }) => `g>${key}`),
    (event) => {
      const place = PLACES.find(({ key }) => key === event.key)
      if (place) router.push(place.path)
    },
  )
  useHotkeys('shift+?', () => setHelping(true), { useKey: true })
  return (
    <Box
      component="header"
      sx={{
        bgcolor: 'ground.bar',
        color: 'ground.barText',
        height: BAR_PX,
        px: { xs: 0.5, md: 2 },
        display: 'flex',
        alignItems: 'center',
        gap: { xs: 0, md: 2.5 },
        displayPrint: 'none',
      }}
    >
      <SkipLink />
      <Home isNamed={!path.startsWith('/installation')} />
      <Places path={path} onFind={() => setFinding(true)} />
      <Box sx={{ flex: 1 }} />
      <FindButton onClick={() => setFinding(true)} />
      <HelpButton onClick={() => setHelping(true)} />
      <Box
        id="standing"
        ref={keepBarSlot}
        sx={{
          fontSize: { xs: 'min(0.7rem, 11.5px)', md: '0.8125rem' },
          whiteSpace: { md: 'nowrap' },
          lineHeight: 1.15,
          width: { xs: 48, md: 'auto' },
          flexShrink: 0,
          // What stands here comes once the page answers, and pushes nothing aside then.
          minWidth: { md: path.startsWith('/installation') ? 104 : 0 },
          textAlign: { xs: 'center', md: 'left' },
        }}
      />
      {children}
      {isHelping && <HelpHere onClose={() => setHelping(false)} />}
      {isFinding && <FindOrDo open onClose={() => setFinding(false)} />}
    </Box>
  )
}

/** For whoever goes by keys: past the bar, into the work. */
const SkipLink = () => (
  <ButtonBase
    onClick={() => {
      const main = document.querySelector('main')
      if (!main) return
      main.tabIndex = -1
      main.focus()
    }}
    sx={{
      position: 'absolute',
      left: -9999,
      '&:focus-visible': { left: 8, bgcolor: 'ground.sheet', color: 'text.primary', px: 1.5, py: 0.75, zIndex: 20 },
    }}
  >
    Skip to the work
  </ButtonBase>
)

const Home = ({ isNamed }: { isNamed: boolean }) => (
  <Box
    component={Link}
    href="/yard"
    aria-label="Soft Gale, to the yard"
    sx={{
      color: 'inherit',
      textDecoration: 'none',
      fontWeight: 700,
      display: { xs: isNamed ? 'flex' : 'none', md: 'flex' },
      px: { xs: 1, md: 0 },
      alignItems: 'center',
      minHeight: 44,
      py: 0,
      gap: 1,
      whiteSpace: 'nowrap',
    }}
  >
    <svg
      width="22"
      height="16"
      viewBox="0 0 22 16"
      fill="none"
      stroke="#A8CEC8"
      strokeWidth="2"
      strokeLinecap="round"
      aria-hidden="true"
    >
      <path d="M1 5h12a2.5 2.5 0 1 0-2.5-2.5" />
      <path d="M1 9h19" />
      <path d="M1 13h9" />
    </svg>
    Soft Gale
  </Box>
)

type PlacesProps = { path: string; onFind: () => void }

const Places = ({ path, onFind }: PlacesProps) => (
  <Box
    component="nav"
    aria-label="Places"
    sx={{
      display: 'flex',
      gap: { md: 2.5 },
      flexShrink: 0,
      position: { xs: 'fixed', md: 'static' },
      inset: 'auto 0 0 0',
      height: { xs: PLACES_PX, md: 'auto' },
      bgcolor: 'ground.bar',
      zIndex: 11,
    }}
  >
    {PLACES.map(({ name, path: to, key, sign }) => {
      const isHere = path.startsWith(to) || (to === '/yard' && path.startsWith('/installation'))
      return (
        <Box
          key={to}
          component={Link}
          href={to}
          title={`${name}: g then ${key}`}
          aria-current={isHere ? 'page' : undefined}
          sx={{
            color: 'inherit',
            textDecoration: 'none',
            fontSize: { md: '0.875rem' },
            lineHeight: { md: '41px' },
            borderColor: isHere ? '#A8CEC8' : 'transparent',
            borderStyle: 'solid',
            borderWidth: { xs: '3px 0 0', md: '0 0 3px' },
            ...THUMB_PLACE,
          }}
        >
          <PlaceSign path={sign} />
          {name}
        </Box>
      )
    })}
    <ButtonBase
      onClick={onFind}
      sx={{ display: { md: 'none' }, borderTop: '3px solid transparent', ...THUMB_PLACE, justifyContent: 'center' }}
    >
      <PlaceSign path="M9 3a6 6 0 1 0 0 12A6 6 0 0 0 9 3M13.5 13.5 18 18" />
      Find
    </ButtonBase>
  </Box>
)

/** At the end of every page, so that the last of it comes out from under the places of a phone. */
export const PlacesRoom = () => <Box sx={{ display: { md: 'none' }, height: PLACES_PX }} />

/** On a phone a place is as wide as the others, its sign above its word. */
const THUMB_PLACE = {
  [PHONE]: {
    flex: '1 0 0',
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'center',
    justifyContent: 'center',
    gap: 0.25,
    py: 0,
    fontSize: 'min(0.75rem, 3.1vw)',
    lineHeight: 1.15,
  },
} as const

const PlaceSign = ({ path }: { path: string }) => (
  <Box
    component="svg"
    viewBox="0 0 20 20"
    aria-hidden="true"
    sx={{ display: { md: 'none' }, width: 20, height: 20, flexShrink: 0 }}
  >
    <path d={path} fill="none" stroke="currentColor" strokeWidth="1.7" strokeLinejoin="round" />
  </Box>
)

/** What to do on this page, its words and its keys. */
const HelpButton = ({ onClick }: { onClick: () => void }) => (
  <ButtonBase
    onClick={onClick}
    aria-label="Help on this page"
    title="Help on this page, ?"
    sx={{ minWidth: { xs: 44, md: 32 }, minHeight: { xs: 44, md: 32 }, flexShrink: 0, fontWeight: 600 }}
  >
    ?
  </ButtonBase>
)

/** On a phone it is one of the places. */
const FindButton = ({ onClick }: { onClick: () => void }) => (
  <ButtonBase
    onClick={onClick}
    aria-label="Find or do…"
    sx={{
      display: { xs: 'none', md: 'flex' },
      border: '1px solid #5C6E75',
      borderRadius: 1,
      height: 30,
      px: 1.25,
      minWidth: 200,
      justifyContent: 'space-between',
      fontSize: '0.8125rem',
      color: '#C6D2D0',
      flexShrink: 0,
    }}
  >
    <span>Find or do…</span>
    <Box component="span" sx={{ fontFamily: MONO }}>
      Ctrl K
    </Box>
  </ButtonBase>
)
