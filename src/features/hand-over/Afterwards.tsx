'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { Row } from '@/features/hand-over/Row'
import { MOST_TASKS, type UpkeepTask } from '@/core/installation/upkeep'
import { freeId } from '@/core/json/freeId'
import { daysLater, USUAL_TASKS } from '@/core/record/due'
import { dayText } from '@/core/rules/yearDay'
import { today } from '@/ui/clock'
import { DateField } from '@/ui/DateField'
import { usePreference } from '@/ui/preference'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** What comes after the job: who was shown how it works, the next check, what is done again and again.
 *  @param onEnter goes on from who was shown */
export function Afterwards({ onEnter }: { onEnter: () => void }) {
  const upkeep = usePart('upkeep') ?? {}
  const { duty } = usePart('brief')
  const { dates } = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const { told, nextVisitOn, tasks = [] } = upkeep
  const ids = tasks.map(({ id }) => id)
  const usual = USUAL_TASKS[duty].filter(({ id }) => !ids.includes(id))
  const newTask = () => ({ id: freeId(ids, 'task'), name: 'Look at it', everyDays: 30 })
  const add = (made: readonly { id: string; name: string; everyDays: number }[]) =>
    edit('what is done again and again', (draft) => {
      draft.upkeep = { ...draft.upkeep, tasks: [...tasks, ...made.map((task) => ({ ...task, lastOn: null }))] }
    })
  const change = (index: number, changed: Partial<UpkeepTask>, key: string) =>
    edit(
      'what is done again and again',
      (draft) => {
        const task = draft.upkeep?.tasks?.[index]
        if (task) Object.assign(task, changed)
      },
      `task-${index}-${key}`,
    )
  return (
    <Box component="section" aria-label="Afterwards" id="told" sx={{ mb: 2 }}>
      <Typography variant="h2">Afterwards</Typography>
      <Row>
        <span>Shown how it works:</span>
        <TextLine
          label="Who was shown how it works"
          value={told?.who ?? ''}
          maxLength={60}
          grow={false}
          placeholder="a name, or their part"
          onDone={onDone}
          onEnter={onEnter}
          onChange={(who) =>
            edit(
              'who was shown',
              (draft) => {
                const { told: _before, ...rest } = draft.upkeep ?? {}
                draft.upkeep = who === '' ? rest : { ...rest, told: { who, on: told?.on ?? today() } }
              },
              'told',
            )
          }
        />
        {told && <span>on {dayText(told.on, dates)}</span>}
      </Row>
      <Row>
        <span>Next check</span>
        <DateField
          label="Next check"
          value={nextVisitOn ?? null}
          onChange={(day) =>
            edit('next check', (draft) => {
              const { nextVisitOn: _before, ...rest } = draft.upkeep ?? {}
              draft.upkeep = day === null ? rest : { ...rest, nextVisitOn: day }
            })
          }
        />
      </Row>
      {tasks.map((task, index) => (
        <TaskRow
          key={task.id}
          task={task}
          number={index + 1}
          onDone={onDone}
          onChange={(changed, key) => change(index, changed, key)}
          onAway={() =>
            edit('a task away', (draft) => {
              draft.upkeep?.tasks?.splice(index, 1)
            })
          }
        />
      ))}
      <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
        {usual.length > 0 && (
          <Button size="small" variant="outlined" onClick={() => add(usual)}>
            Add what is usual here
          </Button>
        )}
        <Button size="small" variant="outlined" disabled={tasks.length >= MOST_TASKS} onClick={() => add([newTask()])}>
          Add a task
        </Button>
      </Box>
    </Box>
  )
}

type TaskProps = {
  task: UpkeepTask
  number: number
  onDone: () => void
  onChange: (changed: Partial<UpkeepTask>, key: string) => void
  onAway: () => void
}

/** One thing that is done again and again. */
function TaskRow({ task: { name, everyDays, lastOn }, number, onDone, onChange, onAway }: TaskProps) {
  const { dates } = usePreference()
  return (
    <Row>
      <TextLine
        label={`Task ${number}`}
        value={name}
        maxLength={60}
        grow={false}
        onDone={onDone}
        onChange={(text) => text !== '' && onChange({ name: text }, 'name')}
      />
      <span>every</span>
      <QuantityField
        label={`${name}: every, days`}
        quantity="count"
        value={everyDays}
        limits={[1, 3660]}
        step={1}
        showUnit={false}
        onDone={onDone}
        onChange={(days) => onChange({ everyDays: Math.round(days) }, 'every')}
      />
      <span>days;</span>
      <span>
        {lastOn === null
          ? 'not done yet'
          : `done ${dayText(lastOn, dates)}, next ${dayText(daysLater(lastOn, everyDays), dates)}`}
      </span>
      <TextButton label={`${name}: done today`} onClick={() => onChange({ lastOn: today() }, 'done')}>
        done today
      </TextButton>
      <TextButton label={`Take “${name}” away`} onClick={onAway}>
        take away
      </TextButton>
    </Row>
  )
}
