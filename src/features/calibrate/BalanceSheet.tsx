'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { balanceResult, type BalanceResult, type TerminalLine } from '@/core/calibration/balance'
import type { Balance } from '@/core/calibration/schema'
import { freeId } from '@/core/json/freeId'
import { formatNumber, formatPct, formatQuantity } from '@/core/quantity/format'
import { FormRow } from '@/ui/FormRow'
import { Notice } from '@/ui/Notice'
import { usePreference } from '@/ui/preference'
import { QuantityField } from '@/ui/QuantityField'
import { TextLine } from '@/ui/TextLine'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const EMPTY: Balance = { supplyPct: 60, extractPct: 60, tolerancePct: 10, terminals: [] }
const VERDICTS: Record<BalanceResult['verdict'], string> = {
  'too-few': 'Read every terminal on both sides, and the totals are compared here.',
  balanced: 'Supply and extract agree within the tolerance.',
  'more-supply': 'More goes in than comes out: damp air is pressed into the walls.',
  'more-extract': 'More comes out than goes in: cold air is drawn through every gap, and a flue may spill.',
}
const TRIMS: Record<NonNullable<TerminalLine['trim']>, string> = {
  open: 'leave fully open',
  close: 'close a little',
  leave: 'leave',
}
const SIDES = ['supply', 'extract'] as const

/** Supply against extract, terminal by terminal and in total, with the trims that would bring them together. */
export function BalanceSheet() {
  const { calibration } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const preference = usePreference()
  const balance = calibration.balance ?? EMPTY
  const result = balanceResult(balance)
  const change = (label: string, recipe: (held: Balance) => void, key?: string) =>
    edit(
      `balance: ${label}`,
      (draft) => {
        draft.calibration.balance ??= structuredClone(EMPTY)
        recipe(draft.calibration.balance)
      },
      key && `balance-${key}`,
    )
  const add = (side: 'supply' | 'extract') =>
    change('add a terminal', (held) => {
      const id = freeId(
        held.terminals.map((known) => known.id),
        side,
      )
      held.terminals.push({ id, name: id.replace('-', ' '), side, wantedLs: null, readLs: null })
    })
  const percent = (share: number) => `${share < 0 ? '−' : '+'}${formatNumber(Math.abs(share) * 100, 0)} %`
  return (
    <Box sx={{ maxWidth: 780 }}>
      <Typography>
        Filters clean, doors shut, every terminal open. Read them all with each fan at one setting.
      </Typography>
      {SIDES.map((side) => (
        <Box key={side} component="section" aria-label={side} sx={{ mt: 1.5 }}>
          <Typography variant="h2" component="div">
            {side === 'supply' ? 'Supply' : 'Extract'}, with its fan at{' '}
            <QuantityField
              label={`setting of the ${side} fan`}
              quantity="speed"
              value={side === 'supply' ? balance.supplyPct : balance.extractPct}
              onDone={onDone}
              onChange={(pct) =>
                change(
                  'setting',
                  (held) => void (held[side === 'supply' ? 'supplyPct' : 'extractPct'] = pct),
                  `${side}-pct`,
                )
              }
            />
          </Typography>
          {balance.terminals.some((terminal) => terminal.side === side) && (
            <Box sx={{ overflowX: 'auto' }}>
              <Table size="small">
                <TableHead>
                  <TableRow>
                    {['Terminal', 'Wanted', 'Read', 'Of it', 'Trim'].map((heading) => (
                      <TableCell key={heading}>{heading}</TableCell>
                    ))}
                    <TableCell component="td" />
                  </TableRow>
                </TableHead>
                <TableBody>
                  {balance.terminals.map((terminal, index) => {
                    if (terminal.side !== side) return null
                    const line = result.terminals[index]!
                    const flowField = (key: 'wantedLs' | 'readLs', label: string) => (
                      <QuantityField
                        label={`${label} at ${terminal.name}`}
                        quantity="flow"
                        value={terminal[key]}
                        limits={key === 'wantedLs' ? [0.1, 1e5] : [0, 1e5]}
                        onDone={onDone}
                        onClear={() => change(label, (held) => void (held.terminals[index]![key] = null))}
                        onChange={(x) =>
                          change(label, (held) => void (held.terminals[index]![key] = x), `${terminal.id}-${key}`)
                        }
                      />
                    )
                    return (
                      <TableRow key={terminal.id}>
                        <TableCell>
                          <TextLine
                            label={`name of terminal ${index + 1}`}
                            value={terminal.name}
                            maxLength={60}
                            grow={false}
                            onDone={onDone}
                            onChange={(text) =>
                              change(
                                'name',
                                (held) => void (held.terminals[index]!.name = text || ' '),
                                `${terminal.id}-name`,
                              )
                            }
                          />
                        </TableCell>
                        <TableCell>{flowField('wantedLs', 'wanted')}</TableCell>
                        <TableCell>{flowField('readLs', 'read')}</TableCell>
                        <TableCell>{line.share === null ? '–' : `${formatNumber(line.share * 100, 0)} %`}</TableCell>
                        <TableCell>{line.trim === null ? '–' : TRIMS[line.trim]}</TableCell>
                        <TableCell>
                          <IconButton
                            size="small"
                            aria-label={`Remove ${terminal.name}`}
                            onClick={() => change('remove', (held) => void held.terminals.splice(index, 1))}
                          >
                            ×
                          </IconButton>
                        </TableCell>
                      </TableRow>
                    )
                  })}
                </TableBody>
              </Table>
            </Box>
          )}
          <Button
            size="small"
            onClick={() => add(side)}
            disabled={balance.terminals.length >= 40}
            sx={{ minHeight: { xs: 44, sm: 30 } }}
          >
            Add {side === 'supply' ? 'a supply' : 'an extract'} terminal
          </Button>
          {result[side].readLs > 0 && (
            <Typography component="div">
              In all <b>{formatQuantity(result[side].readLs, 'flow', preference)}</b>
              {result[side].wantedLs !== null &&
                ` of ${formatQuantity(result[side].wantedLs, 'flow', preference)} wanted`}
              {result[side].trimmedPct !== null &&
                `; its fan at ${formatPct(result[side].trimmedPct)} % would give ${result[side].wantedLs === null ? 'what the other side gives' : 'that'}`}
              .
            </Typography>
          )}
        </Box>
      ))}
      <Box role="status" sx={{ my: 2, borderLeft: '4px solid', borderColor: 'cause.speed', pl: 1.5 }}>
        <Typography>
          {result.offShare !== null && <b>Supply over extract {percent(result.offShare)}. </b>}
          {VERDICTS[result.verdict]}
        </Typography>
      </Box>
      <FormRow label="Tolerance">
        <QuantityField
          label="tolerance of the balance"
          quantity="share"
          value={balance.tolerancePct}
          limits={[1, 30]}
          onDone={onDone}
          onChange={(pct) => change('tolerance', (held) => void (held.tolerancePct = pct), 'tolerance')}
        />
      </FormRow>
      <Notice title="Trims by the first fan law.">
        They hold while nothing in the ducts is changed: after a terminal is moved, read all of its side again.
      </Notice>
    </Box>
  )
}
