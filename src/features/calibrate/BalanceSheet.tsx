'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TableCell from '@mui/material/TableCell'
import Typography from '@mui/material/Typography'
import { balanceResult, type BalanceResult, type TerminalLine } from '@/core/calibration/balance'
import type { Balance } from '@/core/calibration/schema'
import { freeId } from '@/core/json/freeId'
import { formatNumber, formatPct, formatQuantity } from '@/core/quantity/format'
import { EditableRow, EditableTable } from '@/ui/EditableTable'
import { FormRow } from '@/ui/FormRow'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { TextLine } from '@/ui/TextLine'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

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
type Side = (typeof SIDES)[number]

const percent = (share: number) => `${share < 0 ? '−' : '+'}${formatNumber(Math.abs(share) * 100, 0)} %`

type ChangeBalance = (label: string, recipe: (held: Balance) => void, key?: string) => void

function useChangeBalance(): ChangeBalance {
  const edit = useWorkingCopy((state) => state.edit)
  return (label, recipe, key) =>
    edit(
      `balance: ${label}`,
      (draft) => {
        draft.calibration.balance ??= structuredClone(EMPTY)
        recipe(draft.calibration.balance)
      },
      key && `balance-${key}`,
    )
}

/** Supply against extract, terminal by terminal and in total, with the trims that would bring them together. */
export function BalanceSheet() {
  const calibration = usePart('calibration')
  const onDone = useWorkingCopy((state) => state.endGesture)
  const change = useChangeBalance()
  const balance = calibration.balance ?? EMPTY
  const result = balanceResult(balance)
  return (
    <Box sx={{ maxWidth: 780 }}>
      <Typography>
        Filters clean, doors shut, every terminal open. Read them all with each fan at one setting.
      </Typography>
      {SIDES.map((side) => (
        <OneSide key={side} side={side} balance={balance} result={result} />
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

type SideProps = { side: Side; balance: Balance; result: BalanceResult }

function OneSide({ side, balance, result }: SideProps) {
  const onDone = useWorkingCopy((state) => state.endGesture)
  const change = useChangeBalance()
  const key = side === 'supply' ? 'supplyPct' : 'extractPct'
  const add = () =>
    change('add a terminal', ({ terminals }) => {
      const id = freeId(
        terminals.map((known) => known.id),
        side,
      )
      terminals.push({ id, name: id.replace('-', ' '), side, wantedLs: null, readLs: null })
    })
  return (
    <Box component="section" aria-label={side} sx={{ mt: 1.5 }}>
      <Typography variant="h2" component="div">
        {side === 'supply' ? 'Supply' : 'Extract'}, with its fan at{' '}
        <QuantityField
          label={`setting of the ${side} fan`}
          quantity="speed"
          value={balance[key]}
          onDone={onDone}
          onChange={(pct) => change('setting', (held) => void (held[key] = pct), `${side}-pct`)}
        />
      </Typography>
      {balance.terminals.some((terminal) => terminal.side === side) && (
        <EditableTable label={`terminals of the ${side}`} headings={['Terminal', 'Wanted', 'Read', 'Of it', 'Trim']}>
          {balance.terminals.map((terminal, index) =>
            terminal.side === side ? (
              <Terminal key={terminal.id} terminal={terminal} index={index} line={result.terminals[index]!} />
            ) : null,
          )}
        </EditableTable>
      )}
      <Button
        size="small"
        onClick={add}
        disabled={balance.terminals.length >= 40}
        sx={{ minHeight: { xs: 44, sm: 30 } }}
      >
        Add {side === 'supply' ? 'a supply' : 'an extract'} terminal
      </Button>
      <InAll {...result[side]} />
    </Box>
  )
}

/** What all terminals of a side give together, and the setting that would give what is wanted. */
function InAll({ readLs, wantedLs, trimmedPct }: BalanceResult[Side]) {
  const preference = usePreference()
  if (!(readLs > 0)) return null
  return (
    <Typography component="div">
      In all <b>{formatQuantity(readLs, 'flow', preference)}</b>
      {wantedLs !== null && ` of ${formatQuantity(wantedLs, 'flow', preference)} wanted`}
      {trimmedPct !== null &&
        `; its fan at ${formatPct(trimmedPct, preference)} % would give ${wantedLs === null ? 'what the other side gives' : 'that'}`}
      .
    </Typography>
  )
}

type TerminalProps = { terminal: Balance['terminals'][number]; index: number; line: TerminalLine }

function Terminal({ terminal, index, line }: TerminalProps) {
  const preference = usePreference()
  const onDone = useWorkingCopy((state) => state.endGesture)
  const change = useChangeBalance()
  const flowField = (key: 'wantedLs' | 'readLs', label: string) => (
    <QuantityField
      label={`${label} at ${terminal.name}`}
      quantity="flow"
      value={terminal[key]}
      limits={key === 'wantedLs' ? [0.1, 1e5] : [0, 1e5]}
      onDone={onDone}
      onClear={() => change(label, (held) => void (held.terminals[index]![key] = null))}
      onChange={(x) => change(label, (held) => void (held.terminals[index]![key] = x), `${terminal.id}-${key}`)}
    />
  )
  return (
    <EditableRow name={terminal.name} onRemove={() => change('remove', (held) => void held.terminals.splice(index, 1))}>
      <TableCell>
        <TextLine
          label={`name of terminal ${index + 1}`}
          value={terminal.name}
          maxLength={60}
          grow={false}
          onDone={onDone}
          onChange={(text) =>
            change('name', (held) => void (held.terminals[index]!.name = text || ' '), `${terminal.id}-name`)
          }
        />
      </TableCell>
      <TableCell>{flowField('wantedLs', 'wanted')}</TableCell>
      <TableCell>{flowField('readLs', 'read')}</TableCell>
      <TableCell>{line.share === null ? '–' : `${formatNumber(line.share * 100, 0, preference)} %`}</TableCell>
      <TableCell>{line.trim === null ? '–' : TRIMS[line.trim]}</TableCell>
    </EditableRow>
  )
}
