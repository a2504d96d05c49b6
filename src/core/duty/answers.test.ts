import { DUTIES } from '@/core/brief/duty'
import { checkAnswers } from '@/core/duty/answers'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { problemLine } from '@/core/words/problems'

test.each(DUTIES)(
  '%s: its own starting answers fit, “not known” fits, and anything of another kind does not',
  (duty) => {
    const { questions } = DUTY_PLANS[duty]
    const starts = Object.fromEntries(questions.map(({ id, start }) => [id, start]))
    expect(checkAnswers({ duty, answers: starts })).toEqual([])
    expect(checkAnswers({ duty, answers: Object.fromEntries(questions.map(({ id }) => [id, null])) })).toEqual([])
    for (const question of questions)
      for (const answer of [
        question.kind === 'yes' ? 'yes' : true,
        'nobody',
        1e9,
        question.kind === 'number' ? '3' : 3,
      ]) {
        const [problem] = checkAnswers({ duty, answers: { [question.id]: answer } })
        expect(problem && problemLine(problem)).toMatch(new RegExp(`^answers.${question.id}: `))
      }
  },
)

test('a question of another duty is refused by name', () =>
  expect(checkAnswers({ duty: 'exhaust', answers: { animal: 'calf' } }).map(problemLine)).toEqual([
    'answers.animal: There is no question of exhaust “animal”; known: stands, fumes, idle, openFlue.',
  ]))

test('an answer that does not fit counts as not known where it is read', () => {
  const space = { about: '', volumeM3: null, heatLoadW: null, allowedRiseK: null }
  const read = answerReader(DUTY_PLANS.livestock, { space, answers: { animal: 'hen', count: 'many', alarm: 'yes' } })
  expect([read.choice('animal'), read.number('count'), read.yes('alarm')]).toEqual([null, null, null])
})
