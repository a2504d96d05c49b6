'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useMemo, useState } from 'react'
import type { Check } from '@/core/prove/check'
import { checkMark } from '@/core/prove/checkMark'
import { inGroups, mayRunBeside, type CheckGroup } from '@/core/prove/order'
import { planFor } from '@/core/prove/plan'
import type { CheckReading } from '@/core/prove/reading'
import { judge, type VerdictKind } from '@/core/prove/verdict'
import { checkText } from '@/core/prove/words'
import { lastOf } from '@/core/record/stillOpen'
import { Beside } from '@/features/prove/Beside'
import { CHECK_TITLE, CheckCard } from '@/features/prove/CheckCard'
import { DeadFan } from '@/features/prove/DeadFan'
import { VERDICT_COLOURS } from '@/features/prove/VerdictLine'
import { LocalRuleNotices } from '@/ui/localRules'
import { Notice } from '@/ui/Notice'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { RunningTogether } from '@/ui/onSite/RunningTogether'
import { isRunning, useCountdowns, type Countdowns } from '@/ui/onSite/useCountdowns'
import { usePutWork } from '@/ui/onSite/who'
import type { ShownPhoto, ShownResult } from '@/ui/onSite/pack'
import { forgetDraft, useDraft } from '@/ui/onSite/useDraft'
import { useResults } from '@/ui/onSite/useResults'
import { usePreference } from '@/ui/preference'
import { stagePath } from '@/ui/stages'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

const SHORT: Record<VerdictKind, string> = { passes: 'passes', fails: 'fails', 'cannot-tell': 'not told' }

const NO_NOTES: Readonly<Record<string, string>> = {}

type Props = { installationId: string; results: readonly ShownResult[]; photos: readonly ShownPhoto[] }

/** The checks one at a time: do it, read it, judged at what was really read. */
export function ProveStage({ installationId, results: kept, photos }: Props) {
  const put = usePutWork()
  const results = useResults(installationId, kept)
  const document = useDocument()
  const derived = useDerived()
  const preference = usePreference()
  const planned = useMemo(() => planFor(document, derived, preference), [document, derived, preference])
  const groups = useMemo(() => (planned ? inGroups(planned.context, planned.plan) : []), [planned])
  const plan = groups.flatMap(({ checks }) => checks)
  const current = (check: Check) => planned && lastOf(results, planned.context, check)
  const isProved = (check: Check) => current(check)?.verdict === 'passes'
  const countdowns = useCountdowns(installationId)
  const [chosen, setChosen] = useState<string | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const [notes, setNotes] = useDraft<Readonly<Record<string, string>>>(`notes:${installationId}`, NO_NOTES)
  const open = plan.find(({ id }) => id === chosen) ?? plan.find((check) => !isProved(check)) ?? plan[0]
  if (!planned || !open)
    return <StageLayout title="Prove">The response contradicts itself; mend it under Respond first.</StageLayout>
  const number = plan.indexOf(open) + 1
  const left = plan.filter((check) => !isProved(check)).length

  const standingOf = (check: Check): Standing =>
    isRunning(countdowns, check.id)
      ? 'runs'
      : (current(check)?.verdict ?? (results.some((result) => result.check === check.id) ? 'changed since' : 'to do'))
  const mark = checkMark(planned.context, open)
  const draftKey = `check:${installationId}:${mark}:${open.id}`

  const keep = async (reading: CheckReading): Promise<void> => {
    const id = crypto.randomUUID()
    const readAt = new Date().toISOString()
    const judged = judge(planned.context, open, reading)
    const note = (notes[open.id] ?? '').trim()
    const shown: ShownResult = { id, check: open.id, given: mark, ...judged, note, readBy: 'you', readAt }
    try {
      await put({
        ...{ id, installationId, shown },
        kind: 'check',
        label: `the check “${checkText(planned.context, open).title}”`,
        // What it was read against goes along: nobody else’s change turns a verdict round.
        input: { id, installationId, check: open.id, reading, note, takenAt: readAt, against: document },
      })
    } catch {
      setMessage('This browser could not keep the reading; it is still here, try again.')
      return
    }
    setMessage(null)
    const { [open.id]: _kept, ...others } = notes
    setNotes(others)
    forgetDraft(draftKey)
    countdowns.end(open.id)
    const after = [...plan.slice(number), ...plan].find((check) => check !== open && !isProved(check))
    setChosen(after?.id ?? open.id)
    // Once it is drawn.
    requestAnimationFrame(() => window.document.getElementById(CHECK_TITLE)?.focus())
  }

  return (
    <StageLayout
      title={`Check ${number} of ${plan.length}`}
      aside={left === 0 ? 'all pass' : `${left} left`}
      side={
        <AllChecks
          groups={groups}
          countdowns={countdowns}
          titleOf={(check) => checkText(planned.context, check).title}
          open={open}
          standingOf={standingOf}
          onOpen={setChosen}
          handOver={left === 0 ? stagePath(installationId, 'hand-over') : null}
        />
      }
      sideTitle="All checks"
    >
      <RunningTogether {...countdowns} at="top" />
      {message !== null && <Notice grave title={message} />}
      <CheckCard
        key={open.id}
        check={open}
        context={planned.context}
        last={current(open) ?? undefined}
        draftKey={draftKey}
        countdowns={countdowns}
        onFound={(text) => setNotes({ ...notes, [open.id]: text })}
        onKeep={keep}
      />
      <Beside
        key={`beside-${open.id}`}
        installationId={installationId}
        checkId={open.id}
        title={checkText(planned.context, open).title}
        note={notes[open.id] ?? ''}
        onNote={(text) => setNotes({ ...notes, [open.id]: text })}
        photos={photos}
        onNotPossible={(why) => void keep({ kind: 'not-possible', why })}
      />
      <DeadFan context={planned.context} />
    </StageLayout>
  )
}

