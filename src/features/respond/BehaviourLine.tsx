'use client'

import Box from '@mui/material/Box'
import { useState } from 'react'
import { noteAt, standsAt } from '@/core/response/behaviour/change'
import { ruleFormula } from '@/core/response/behaviour/ruleBehaviour'
import { telling, type Line } from '@/core/response/behaviour/table'
import { joinPlaces } from '@/core/document/place'
import type { Rule } from '@/core/response/schema'
import { linkText, partsText } from '@/core/response/words'
import { LineMenu } from '@/features/respond/LineMenu'
import { LineNotes } from '@/features/respond/LineNotes'
import { SentenceField } from '@/features/respond/SentenceField'
import { SentenceRow } from '@/features/respond/SentenceRow'
import { causeColour } from '@/ui/cause'
import { useInstant } from '@/ui/TryItValues'
import { Why } from '@/ui/Why'
import { usePreference } from '@/ui/preference'
import { useDocument, useJudgements } from '@/ui/workingCopy/context'

/** One behaviour as a sentence with inline fields, what it does now and why; it knows nothing of the kind it shows. */
export function BehaviourLine({ line }: { line: Line }) {
  const document = useDocument()
  const { asked } = useInstant()
  const preference = usePreference()
  const judgements = useJudgements()
  const { response } = document
  const [isWriting, setWriting] = useState(false)
  const { kind, value, place, behaviour, asideAt } = line
  const said = telling(document, preference)
  const rule = behaviour === 'rule' ? (value as Rule) : null
  const isOff = asideAt !== null || rule?.off === true
  const colour = causeColour(kind.cause(value, said, place))
  const name = kind.name(value, said, place)
  const explanation = asked?.explanation
  const parts = kind.sentence(value, said, place)
  const link = rule && explanation?.chain.find((held) => held.stage === 'ask' && held.rule?.id === rule.id)
  const stands = standsAt(line)
  const judged = judgements.filter(({ path }) => isUnder(path, place, response.rules))
  return (
    <SentenceRow
      colour={colour}
      isOff={isOff}
      isInCharge={
        explanation !== undefined &&
        (rule ? explanation.inCharge?.id === rule.id : behaviour === 'bounds' && explanation.inCharge === null)
      }
      judged={judged}
      actions={<LineMenu line={line} name={name} onNote={() => setWriting(true)} />}
      notes={<LineNotes {...{ name, place, parts, isWriting }} onWritten={() => setWriting(false)} />}
      asks={
        explanation ? (
          <Why
            what={`${name}: what it does now`}
            formula={rule ? ruleFormula(rule) : kind.why.formula}
            withValues={link?.stage === 'ask' ? linkText(response, link, preference) : partsText(parts, preference)}
            source={kind.why.source}
            note={noteAt(response, place) || undefined}
          >
            {kind.now(value, explanation, said, place)}
          </Why>
        ) : (
          '–'
        )
      }
    >
      {parts.map((part, at) =>
        part.kind === 'text' ? (
          <span key={at}>{part.text}</span>
        ) : part.kind === 'input' ? (
          <Box key={at} component="b" sx={{ color: colour }}>
            {at === 0 ? part.name.charAt(0).toUpperCase() + part.name.slice(1) : part.name}
          </Box>
        ) : (
          <span key={`${part.path}-${part.kind}`} title={noteAt(response, joinPlaces(place, part.path)) || undefined}>
            <SentenceField part={part} place={stands} colour={colour} />
          </span>
        ),
      )}
    </SentenceRow>
  )
}

/** Judgements name rules by their place in the list, sentences by the rule's own id. */
function isUnder(path: string, place: string, rules: readonly Rule[]): boolean {
  const inResponse = path
    .replace(/^response\.?/, '')
    .replace(/^rules\.(\d+)/, (_all, index: string) => `rules.${rules[Number(index)]?.id ?? index}`)
  if (place === '') return /^(floor|ceiling)/.test(inResponse)
  return inResponse === place || inResponse.startsWith(`${place}.`)
}
