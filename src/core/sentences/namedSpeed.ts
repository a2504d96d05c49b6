import { freeId } from '@/core/json/freeId'
import { followerPct } from '@/core/machine/follower'
import type { NamedSpeed, Response } from '@/core/response/schema'
import { text, type MoreAction } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { capital } from '@/core/sentences/words'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

const NAMES = ['low', 'medium', 'high'] as const

/** Three speeds between floor and ceiling, each with what the followers run at now. */
function usualSpeeds({ floor, ceiling, followers, steps }: Response): NamedSpeed[] {
  const [low, high] = [floor.speedPct, ceiling.speedPct]
  return NAMES.map((name, index) => {
    const pct = Math.round(low + ((high - low) * index) / (NAMES.length - 1))
    return { id: name, name, pct, ...fansAt(pct, { floor, followers, steps }) }
  })
}

const fansAt = (pct: number, { floor, followers, steps }: Pick<Response, 'floor' | 'followers' | 'steps'>) =>
  followers.length === 0
    ? {}
    : {
        fans: followers.map((follower) => ({
          fan: follower.fan,
          pct: Math.round(followerPct(follower, pct, floor.speedPct, steps)),
        })),
      }

/** A speed under a name: what the lead runs at, and what the others run at then. */
export const namedSpeed: BehaviourKind<NamedSpeed> = {
  places: ({ speeds = [] }) => speeds.map(({ id }) => `speeds.${id}`),
  name: ({ name }) => `speed “${name}”`,
  cause: () => 'speed',
  sentence: ({ name, pct, fromPct, toPct, fans = [] }, { response, fanName }) => [
    text(`${capital(name)}: ${fanName(response.lead)} `),
    field('pct', `${name}, ${fanName(response.lead)}`, 'speed', pct),
    ...(fromPct === undefined && toPct === undefined
      ? []
      : [
          text(' (from '),
          field('fromPct', `${name}, lowest`, 'speed', fromPct ?? 0),
          text(' to '),
          field('toPct', `${name}, highest`, 'speed', toPct ?? 100),
          text(')'),
        ]),
    ...fans.flatMap(({ fan, pct: own }, index) => [
      text(', '),
      { kind: 'input' as const, name: fanName(fan) },
      text(' '),
      field(`fans.${index}.pct`, `${name}, ${fanName(fan)}`, 'speed', own),
    ]),
    text('.'),
  ],
  trade: () => 'preset speed',
  now: ({ pct }, { givenPct }) => (Math.abs(givenPct - pct) < 0.5 ? 'runs' : 'idle'),
  why: () => ({
    formula: 'at a named speed each fan runs what is said there; between two in a straight line',
    source: `${ofCommonPractice}: supply and extract are trimmed apart`,
  }),
  more: ({ fromPct, toPct }): readonly MoreAction<NamedSpeed>[] => [
    fromPct === undefined && toPct === undefined
      ? {
          label: 'Keep it in a range of its own',
          change: (draft) => {
            draft.fromPct = Math.max(0, draft.pct - 10)
            draft.toPct = Math.min(100, draft.pct + 10)
          },
        }
      : {
          label: 'Any figure will do',
          change: (draft) => {
            delete draft.fromPct
            delete draft.toPct
          },
        },
  ],
  isFixed: true,
  offers: ({ response }) =>
    response.speeds
      ? [
          {
            sentence: 'Another named speed, above the others',
            words: 'gear named speed preset high',
            add: ({ response: draft }) => {
              const speeds = draft.speeds ?? []
              const pct = Math.min(100, (speeds.at(-1)?.pct ?? 50) + 5)
              const id = freeId(
                speeds.map((known) => known.id),
                'speed',
              )
              draft.speeds = [...speeds, { id, name: `speed ${speeds.length + 1}`, pct, ...fansAt(pct, draft) }]
            },
          },
          {
            sentence: 'No named speeds',
            words: 'gear named speed preset none remove',
            add: ({ response: draft }) => {
              delete draft.speeds
              delete draft.stepUps
            },
          },
        ]
      : [
          {
            sentence: 'Name three speeds, with supply and extract each',
            words: 'gear named speed preset low medium high trim supply extract balance',
            add: ({ response: draft }) => void (draft.speeds = usualSpeeds(draft)),
          },
        ],
}