type Standing = VerdictKind | 'to do' | 'runs' | 'changed since'

type AllProps = {
  groups: readonly CheckGroup[]
  /** What runs by itself; what can be done beside it is marked. */
  countdowns: Countdowns
  titleOf: (check: Check) => string
  open: Check
  standingOf: (check: Check) => Standing
  onOpen: (check: string) => void
  /** The way on where everything passes; null where something is left. */
  handOver: string | null
}

const isVerdict = (standing: Standing): standing is VerdictKind => standing in SHORT

const AllChecks = ({ groups, countdowns, titleOf, open, standingOf, onOpen, handOver }: AllProps) => (
  <>
    <RunningTogether {...countdowns} at="side" />
    <SideHeading>In this order</SideHeading>
    {groups.map(({ key, name, checks }) => (
      <Box key={key} component="section" aria-label={name} sx={{ mb: 1 }}>
        <Typography variant="body2" sx={{ color: 'text.secondary', borderBottom: 1, borderColor: 'divider' }}>
          {name}
        </Typography>
        <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {checks.map((check) => (
            <CheckLine
              key={check.id}
              place={`check-${check.id}`}
              title={titleOf(check)}
              isOpen={check === open}
              isBeside={countdowns.running.length > 0 && mayRunBeside(check)}
              standing={standingOf(check)}
              onOpen={() => onOpen(check.id)}
            />
          ))}
        </Box>
      </Box>
    ))}
    <SideHeading>Care</SideHeading>
    <LocalRuleNotices />
    <Notice grave title="Hands, hair and cables clear.">
      The fan starts by itself while you prove it. Never meter under an open live cover.
    </Notice>
    {handOver !== null && (
      <Typography variant="body2">
        Everything passes. <Link href={handOver}>Hand over</Link>
      </Typography>
    )}
  </>
)

type LineProps = {
  place: string
  title: string
  isOpen: boolean
  isBeside: boolean
  standing: Standing
  onOpen: () => void
}

const CheckLine = ({ place, title, isOpen, isBeside, standing, onOpen }: LineProps) => (
  <li id={place}>
    <ButtonBase
      onClick={onOpen}
      aria-current={isOpen ? 'step' : undefined}
      sx={{
        width: '100%',
        justifyContent: 'space-between',
        textAlign: 'left',
        gap: 1,
        py: 0.5,
        minHeight: { xs: 44, md: 32 },
        borderBottom: '1px dotted',
        borderColor: 'divider',
        fontWeight: isOpen ? 700 : 400,
      }}
    >
      <Typography variant="body2" sx={{ fontWeight: 'inherit' }}>
        {title}
        {isBeside && standing === 'to do' && <i> can be done while it waits</i>}
      </Typography>
      <Typography
        variant="body2"
        sx={{
          whiteSpace: 'nowrap',
          color: isVerdict(standing) ? VERDICT_COLOURS[standing] : 'text.secondary',
          fontWeight: 600,
        }}
      >
        {isVerdict(standing) ? SHORT[standing] : standing}
      </Typography>
    </ButtonBase>
  </li>
)
