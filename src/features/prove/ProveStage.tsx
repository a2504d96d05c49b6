'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import type { Check } from '@/core/prove/check'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import type { CheckReading } from '@/core/prove/reading'
import type { VerdictKind } from '@/core/prove/verdict'
import { checkText } from '@/core/prove/words'
import { problemText } from '@/core/words/problems'
import { CheckCard, type KeptResult } from '@/features/prove/CheckCard'
import { VERDICT_COLOURS } from '@/features/prove/VerdictLine'
import { Notice } from '@/ui/Notice'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { usePreference } from '@/ui/preference'
import { stagePath } from '@/ui/stages'
import { useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const SHORT: Record<VerdictKind, string> = { passes: 'passes', fails: 'fails', 'cannot-tell': 'not told' }

type Props = { installationId: string; results: readonly KeptResult[]; onKeep: (input: unknown) => Promise<Answer> }

/** The checks one at a time: do it, read it, judged at what was really read. */
export function ProveStage({ installationId, results, onKeep }: Props) {
  const router = useRouter()
  const document = useDocument()
  const derived = useDerived()
  const { given } = derived
  const preference = usePreference()
  const standing = useWorkingCopy((state) => state.standing.kind)
  const planned = useMemo(() => planFor(document, derived, preference), [document, derived, preference])
  const plan = planned?.plan ?? []
  const mark = useMemo(() => givenMark(given.response), [given.response])
  const latest = (check: string) => results.filter((result) => result.check === check).at(-1)
  const isProved = (check: string) => latest(check)?.given === mark && latest(check)?.verdict === 'passes'
  const [chosen, setChosen] = useState<string | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const open = plan.find(({ id }) => id === chosen) ?? plan.find(({ id }) => !isProved(id)) ?? plan[0]
  if (!planned || !open)
    return <StageLayout title="Prove">The response contradicts itself; mend it under Respond first.</StageLayout>
  const number = plan.indexOf(open) + 1
  const left = plan.filter(({ id }) => !isProved(id)).length

  function standingOf(check: string): Standing {
    const result = latest(check)
    return !result ? 'to do' : result.given === mark ? result.verdict : 'changed since'
  }

  async function keep(reading: CheckReading): Promise<void> {
    if (!open) return
    const answer = await onKeep({ id: crypto.randomUUID(), installationId, check: open.id, reading }).catch(
      (): Answer => NO_ANSWER,
    )
    if (answer.kind !== 'done') {
      setMessage(answer.kind === 'invalid' ? (answer.problems ?? []).map(problemText).join(' ') : whyNot(answer))
      return
    }
    setMessage(null)
    const after =
      plan.slice(number).find(({ id }) => !isProved(id)) ?? plan.find(({ id }) => id !== open.id && !isProved(id))
    setChosen(after?.id ?? open.id)
    router.refresh()
  }

  return (
    <StageLayout
      title={`Check ${number} of ${plan.length}`}
      aside={left === 0 ? 'all pass' : `${left} left`}
      side={
        <AllChecks
          plan={plan}
          titleOf={(check) => checkText(planned.context, check).title}
          open={open}
          standingOf={standingOf}
          onOpen={setChosen}
          handOver={left === 0 ? stagePath(installationId, 'hand-over') : null}
        />
      }
      sideTitle="All checks"
    >
      {standing !== 'kept' && (
        <Notice title="The last change is not kept yet.">
          Wait until it says “kept” above, so that the reading is judged against it.
        </Notice>
      )}
      {message !== null && <Notice grave title={message} />}
      <CheckCard
        key={open.id}
        check={open}
        context={planned.context}
        last={latest(open.id)?.given === mark ? latest(open.id) : undefined}
        onKeep={keep}
      />
    </StageLayout>
  )
}

type Standing = VerdictKind | 'to do' | 'changed since'

type AllProps = {
  plan: readonly Check[]
  titleOf: (check: Check) => string
  open: Check
  standingOf: (check: string) => Standing
  onOpen: (check: string) => void
  /** The way on where everything passes; null where something is left. */
  handOver: string | null
}

const isVerdict = (standing: Standing): standing is VerdictKind => standing in SHORT

const AllChecks = ({ plan, titleOf, open, standingOf, onOpen, handOver }: AllProps) => (
  <>
    <SideHeading>All checks</SideHeading>
    <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {plan.map((check) => {
        const standing = standingOf(check.id)
        return (
          <Box component="li" key={check.id}>
            <ButtonBase
              onClick={() => onOpen(check.id)}
              aria-current={check === open ? 'step' : undefined}
              sx={{
                width: '100%',
                justifyContent: 'space-between',
                textAlign: 'left',
                gap: 1,
                py: 0.5,
                minHeight: { xs: 44, md: 32 },
                borderBottom: '1px dotted',
                borderColor: 'divider',
                fontWeight: check === open ? 700 : 400,
              }}
            >
              <Typography variant="body2" sx={{ fontWeight: 'inherit' }}>
                {titleOf(check)}
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
          </Box>
        )
      })}
    </Box>
    <SideHeading>Care</SideHeading>
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
