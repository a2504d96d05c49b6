'use client'

import Box from '@mui/material/Box'
import InputBase from '@mui/material/InputBase'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { UnitPreference } from '@/core/quantity/format'
import { findCalculations, calculationById, CALCULATIONS } from '@/core/calculation/registry'
import { valuesOfQuery } from '@/core/calculation/calculationQuery'
import { GROUPS, type AnyCalculation } from '@/core/calculation/calculation'
import { CalculationForm, type Target } from '@/features/calculations/CalculationForm'
import { useOwnCalculations } from '@/features/calculations/ownCalculations'
import { PreferenceProvider } from '@/ui/preference'

type Props = {
  /** The calculation asked for and values to put into it. */
  query: Readonly<Record<string, string | undefined>>
  installations: readonly Target[]
  preference: UnitPreference
}

/** Single calculations: found by words, filled in with any unit, answered as one types, with formula and source. */
export function CalculationsPage({ query, installations, preference }: Props) {
  const [search, setSearch] = useState('')
  // The last is the one that the list changes; those before it were put beside it.
  const [shown, setShown] = useState<readonly AnyCalculation[]>(() => [
    calculationById(query.sum ?? '') ?? CALCULATIONS[0]!,
  ])
  const { favourites, recent, note } = useOwnCalculations()
  const found = findCalculations(search)
  const last = shown.at(-1)!

  function choose(next: AnyCalculation): void {
    note(next.id)
    setShown((before) => [...before.slice(0, -1).filter(({ id }) => id !== next.id), next])
    // The address names the calculation, so that it can be sent on; the page itself has all of them.
    window.history.replaceState(null, '', `?sum=${next.id}`)
  }

  return (
    <PreferenceProvider value={preference}>
      <Box
        component="main"
        sx={{
          bgcolor: 'ground.sheet',
          minHeight: 'calc(100vh - 44px)',
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '300px minmax(0, 1fr)' },
        }}
      >
        <Box
          component="nav"
          aria-label="All calculations"
          sx={{
            bgcolor: 'ground.side',
            px: 2,
            py: 2,
            maxHeight: { xs: 260, md: 'calc(100vh - 44px)' },
            overflowY: 'auto',
          }}
        >
          <InputBase
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && found[0]) choose(found[0])
            }}
            placeholder="Find by words: duct, dew, gauge…"
            inputProps={{ 'aria-label': 'find a calculation' }}
            sx={{
              width: '100%',
              borderBottom: '1px solid',
              borderColor: 'text.secondary',
              mb: 1,
              minHeight: { xs: 44, md: 32 },
            }}
          />
          {found.length === 0 && (
            <Typography variant="body2">No calculation has these words. Try fewer of them.</Typography>
          )}
          {search === '' && (
            <>
              <Group name="Favourites" calculations={known(favourites)} last={last} onChoose={choose} />
              <Group name="Used last" calculations={known(recent)} last={last} onChoose={choose} />
            </>
          )}
          {GROUPS.map((group) => (
            <Group
              key={group}
              name={group}
              calculations={found.filter((candidate) => candidate.group === group)}
              last={last}
              onChoose={choose}
            />
          ))}
        </Box>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 340px), 1fr))' }}>
          {shown.map((calculation) => (
            <CalculationForm
              key={calculation.id}
              calculation={calculation}
              given={calculation.id === query.sum ? valuesOfQuery(calculation, query) : {}}
              installations={installations}
              onBeside={
                calculation === last && shown.length < MOST_BESIDE
                  ? () => setShown([...shown, nextBeside(shown, known(recent))])
                  : null
              }
              onClose={shown.length > 1 ? () => setShown(shown.filter((other) => other.id !== calculation.id)) : null}
            />
          ))}
        </Box>
      </Box>
    </PreferenceProvider>
  )
}

/** So many stand side by side at most. */
const MOST_BESIDE = 3

const known = (ids: readonly string[]): readonly AnyCalculation[] => ids.flatMap((id) => calculationById(id) ?? [])

/** What is put beside those shown, until another is chosen: the one used last that is not shown yet. */
const nextBeside = (shown: readonly AnyCalculation[], recent: readonly AnyCalculation[]): AnyCalculation =>
  [...recent, ...CALCULATIONS].find(({ id }) => shown.every((other) => other.id !== id))!

type GroupProps = {
  name: string
  calculations: readonly AnyCalculation[]
  last: AnyCalculation
  onChoose: (calculation: AnyCalculation) => void
}

function Group({ name, calculations, last, onChoose }: GroupProps) {
  if (calculations.length === 0) return null
  return (
    <Box component="section" aria-label={name} sx={{ mb: 1.5 }}>
      <Typography component="h2" variant="body2" sx={{ color: 'text.secondary' }}>
        {name}
      </Typography>
      {calculations.map((candidate) => (
        <Link
          key={candidate.id}
          component="button"
          type="button"
          underline={candidate.id === last.id ? 'always' : 'hover'}
          aria-current={candidate.id === last.id ? 'true' : undefined}
          onClick={() => onChoose(candidate)}
          sx={{
            display: 'block',
            textAlign: 'left',
            py: { xs: 1.25, md: 0.25 },
            color: 'text.primary',
            fontWeight: candidate.id === last.id ? 700 : 400,
          }}
        >
          {candidate.name}
        </Link>
      ))}
    </Box>
  )
}
