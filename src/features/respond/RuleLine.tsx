'use client'

import Box from '@mui/material/Box'
import IconButton from '@mui/material/IconButton'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { useState } from 'react'
import { freeId } from '@/core/document/freeId'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import { inputQuantity, ruleInputId } from '@/core/response/rules/kind'
import type { Rule } from '@/core/response/schema'
import { linkText, ruleName, sentenceParts } from '@/core/response/words'
import { SentenceField } from '@/features/respond/SentenceField'
import { SentenceRow } from '@/features/respond/SentenceRow'
import { causeColour, ruleCause } from '@/ui/cause'
import { useInstant } from '@/ui/TryItValues'
import { Why } from '@/ui/Why'
import { usePreference } from '@/ui/preference'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** A rule as a sentence with inline fields, what it asks now and why. */
export function RuleLine({ rule, index }: { rule: Rule; index: number }) {
  const { response } = useDocument()
  const { asked } = useInstant()
  const preference = usePreference()
  const link = asked?.explanation.chain.find((candidate) => candidate.stage === 'ask' && candidate.rule?.id === rule.id)
  const askPct = link?.stage === 'ask' ? link.asksPct : NaN
  const colour = causeColour(ruleCause(response, rule))
  const input = response.inputs.find(({ id }) => id === ruleInputId(rule))
  const point = (x: number) =>
    input && input.kind !== 'switch' ? formatQuantity(x, inputQuantity(input), preference) : String(x)
  return (
    <SentenceRow
      colour={colour}
      isOff={rule.off}
      isInCharge={asked?.explanation.inCharge?.id === rule.id}
      actions={<RuleMenu rule={rule} index={index} />}
      asks={
        link?.stage === 'ask' && rule.kind === 'ramp' && !Number.isNaN(askPct) ? (
          <Why
            what={`What the ${ruleName(response, rule)} asks`}
            formula="from + (to − from) × (x − start) ÷ (full − start), held between both"
            withValues={`${formatPct(rule.fromPct)} + (${formatPct(rule.toPct)} − ${formatPct(rule.fromPct)}) × (x − ${point(rule.startAt)}) ÷ (${point(rule.fullAt)} − ${point(rule.startAt)}) → ${formatPct(askPct)} %`}
            source="definition of a ramp; cases in the reference values, ctl.ramp"
          >
            asks {formatPct(askPct)} %
          </Why>
        ) : Number.isNaN(askPct) ? (
          'idle'
        ) : (
          <span title={link?.stage === 'ask' ? linkText(response, link, preference) : ''}>
            asks {formatPct(askPct)} %
          </span>
        )
      }
    >
      {sentenceParts(response, rule).map((part, at) =>
        part.kind === 'text' ? (
          <span key={at}>{part.text}</span>
        ) : part.kind === 'input' ? (
          <Box key={at} component="b" sx={{ color: colour }}>
            {part.name}
          </Box>
        ) : (
          <SentenceField key={part.path} part={part} ruleId={rule.id} colour={colour} />
        ),
      )}
    </SentenceRow>
  )
}

function RuleMenu({ rule, index }: { rule: Rule; index: number }) {
  const { response } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const name = ruleName(response, rule)
  const act = (label: string, change: (rules: Rule[]) => void) => {
    setAnchor(null)
    edit(`${label} ${name}`, ({ response: draft }) => change(draft.rules))
  }
  return (
    <>
      <IconButton
        size="small"
        aria-label={`${name}: off, move, copy, remove`}
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ color: 'text.secondary', minWidth: { xs: 44, sm: 28 }, minHeight: { xs: 44, sm: 28 } }}
      >
        ⋮
      </IconButton>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        <MenuItem
          onClick={() =>
            act(rule.off ? 'on' : 'off', (rules) => {
              const kept = rules[index]
              if (!kept) return
              if (kept.off) delete kept.off
              else kept.off = true
            })
          }
        >
          {rule.off ? 'Switch on' : 'Switch off, keep it here'}
        </MenuItem>
        <MenuItem
          onClick={() =>
            act('copy', (rules) =>
              rules.splice(index + 1, 0, {
                ...structuredClone(rule),
                id: freeId(
                  response.rules.map(({ id }) => id),
                  rule.id,
                ),
              }),
            )
          }
        >
          Copy
        </MenuItem>
        <MenuItem
          disabled={index === 0}
          onClick={() => act('move', (rules) => rules.splice(index - 1, 0, ...rules.splice(index, 1)))}
        >
          Move up
        </MenuItem>
        <MenuItem onClick={() => act('remove', (rules) => rules.splice(index, 1))}>Remove</MenuItem>
      </Menu>
    </>
  )
}
