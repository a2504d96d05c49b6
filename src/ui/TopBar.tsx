'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ButtonBase from '@mui/material/ButtonBase'
import Divider from '@mui/material/Divider'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { useColorScheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { usePathname, useRouter } from 'next/navigation'
import { useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { FLOW_CHOICES, TEMPERATURE_CHOICES, type UnitPreference } from '@/core/quantity/format'
import { PLACES } from '@/ui/places'
import { MONO } from '@/ui/theme'

// Fetched when it is first opened: a page that is only read does without it.
const KeysList = dynamic(() => import('@/ui/KeysList').then((module) => module.KeysList), { ssr: false })
const FindOrDo = dynamic(() => import('@/ui/FindOrDo').then((module) => module.FindOrDo), { ssr: false })

type Props = {
  personName: string
  role: string
  mayInvite: boolean
  workspaces: readonly { readonly id: string; readonly name: string }[]
  workspaceId: string
  preference: UnitPreference
  onWorkspace: (input: { workspaceId: string }) => Promise<{ kind: string }>
  onPreference: (choice: { temperatureUnit: string; flowUnit: string }) => Promise<unknown>
  onSignOut: () => Promise<void>
}

const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map((word) => word.charAt(0).toUpperCase())
    .slice(0, 2)
    .join('')

/** Name, the places, find-or-do, how the work stands towards the server, and the person. */
export function TopBar(props: Props) {
  const path = usePathname()
  const router = useRouter()
  const [isFinding, setFinding] = useState(false)
  const [areKeysShown, setKeysShown] = useState(false)
  useHotkeys('mod+k', () => setFinding(true), { preventDefault: true, enableOnFormTags: true })
  useHotkeys(
    PLACES.map(({ key }) => `g>${key}`),
    (event) => {
      const place = PLACES.find(({ key }) => key === event.key)
      if (place) router.push(place.path)
    },
  )
  useHotkeys('shift+?', () => setKeysShown(true), { useKey: true })
  return (
    <Box
      component="header"
      sx={{
        bgcolor: 'ground.bar',
        color: 'ground.barText',
        height: 44,
        px: 2,
        display: 'flex',
        alignItems: 'center',
        gap: { xs: 1.5, sm: 2.5 },
        displayPrint: 'none',
      }}
    >
      <Home />
      <Places path={path} />
      <Box sx={{ flex: 1 }} />
      <FindButton onClick={() => setFinding(true)} />
      <Box id="standing" sx={{ fontSize: '0.8125rem', whiteSpace: 'nowrap' }} />
      <PersonMenu {...props} />
      {areKeysShown && <KeysList onClose={() => setKeysShown(false)} />}
      {isFinding && <FindOrDo open onClose={() => setFinding(false)} />}
    </Box>
  )
}

const Home = () => (
  <Box
    component={Link}
    href="/yard"
    aria-label="Soft Gale, to the yard"
    sx={{
      color: 'inherit',
      textDecoration: 'none',
      fontWeight: 700,
      display: 'flex',
      alignItems: 'center',
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
    // On a phone the places give way: they slide under a thumb, and what is kept stays in sight.
    sx={{ display: 'flex', gap: { xs: 1.5, sm: 2.5 }, minWidth: 0, overflowX: { xs: 'auto', sm: 'visible' } }}
  >
    {PLACES.map(({ name, path: to, key }) => {
      const isHere = path.startsWith(to) || (to === '/yard' && path.startsWith('/installation'))
      return (
        <Box
          key={to}
          component={Link}
          href={to}
          title={`g then ${key}`}
          aria-current={isHere ? 'page' : undefined}
          sx={{
            color: 'inherit',
            textDecoration: 'none',
            fontSize: '0.875rem',
            lineHeight: '41px',
            borderBottom: '3px solid',
            borderColor: isHere ? '#A8CEC8' : 'transparent',
          }}
        >
          {name}
        </Box>
      )
    })}
  </Box>
)

const FindButton = ({ onClick }: { onClick: () => void }) => (
  <ButtonBase
    onClick={onClick}
    sx={{
      border: 1,
      borderColor: '#5C6E75',
      borderRadius: 1,
      height: 30,
      px: 1.25,
      minWidth: { sm: 200 },
      justifyContent: 'space-between',
      fontSize: '0.8125rem',
      color: '#C6D2D0',
      gap: 2,
      flexShrink: 0,
    }}
  >
    <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
      Find or do…
    </Box>
    <Box component="span" sx={{ display: { sm: 'none' } }}>
      Find
    </Box>
    <Box component="span" sx={{ fontFamily: MONO, display: { xs: 'none', sm: 'inline' } }}>
      Ctrl K
    </Box>
  </ButtonBase>
)

function PersonMenu({
  personName,
  role,
  mayInvite,
  workspaces,
  workspaceId,
  preference,
  onPreference,
  onWorkspace,
  onSignOut,
}: Props) {
  const router = useRouter()
  const { mode, setMode } = useColorScheme()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const choose = (choice: Partial<UnitPreference>) =>
    void onPreference({
      temperatureUnit: choice.temperature ?? preference.temperature,
      flowUnit: choice.flow ?? preference.flow,
    }).then(() => router.refresh())
  return (
    <>
      <ButtonBase
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`${personName}: account, people, units, light or dark, sign out`}
        sx={{ fontSize: '0.8125rem', fontWeight: 600, minWidth: 32, minHeight: 32 }}
      >
        {initials(personName)}
      </ButtonBase>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        <Typography variant="body2" sx={{ px: 2, py: 0.5 }}>
          {personName}, {role}
        </Typography>
        <Divider />
        {workspaces.length > 1 &&
          workspaces.map(({ id, name }) => (
            <MenuItem
              key={id}
              selected={id === workspaceId}
              // A full load: nothing of the other workspace stays on the page.
              onClick={() => void onWorkspace({ workspaceId: id }).then(() => window.location.assign('/yard'))}
            >
              {name}
            </MenuItem>
          ))}
        {workspaces.length > 1 && <Divider />}
        <MenuItem component={Link} href="/account" onClick={() => setAnchor(null)}>
          Your account
        </MenuItem>
        <MenuItem component={Link} href="/people" onClick={() => setAnchor(null)}>
          {mayInvite ? 'People and audit' : 'People'}
        </MenuItem>
        <Divider />
        {TEMPERATURE_CHOICES.map((unit) => (
          <MenuItem key={unit} selected={preference.temperature === unit} onClick={() => choose({ temperature: unit })}>
            Temperatures in °{unit}
          </MenuItem>
        ))}
        <Divider />
        {FLOW_CHOICES.map((unit) => (
          <MenuItem key={unit} selected={preference.flow === unit} onClick={() => choose({ flow: unit })}>
            Flows in {unit}
          </MenuItem>
        ))}
        <Divider />
        {(['light', 'dark', 'system'] as const).map((choice) => (
          <MenuItem key={choice} selected={mode === choice} onClick={() => setMode(choice)}>
            {{ light: 'Light', dark: 'Dark, for night work', system: 'As the device' }[choice]}
          </MenuItem>
        ))}
        <Divider />
        <MenuItem
          component={Button}
          onClick={() => void onSignOut()}
          sx={{ width: '100%', justifyContent: 'flex-start' }}
        >
          Sign out
        </MenuItem>
      </Menu>
    </>
  )
}
