'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { usePathname, useRouter } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { keepBarSlot } from '@/ui/barSlot'
import { PLACES } from '@/ui/places'
import { MONO } from '@/ui/theme'

// Fetched when it is first opened: a page that is only read does without it.
const HelpHere = dynamic(() => import('@/ui/HelpHere').then((module) => module.HelpHere), { ssr: false })
const FindOrDo = dynamic(() => import('@/ui/FindOrDo').then((module) => module.FindOrDo), { ssr: false })

type Props = {
  /** The menu of the person who works here. */
  children?: ReactNode
}

/** Name, the places, find-or-do, how the work stands towards the server, and the person. */
export function TopBar({ children }: Props) {
  const path = usePathname()
  const router = useRouter()
  const [isFinding, setFinding] = useState(false)
  const [isHelping, setHelping] = useState(false)
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
        height: 44,
        px: { xs: 0.5, md: 2 },
        display: 'flex',
        alignItems: 'center',
        gap: { xs: 0, md: 2.5 },
        displayPrint: 'none',
      }}
    >
      <SkipLink />
      <Home />
      <Places path={path} />
      <Box sx={{ flex: 1 }} />
      <FindButton onClick={() => setFinding(true)} />
      <HelpButton onClick={() => setHelping(true)} />
      <Box
        id="standing"
        ref={keepBarSlot}
        sx={{
          fontSize: '0.8125rem',
          whiteSpace: { md: 'nowrap' },
          lineHeight: 1.2,
          minWidth: 0,
          overflow: 'hidden',
          maxHeight: 44,
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

const Home = () => (
  <Box
    component={Link}
    href="/yard"
    aria-label="Soft Gale, to the yard"
    sx={{
      color: 'inherit',
      textDecoration: 'none',
      fontWeight: 700,
      // On a phone the first of the places goes there too.
      display: { xs: 'none', md: 'flex' },
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
    <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
      Soft Gale
    </Box>
  </Box>
)

const Places = ({ path }: { path: string }) => (
  <Box
    component="nav"
    aria-label="Places"
    // On a phone signs stand for the words: each place is one touch away.
    sx={{ display: 'flex', gap: { xs: 0, md: 2.5 }, flexShrink: 0 }}
  >
    {PLACES.map(({ name, path: to, key, sign }) => {
      const isHere = path.startsWith(to) || (to === '/yard' && path.startsWith('/installation'))
      return (
        <Box
          key={to}
          component={Link}
          href={to}
          aria-label={name}
          title={`${name}: g then ${key}`}
          aria-current={isHere ? 'page' : undefined}
          sx={{
            color: 'inherit',
            textDecoration: 'none',
            fontSize: '0.875rem',
            lineHeight: '41px',
            minWidth: { xs: 44, md: 0 },
            textAlign: 'center',
            py: 0,
            borderBottom: '3px solid',
            borderColor: isHere ? '#A8CEC8' : 'transparent',
          }}
        >
          <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
            {name}
          </Box>
          <Box
            component="svg"
            viewBox="0 0 20 20"
            aria-hidden="true"
            sx={{ display: { md: 'none' }, width: 20, height: 20, verticalAlign: 'middle' }}
          >
            <path d={sign} fill="none" stroke="currentColor" strokeWidth="1.7" strokeLinejoin="round" />
          </Box>
        </Box>
      )
    })}
  </Box>
)

/** What to do on this page, its words and its keys. */
const HelpButton = ({ onClick }: { onClick: () => void }) => (
  <ButtonBase
    onClick={onClick}
    aria-label="Help on this page"
    title="Help on this page, ?"
    sx={{ minWidth: 32, minHeight: 32, flexShrink: 0, fontWeight: 600 }}
  >
    ?
  </ButtonBase>
)

const FindButton = ({ onClick }: { onClick: () => void }) => (
  <ButtonBase
    onClick={onClick}
    aria-label="Find or do…"
    sx={{
      border: { xs: 0, md: 1 },
      borderColor: { xs: 'transparent', md: '#5C6E75' },
      borderRadius: 1,
      height: 30,
      px: { xs: 0, md: 1.25 },
      minWidth: { md: 200 },
      justifyContent: { xs: 'center', md: 'space-between' },
      fontSize: '0.8125rem',
      color: '#C6D2D0',
      gap: 2,
      flexShrink: 0,
    }}
  >
    <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
      Find or do…
    </Box>
    <Box component="svg" viewBox="0 0 16 16" aria-hidden="true" sx={{ display: { md: 'none' }, width: 16, height: 16 }}>
      <path d="M7 2a5 5 0 1 0 0 10A5 5 0 0 0 7 2M11 11l4 4" fill="none" stroke="currentColor" strokeWidth="2" />
    </Box>
    <Box component="span" sx={{ fontFamily: MONO, display: { xs: 'none', md: 'inline' } }}>
      Ctrl K
    </Box>
  </ButtonBase>
)
