import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { seenCheck } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { briefOf, fanName, type ProveContext } from '@/core/prove/context'

/** Whether an open flue is in the building, or may be. */
function hasOpenFlue(context: ProveContext): boolean {
  const brief = briefOf(context)
  const plan = DUTY_PLANS[brief.duty]
  return plan.questions.some(({ id }) => id === 'openFlue') && answerReader(plan, brief).yes('openFlue') === true
}

const spillage = (id: string, title: string, how: string): Check =>
  seenCheck(
    {
      id,
      title,
      how,
      measureWith: 'smoke or a spillage tester, by a certified person, with a carbon monoxide meter in the room',
      waitS: 600,
      ifFails:
        'It spills: switch the extract off and leave it off until a certified person has made it pass. Carbon monoxide kills.',
      expect: 'The flue draws all the time; nothing comes into the room.',
    },
    { kind: 'person' },
  )

/** Spillage with every extract at full, and again in each fault in which more is drawn out than comes in. */
function spillageChecks(context: ProveContext): Check[] {
  if (!hasOpenFlue(context)) return []
  const { followers, overrides } = context.response
  const most = 'Doors and windows shut, every extract in the building at full, hoods too.'
  return [
    spillage('spillage', 'Spillage test with every extract at full.', most),
    ...followers.map(({ fan }) =>
      spillage(
        `spillage-without-${fan}`,
        `Spillage test once more, with ${fanName(context, fan)} stopped.`,
        `${most} ${fanName(context, fan)} may fail alone: what it brings in is then missing.`,
      ),
    ),
    ...(overrides?.overheat
      ? [
          spillage(
            'spillage-overheated',
            'Spillage test once more, as it runs when the controller is too hot.',
            `${most} The lead at full and every follower stopped.`,
          ),
        ]
      : []),
  ]
}

/** What no machine can show: another device, a person, a draught. */
export function peopleChecks(context: ProveContext): Check[] {
  const { duty } = briefOf(context)
  const livestock: Check[] =
    duty === 'livestock'
      ? [
          seenCheck(
            {
              id: 'backup',
              title: 'Switch this controller off, and warm the backup thermostat.',
              how: 'It hangs on a supply of its own. Put the controller on again before you leave the room.',
              measureWith: 'your eyes, at the fans',
              waitS: 120,
              ifFails: 'Nothing ventilates the house when this controller dies: do not leave animals in it.',
              expect: 'The backup brings full air by itself.',
            },
            { kind: 'person' },
          ),
          seenCheck(
            {
              id: 'alarm-reaches',
              title: 'Cut the supply of the house, and wait for the alarm.',
              how: 'The one who is on call has to hear it where they are, at night too.',
              measureWith: 'a call from the person on call',
              waitS: 600,
              ifFails: 'Nobody comes when the power fails: hours without air kill.',
              expect: 'A person answers it.',
            },
            { kind: 'person' },
          ),
        ]
      : []
  const isFlue =
    duty === 'stove-flue' && answerReader(DUTY_PLANS['stove-flue'], briefOf(context)).choice('moves') === 'flue'
  const draught: Check[] =
    isFlue || hasOpenFlue(context)
      ? [
          seenCheck(
            {
              id: 'draught',
              title: 'Read the draught at the appliance, in Pa.',
              how: 'At its test port, with the fire at normal, at least and at most speed; note it with the appliance maker’s figure.',
              measureWith: 'a manometer good for 1 Pa',
              ifFails: 'Too little draught spills, too much takes the heat: change the speed, and read again.',
              expect: 'The draught lies within what the appliance’s maker asks.',
            },
            { kind: 'person' },
          ),
        ]
      : []
  return [...livestock, ...draught, ...spillageChecks(context)]
}
