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
  const [calculation, setCalculation] = useState<AnyCalculation>(
    () => calculationById(query.sum ?? '') ?? CALCULATIONS[0]!,
  )
  const found = findCalculations(search)

  function choose(next: AnyCalculation): void {
    setCalculation(next)
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
          gridTemplateColumns: { xs: '1fr', md: '300px 1fr' },
        }}
      >
        <Box
          component="nav"
          aria-label="All sums"
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
            inputProps={{ 'aria-label': 'find a sum' }}
            sx={{
              width: '100%',
              borderBottom: '1px solid',
              borderColor: 'text.secondary',
              mb: 1,
              minHeight: { xs: 44, md: 32 },
            }}
          />
          {found.length === 0 && <Typography variant="body2">No sum has these words. Try fewer of them.</Typography>}
          {GROUPS.map((group) => {
            const here = found.filter((candidate) => candidate.group === group)
            if (here.length === 0) return null
            return (
              <Box key={group} sx={{ mb: 1.5 }}>
                <Typography component="h2" variant="body2" sx={{ color: 'text.secondary' }}>
                  {group}
                </Typography>
                {here.map((candidate) => (
                  <Link
                    key={candidate.id}
                    component="button"
                    type="button"
                    underline={candidate.id === calculation.id ? 'always' : 'hover'}
                    aria-current={candidate.id === calculation.id ? 'true' : undefined}
                    onClick={() => choose(candidate)}
                    sx={{
                      display: 'block',
                      textAlign: 'left',
                      py: { xs: 1.25, md: 0.25 },
                      color: 'text.primary',
                      fontWeight: candidate.id === calculation.id ? 700 : 400,
                    }}
                  >
                    {candidate.name}
                  </Link>
                ))}
              </Box>
            )
          })}
        </Box>
        <CalculationForm
          key={calculation.id}
          calculation={calculation}
          given={calculation.id === query.sum ? valuesOfQuery(calculation, query) : {}}
          installations={installations}
        />
      </Box>
    </PreferenceProvider>
  )
}
