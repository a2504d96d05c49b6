'use client'

import Box from '@mui/material/Box'
import { memo, useState } from 'react'
import { judgementText } from '@/core/advise/words'
import { joinPaths, type Path } from '@/core/json/path'
import { isBlank, type SentencePart } from '@/core/rules/kind'
import type { Rule } from '@/core/rules/table'
import { noteAt, standsAt } from '@/core/sentences/change'
import { sentenceContext, type Line } from '@/core/sentences/table'
import { capital, linkText, partsText, partText } from '@/core/sentences/words'
import { LineMenu } from '@/features/respond/LineMenu'
import { LineNotes } from '@/features/respond/LineNotes'
import { SentenceField } from '@/features/respond/SentenceField'
import { SentenceRow } from '@/features/respond/SentenceRow'
import { useInstant } from '@/ui/TryItValues'
import { Why } from '@/ui/Why'
import { causeColour } from '@/ui/cause'
import { usePreference } from '@/ui/preference'
import { sameData } from '@/ui/sameData'
import { useDocument, useJudgements } from '@/ui/workingCopy/context'

/** What is shown of a sentence, as plain data. */
type Shown = {
  readonly place: Path
  readonly switchedOffAt: number | null
  /** Where its fields stand: in force, or set aside. */
  readonly stands: Path
  readonly name: string
  readonly colour: string
  readonly parts: readonly SentencePart[]
  /** What the trade calls it. */
  readonly trade: string | null
  /** Notes on its fields, by path. */
  readonly fieldNotes: Readonly<Record<string, string>>
  readonly isOff: boolean
  readonly isInCharge: boolean
  readonly judged: readonly { readonly title: string; readonly isGrave: boolean }[]
  readonly now: {
    readonly wording: string
    readonly formula: string
    readonly withValues: string
    readonly source: string
    readonly note: string
  } | null
}

/** One behaviour as a sentence with inline fields, what it does now and why; it knows nothing of the kind it shows. */
export function BehaviourLine({ line }: { line: Line }) {
  const document = useDocument()
  const { asked } = useInstant()
  const preference = usePreference()
  const judgements = useJudgements()
  const { response } = document
  const { kind, value, place, behaviour, switchedOffAt } = line
  const context = sentenceContext(document, preference)
  const rule = behaviour === 'rule' ? (value as Rule) : null
  const name = kind.name(value, context, place)
  const explanation = asked?.explanation
  const parts = kind.sentence(value, context, place)
  const link = rule && explanation?.chain.find((held) => held.stage === 'ask' && held.rule?.id === rule.id)
  return (
    <ShownLine
      place={place}
      switchedOffAt={switchedOffAt}
      stands={standsAt(line)}
      name={name}
      colour={causeColour(kind.cause(value, context, place))}
      parts={parts}
      trade={kind.trade?.(value, context) ?? null}
      fieldNotes={Object.fromEntries(
        parts.flatMap((part) => {
          const note = 'path' in part ? noteAt(response, joinPaths(place, part.path)) : ''
          return 'path' in part && note !== '' ? [[part.path, note]] : []
        }),
      )}
      isOff={switchedOffAt !== null || rule?.off === true}
      isInCharge={
        explanation !== undefined &&
        (rule ? explanation.inCharge?.id === rule.id : behaviour === 'bounds' && explanation.inCharge === null)
      }
      judged={judgements
        .filter(({ path }) => isUnder(path, place, response.rules))
        .map((judgement) => ({
          title: judgementText(judgement, preference).title,
          isGrave: judgement.severity === 'hurts',
        }))}
      now={
        explanation
          ? {
              wording: kind.now(value, explanation, context, place),
              withValues: link?.stage === 'ask' ? linkText(response, link, preference) : partsText(parts, preference),
              ...kind.why(value),
              note: noteAt(response, place),
            }
          : null
      }
    />
  )
}

const ShownLine = memo(function ShownLine(shown: Shown) {
  const { place, stands, name, colour, parts, fieldNotes, now } = shown
  const preference = usePreference()
  const [isWriting, setWriting] = useState(false)
  return (
    <SentenceRow
      colour={colour}
      isOff={shown.isOff}
      isInCharge={shown.isInCharge}
      judged={shown.judged}
      actions={
        <LineMenu place={place} switchedOffAt={shown.switchedOffAt} name={name} onNote={() => setWriting(true)} />
      }
      notes={<LineNotes {...{ name, place, parts, isWriting }} onWritten={() => setWriting(false)} />}
      asks={
        now ? (
          <Why
            what={`${name}: what it does now`}
            formula={now.formula}
            withValues={now.withValues}
            source={now.source}
            note={now.note || undefined}
          >
            {now.wording}
          </Why>
        ) : (
          '–'
        )
      }
    >
      {parts.map((part, at) =>
        isBlank(part) ? (
          <span key={`${part.path}-${part.kind}`} title={fieldNotes[part.path]}>
            <SentenceField part={part} place={stands} colour={colour} />
          </span>
        ) : part.kind === 'input' ? (
          <Box key={at} component="b" sx={{ color: colour }}>
            {at === 0 ? capital(part.name) : part.name}
          </Box>
        ) : (
          <span key={at}>{partText(part, preference)}</span>
        ),
      )}
      {shown.trade !== null && (
        <Box
          component="span"
          sx={{
            color: 'text.secondary',
            fontSize: '0.8125rem',
            display: 'inline-block',
            whiteSpace: 'nowrap',
            ml: 0.5,
          }}
        >
          ({shown.trade})
        </Box>
      )}
    </SentenceRow>
  )
}, sameData)

/** Judgements name rules by their place in the list, sentences by the rule's own id. */
function isUnder(path: string, place: string, rules: readonly Rule[]): boolean {
  const inResponse = path
    .replace(/^response\.?/, '')
    .replace(/^rules\.(\d+)/, (_all, index: string) => `rules.${rules[Number(index)]?.id ?? index}`)
  if (place === '') return /^(floor|ceiling)/.test(inResponse)
  return inResponse === place || inResponse.startsWith(`${place}.`)
}
