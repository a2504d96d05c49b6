'use client'

import Box from '@mui/material/Box'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { Fragment } from 'react'
import { mountingQuestions } from '@/core/kit/checklist'
import { TextButton } from '@/ui/TextButton'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** How it is wired and mounted: a look each, yes or no; what is not good becomes a judgement and goes on the record. */
export function Mounting() {
  const brief = usePart('brief')
  const kit = usePart('kit')
  const edit = useWorkingCopy((state) => state.edit)
  const answers = kit.mounting ?? {}
  const asked = mountingQuestions(brief)
  // What can hurt somebody is looked at by itself; the rest may be answered together.
  const together = asked.filter(({ severity }) => severity !== 'hurts')
  const questions = [...asked.filter(({ severity }) => severity === 'hurts'), ...together]
  const openTogether = together.filter(({ id }) => answers[id] === undefined)
  const open = questions.filter(({ id }) => answers[id] === undefined).length
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3 }}>
        Wired and mounted{' '}
        <Typography component="span" variant="body2" sx={{ color: 'text.secondary' }}>
          {open === 0 ? 'all looked at' : `${open} still to be looked at`}
        </Typography>
      </Typography>
      {questions.map(({ id, ask, good, otherwise, cure }) => {
        const answer = answers[id]
        const isWrong = answer !== undefined && answer !== good
        return (
          <Fragment key={id}>
            {id === together[0]?.id && openTogether.length > 1 && (
              <Typography variant="body2" sx={{ color: 'text.secondary', pt: 1 }}>
                The last {together.length}, once you have looked:{' '}
                <TextButton
                  onClick={() =>
                    edit('wired and mounted', (draft) => {
                      const good = Object.fromEntries(openTogether.map((question) => [question.id, question.good]))
                      draft.kit.mounting = { ...draft.kit.mounting, ...good }
                    })
                  }
                >
                  these are as they should be
                </TextButton>
              </Typography>
            )}
            <Box sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
              <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 2, alignItems: 'center' }}>
                <Typography id={`mounting-${id}`}>{ask}</Typography>
                <ToggleButtonGroup
                  exclusive
                  size="small"
                  aria-labelledby={`mounting-${id}`}
                  value={answer ?? null}
                  onChange={(_event, next: 'yes' | 'no' | null) =>
                    edit('wired and mounted', (draft) => {
                      const { [id]: _before, ...rest } = draft.kit.mounting ?? {}
                      draft.kit.mounting = next === null ? rest : { ...rest, [id]: next }
                    })
                  }
                  sx={{
                    '& button': {
                      minHeight: { xs: 44, sm: 28 },
                      minWidth: { xs: 52, sm: 40 },
                      py: 0,
                      textTransform: 'none',
                      color: 'text.secondary',
                      '&.Mui-selected': { color: 'text.primary', fontWeight: 700 },
                    },
                  }}
                >
                  <ToggleButton value="yes">yes</ToggleButton>
                  <ToggleButton value="no">no</ToggleButton>
                </ToggleButtonGroup>
              </Box>
              {isWrong && (
                <Typography variant="body2">
                  <Box component="strong" sx={{ color: 'error.main' }}>
                    {otherwise}
                  </Box>{' '}
                  {cure}
                </Typography>
              )}
            </Box>
          </Fragment>
        )
      })}
    </>
  )
}
