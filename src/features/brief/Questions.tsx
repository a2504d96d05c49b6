'use client'

import Typography from '@mui/material/Typography'
import type { Brief } from '@/core/brief/schema'
import { answerProblem } from '@/core/duty/answers'
import type { Question } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { problemText } from '@/core/words/problems'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type Answer = NonNullable<Brief['answers']>[string]

const YES_NO = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const

/** The duty’s own questions; each can stand at “I do not know yet”, and the rest goes on with what that costs. */
export function Questions({ brief }: { brief: Brief }) {
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const { answers = {} } = brief
  const answer = ({ id, ask }: Question, value: Answer, key?: string) =>
    edit(
      ask,
      (draft) => {
        draft.brief.answers = { ...draft.brief.answers, [id]: value }
      },
      key,
    )
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        To be asked
      </Typography>
      {DUTY_PLANS[brief.duty].questions.map((question) => {
        const value = question.id in answers ? answers[question.id]! : question.start
        const wrong = value === null ? null : answerProblem(question, value, question.id)
        const isUnknown = value === null || wrong !== null
        return (
          <FormRow
            key={question.id}
            label={question.ask}
            hint={
              isUnknown ? (
                wrong ? (
                  `${problemText(wrong)} It counts as not known until it is answered again.`
                ) : (
                  question.unknown
                )
              ) : (
                <TextButton label={`I do not know yet: ${question.ask}`} onClick={() => answer(question, null)}>
                  I do not know yet
                </TextButton>
              )
            }
          >
            {isUnknown ? (
              <>
                Not known yet.{' '}
                <TextButton label={`Answer: ${question.ask}`} onClick={() => answer(question, question.start ?? false)}>
                  Answer it
                </TextButton>
              </>
            ) : (
              <AnswerField
                question={question}
                value={value}
                onDone={onDone}
                onChange={(next) => answer(question, next, question.id)}
              />
            )}
          </FormRow>
        )
      })}
    </>
  )
}

type FieldProps = {
  question: Question
  value: Exclude<Answer, null>
  onChange: (value: Exclude<Answer, null>) => void
  onDone: () => void
}

function AnswerField({ question, value, onChange, onDone }: FieldProps) {
  switch (question.kind) {
    case 'number':
      return (
        <QuantityField
          label={question.ask}
          quantity={question.quantity}
          value={typeof value === 'number' ? value : question.start}
          limits={question.limits}
          onDone={onDone}
          onChange={onChange}
        />
      )
    case 'choice':
      return <Choice label={question.ask} value={String(value)} options={question.options} onChange={onChange} />
    case 'yes':
      return (
        <Choice
          label={question.ask}
          value={value === true ? 'yes' : 'no'}
          options={YES_NO}
          onChange={(answer) => onChange(answer === 'yes')}
        />
      )
  }
}
