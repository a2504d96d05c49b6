'use client'

import Button from '@mui/material/Button'
import ButtonBase from '@mui/material/ButtonBase'
import Divider from '@mui/material/Divider'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { useColorScheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { FLOW_CHOICES, TEMPERATURE_CHOICES, type UnitPreference } from '@/core/quantity/format'
import { forgetAll } from '@/ui/onSite/along'

type Props = {
  personName: string
  role: string
  mayInvite: boolean
  workspaces: readonly { readonly id: string; readonly name: string }[]
  workspaceId: string
  preference: UnitPreference
  onWorkspace: (input: { workspaceId: string }) => Promise<{ kind: string }>
  onPreference: (choice: { temperatureUnit: string; flowUnit: string; units: object }) => Promise<unknown>
  onSignOut: () => Promise<void>
}

const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map((word) => word.charAt(0).toUpperCase())
    .slice(0, 2)
    .join('')

/** Account, people, units, light or dark, sign out. */
export function PersonMenu({
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
      units: preference.units ?? {},
    }).then(() => router.refresh())
  return (
    <>
      <ButtonBase
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`${personName}: account, people, units, light or dark, sign out`}
        sx={{ fontSize: '0.8125rem', fontWeight: 600, minWidth: { xs: 44, md: 32 }, minHeight: { xs: 44, md: 32 } }}
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
        <MenuItem component={Link} href="/rules" onClick={() => setAnchor(null)}>
          Cautions and local rules
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
        <MenuItem component={Link} href="/account#units" onClick={() => setAnchor(null)}>
          Other units…
        </MenuItem>
        <Divider />
        {(['light', 'dark', 'system'] as const).map((choice) => (
          <MenuItem key={choice} selected={mode === choice} onClick={() => setMode(choice)}>
            {{ light: 'Light', dark: 'Dark, for night work', system: 'As the device' }[choice]}
          </MenuItem>
        ))}
        <Divider />
        <MenuItem
          component={Button}
          onClick={() => void forgetAll().finally(() => void onSignOut())}
          sx={{ width: '100%', justifyContent: 'flex-start' }}
        >
          Sign out
        </MenuItem>
      </Menu>
    </>
  )
}
