import type { Brief } from '@/core/brief/schema'
import type { DutyPlan, Question } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Problem } from '@/core/json/problem'
import { quantitySpec } from '@/core/quantity/units'

type Answer = NonNullable<Brief['answers']>[string]

/** What is wrong with an answer to a question; null where it fits. “I do not know yet” fits every question. */
export function answerProblem(question: Question, answer: Answer, path: string): Problem | null {
  if (answer === null) return null
  const what = `The answer to “${question.ask}”`
  switch (question.kind) {
    case 'yes':
      return typeof answer === 'boolean'
        ? null
        : { code: 'wrong_kind', path, what, got: typeof answer, needs: 'true, false or null' }
    case 'choice': {
      const known = question.options.map(([value]) => value)
      return typeof answer === 'string' && known.includes(answer)
        ? null
        : { code: 'unknown_id', path, what: `answer to “${question.ask}”`, got: String(answer), known }
    }
    case 'number': {
      if (typeof answer !== 'number') return { code: 'wrong_kind', path, what, got: typeof answer, needs: 'number' }
      const [min, max] = question.limits
      return answer >= min && answer <= max
        ? null
        : {
            code: 'out_of_range',
            path,
            what,
            got: answer,
            min,
            max,
            unit: quantitySpec(question.quantity).units[0].symbol,
          }
    }
  }
}

/** Answers that no question of the duty knows, or that do not fit the one they answer. */
export function checkAnswers({ duty, answers = {} }: Pick<Brief, 'duty' | 'answers'>): Problem[] {
  const { questions }: DutyPlan = DUTY_PLANS[duty]
  return Object.entries(answers).flatMap(([id, answer]): Problem[] => {
    const path = `answers.${id}`
    const question = questions.find((candidate) => candidate.id === id)
    if (!question)
      return [
        { code: 'unknown_id', path, what: `question of ${duty}`, got: id, known: questions.map((known) => known.id) },
      ]
    const problem = answerProblem(question, answer, path)
    return problem ? [problem] : []
  })
}
