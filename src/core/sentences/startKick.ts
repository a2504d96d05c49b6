import { findLink } from '@/core/machine/findLink'
import { formatTime } from '@/core/quantity/format'
import type { StartKick } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

const KICK_PCT = 60
const KICK_S = 4
const MOST_KICK_S = 120

/** More speed for a moment at every start from rest, power return included. */
export const startKick: BehaviourKind<StartKick> = {
  places: onceAt('startKick'),
  name: () => 'start kick',
  cause: () => 'speed',
  sentence: ({ speedPct, holdS }) => [
    text('From rest, start with '),
    field('speedPct', 'start kick', 'speed', speedPct),
    text(' for '),
    { ...field('holdS', 'start kick, time', 'time', holdS), limits: [0, MOST_KICK_S] },
    text('.'),
  ],
  trade: () => 'kick start',
  now: (_kick, { chain }, { preference }) => {
    const link = findLink(chain, 'hold', 'start-kick')
    return link ? `${formatTime(link.leftS, preference)} more` : 'at a start'
  },
  why: () => ({ formula: 'from 0: max(given, kick) for its time', source: ofCommonPractice }),
  absent: null,
  offers: ({ response }) =>
    response.startKick
      ? []
      : [
          {
            sentence: 'From rest, start with more speed for some seconds',
            words: 'start kick boost spin up shutters',
            figure: { quantity: 'time', typedUnit: 's' },
            add: ({ response: draft }, figureS) => {
              draft.startKick = {
                speedPct: Math.max(KICK_PCT, draft.floor.speedPct),
                holdS: Math.min(MOST_KICK_S, figureS ?? KICK_S),
              }
            },
          },
        ],
}
