'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { DUTIES, DUTY_NAMES } from '@/core/brief/duty'
import { canonicalJson } from '@/core/json/canonical'
import { MOST_LOCAL_RULES, ruleSource, type LocalRule } from '@/core/record/localRule'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { Choice } from '@/ui/Choice'
import { today } from '@/ui/clock'
import { DateField } from '@/ui/DateField'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'

type Props = {
  rules: readonly LocalRule[]
  /** Null where the role of who looks does not let them. */
  onKeep: ((input: unknown) => Promise<Answer>) | null
}

const DUTY_OPTIONS = [['every', 'every duty'] as const, ...DUTIES.map((duty) => [duty, DUTY_NAMES[duty]] as const)]

/** Cautions and local rules of the workspace’s own: shown where the built-in cautions stand, printed on what is sealed from then on. */
export function RulesPage({ rules: kept, onKeep }: Props) {
  const router = useRouter()
  const [rules, setRules] = useState(kept)
  const [message, setMessage] = useState<string | null>(null)
  const isChanged = canonicalJson(rules) !== canonicalJson(kept)
  const change = (id: string, changed: Partial<LocalRule>) =>
    setRules(rules.map((rule) => (rule.id === id ? { ...rule, ...changed } : rule)))
  const add = () =>
    setRules([...rules, { id: crypto.randomUUID(), duty: 'every', text: '', edition: '', dated: today() }])

  async function keep(): Promise<void> {
    const answer = (await onKeep?.({ before: kept, rules }).catch(() => NO_ANSWER)) ?? NO_ANSWER
    setMessage(answer.kind === 'done' ? null : `${whyNot(answer)} What you wrote still stands here.`)
    if (answer.kind === 'done') router.refresh()
  }

  return (
    <Box
      component="main"
      sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
    >
      <Box sx={{ maxWidth: 860 }}>
        <Typography variant="h1">Cautions and local rules</Typography>
        <Typography sx={{ color: 'text.secondary', mb: 1 }}>
          What your own code, client or insurer asks, in your words. Each stands beside the built-in cautions of its
          duty, and on every record that is sealed from then on. Local codes and licensed practice come first.
        </Typography>
        {message !== null && (
          <Alert severity="error" variant="outlined" sx={{ my: 1 }}>
            {message}
          </Alert>
        )}
        <Box component="ul" aria-label="Rules of this workspace" sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {rules.map((rule, index) =>
            onKeep ? (
              <RuleRow
                key={rule.id}
                rule={rule}
                number={index + 1}
                onChange={(changed) => change(rule.id, changed)}
                onAway={() => setRules(rules.filter((other) => other !== rule))}
              />
            ) : (
              <Box component="li" key={rule.id} sx={{ borderBottom: 1, borderColor: 'divider', py: 1 }}>
                <b>{rule.duty === 'every' ? 'Every duty' : DUTY_NAMES[rule.duty]}:</b> {rule.text}{' '}
                <Typography component="span" variant="body2">
                  ({ruleSource(rule)})
                </Typography>
              </Box>
            ),
          )}
        </Box>
        {rules.length === 0 && <Typography>There are none yet: only the built-in cautions are shown.</Typography>}
        {onKeep ? (
          <Box sx={{ display: 'flex', gap: 1, mt: 2, flexWrap: 'wrap' }}>
            <Button variant="outlined" onClick={add} disabled={rules.length >= MOST_LOCAL_RULES} sx={{ minHeight: 44 }}>
              Add a rule
            </Button>
            <Button
              variant="contained"
              disabled={!isChanged || rules.some(({ text }) => text.trim().length < 3)}
              onClick={() => void keep()}
              sx={{ minHeight: 44 }}
            >
              Save these rules
            </Button>
          </Box>
        ) : (
          <Typography variant="body2" sx={{ mt: 2 }}>
            Owners and technicians can change them.
          </Typography>
        )}
      </Box>
    </Box>
  )
}

type RowProps = {
  rule: LocalRule
  number: number
  onChange: (changed: Partial<LocalRule>) => void
  onAway: () => void
}

const RuleRow = ({ rule, number, onChange, onAway }: RowProps) => (
  <Box component="li" sx={{ borderBottom: 1, borderColor: 'divider', py: 1.5 }}>
    <TextField
      label={`Rule ${number}`}
      value={rule.text}
      onChange={(event) => onChange({ text: event.target.value })}
      multiline
      fullWidth
      size="small"
      slotProps={{ htmlInput: { maxLength: 600 } }}
    />
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mt: 1 }}>
      <span>
        Beside{' '}
        <Choice
          label={`rule ${number}: beside which duty`}
          value={rule.duty}
          options={DUTY_OPTIONS}
          onChange={(duty) => onChange({ duty })}
        />
      </span>
      <span>
        from{' '}
        <TextLine
          label={`rule ${number}: taken from, edition`}
          value={rule.edition}
          placeholder="house rules, 3rd edition"
          maxLength={80}
          grow={false}
          onChange={(edition) => onChange({ edition })}
        />
      </span>
      <span>
        of{' '}
        <DateField
          label={`rule ${number}: date of the edition`}
          value={rule.dated}
          onChange={(dated) => dated !== null && onChange({ dated })}
        />
      </span>
      <TextButton label={`Take rule ${number} away`} onClick={onAway}>
        take away
      </TextButton>
    </Box>
  </Box>
)
