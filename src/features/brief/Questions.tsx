'use client'

import Typography from '@mui/material/Typography'
import type { Brief } from '@/core/brief/schema'
import { answerProblem } from '@/core/duty/answers'
import { isAssumed, type Question } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { saidIn } from '@/core/quantity/saidIn'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { usePreference, useProblemWords } from '@/ui/preference'
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
  const preference = usePreference()
  const { text: problemText } = useProblemWords()
  const { questions } = DUTY_PLANS[brief.duty]
  const together = questions.filter((question) => isAssumed(question, brief) && !question.isSafety)
  const confirm = (what: string, assumed: readonly Question[]) =>
    edit(what, (draft) => {
      draft.brief.answers = {
        ...draft.brief.answers,
        ...Object.fromEntries(assumed.map(({ id, start }) => [id, start])),
      }
    })
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        To be asked
      </Typography>
      {together.length > 1 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          What is marked ○ is assumed and counts as open.{' '}
          <TextButton onClick={() => confirm('what was assumed', together)}>
            All {together.length} are right as they stand
          </TextButton>
        </Typography>
      )}
      {questions.map((question) => {
        const value = question.id in answers ? answers[question.id]! : question.start
        const wrong = value === null ? null : answerProblem(question, value, question.id)
        const isUnknown = value === null || wrong !== null
        return (
          <FormRow
            key={question.id}
            id={`brief-${question.id}`}
            label={question.ask}
            hint={
              isUnknown ? (
                wrong ? (
                  `${problemText(wrong)} It counts as not known until it is answered again.`
                ) : (
                  saidIn(question.unknown, preference)
                )
              ) : (
                <>
                  {isAssumed(question, brief) && (
                    <Assumed question={question} onConfirm={() => confirm(question.ask, [question])} />
                  )}
                  <TextButton label={`I do not know yet: ${question.ask}`} onClick={() => answer(question, null)}>
                    I do not know yet
                  </TextButton>
                </>
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

/** Nobody has said it yet: what stands there is a usual value, until it is touched. */
const Assumed = ({ question: { ask, isSafety }, onConfirm }: { question: Question; onConfirm: () => void }) => (
  <>
    ○ assumed:{' '}
    <TextButton label={`It is so: ${ask}`} onClick={onConfirm}>
      it is so
    </TextButton>
    {isSafety && ', once you have looked yourself'} ·{' '}
  </>
)

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
