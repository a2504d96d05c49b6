'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Brief, Target } from '@/core/brief/schema'
import { answerReader, type Flow } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { capital } from '@/core/sentences/words'
import { formatQuantity } from '@/core/quantity/format'
import { saidIn } from '@/core/quantity/saidIn'
import { TextButton } from '@/ui/TextButton'
import { FormRow } from '@/ui/FormRow'
import { CalculationWhy } from '@/ui/CalculationWhy'
import { usePreference } from '@/ui/preference'
import { useWorkingCopy } from '@/ui/workingCopy/context'

// A document that came back from the database has its keys in another order.
const sameTargets = (a: readonly Target[], b: readonly Target[]): boolean =>
  a.length === b.length &&
  a.every((one, index) => (Object.keys(one) as (keyof Target)[]).every((key) => one[key] === b[index]![key]))

/** What the answers lead to: flows and targets with their reasons, taken by a press; what is still to be measured. */
export function WhatFollows({ brief }: { brief: Brief }) {
  const edit = useWorkingCopy((state) => state.edit)
  const preference = usePreference()
  const said = (text: string) => saidIn(text, preference)
  const reasons = ({ why, source }: Flow): string => said(`${why}. ${capital(source)}.`)
  const plan = DUTY_PLANS[brief.duty]
  const { targets, least, most, later } = plan.follows(answerReader(plan, brief))
  const leastLs = least === null ? null : Number(least.flowLs.toPrecision(6))
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        What follows
      </Typography>
      {least !== null && (
        <FormRow label="Never less than" hint={reasons(least)}>
          <Figure flow={least} />{' '}
          {brief.requiredFlow?.flowLs !== leastLs && (
            <Take
              label="Take it as the flow never to fall below"
              onTake={() =>
                edit('required flow', (draft) => void (draft.brief.requiredFlow = { flowLs: leastLs!, why: least.why }))
              }
            />
          )}
        </FormRow>
      )}
      {most !== null && (
        <FormRow label="At the most" hint={reasons(most)}>
          <Figure flow={most} />
        </FormRow>
      )}
      {!sameTargets(targets, brief.targets) && (
        <FormRow label="Targets" hint={said(targets.map(({ quantity, why }) => `${quantity}: ${why}`).join('. '))}>
          <Take
            label="Take the targets that follow from these answers"
            onTake={() => edit('targets', (draft) => void (draft.brief.targets = structuredClone([...targets])))}
          />
        </FormRow>
      )}
      {later.length > 0 && (
        <FormRow label="Still to be measured">
          <Box component="ul" sx={{ m: 0, pl: 2 }}>
            {later.map((line) => (
              <li key={line}>{said(line)}</li>
            ))}
          </Box>
        </FormRow>
      )}
    </>
  )
}

function Figure({ flow: { flowLs, by } }: { flow: Flow }) {
  const figure = <b>{formatQuantity(flowLs, 'flow', usePreference())}</b>
  return by ? (
    <CalculationWhy calculation={by.calculation} values={by.values}>
      {figure}
    </CalculationWhy>
  ) : (
    figure
  )
}

const Take = ({ label, onTake }: { label: string; onTake: () => void }) => (
  <TextButton onClick={onTake}>{label}</TextButton>
)
