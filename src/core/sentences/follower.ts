import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import type { Follower } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

/** A fan that follows the lead by a share of its percent, and the line says so: percent is not flow. */
export const follower: BehaviourKind<Follower> = {
  places: ({ followers }) => followers.map(({ fan }) => `followers.${fan}`),
  name: ({ fan }, { fanName }) => `${fanName(fan)} follower`,
  cause: () => 'speed',
  sentence({ fan, ratio, floorPct, atLeadFloor }, { fanName }) {
    const name = fanName(fan)
    return [
      { kind: 'input', name },
      text(' follows at '),
      {
        ...field('ratio', `${name}, share of the lead's percent`, 'ratio', ratio * 100),
        perBase: 100,
        limits: [5, 300],
      },
      text(' of the lead’s percent, not below '),
      field('floorPct', `${name}, own floor`, 'speed', floorPct),
      text('; at the lead’s floor it '),
      {
        kind: 'choice',
        path: 'atLeadFloor',
        label: `${name} at the lead's floor`,
        value: atLeadFloor,
        options: [
          ['follow', 'follows on'],
          ['floor', 'goes to its own floor'],
          ['off', 'stops'],
        ],
      },
      text('.'),
    ]
  },
  trade: () => 'ratio control',
  now({ fan }, { chain }, { fanName, preference }) {
    const link = findLink(chain, 'give', 'fan', (held) => held.fan === fan)
    return link ? `${fanName(fan)} ${formatPct(link.givenPct, preference)} %` : '–'
  },
  why: () => ({
    formula: 'follower = max(own floor, ratio × lead), in steps; percent of each fan’s own range, not flow',
    source: `${ofCommonPractice}; cases in the reference values, ctl.follower`,
  }),
  offers: ({ response, kit }) =>
    kit.fans
      .filter(
        ({ id }) =>
          id !== response.lead &&
          !response.followers.some(({ fan }) => fan === id) &&
          !response.stages?.fixed.some(({ fan }) => fan === id),
      )
      .map(({ id, name }) => ({
        sentence: `${name} follows the lead`,
        words: 'follow make-up ratio second fan',
        figure: { quantity: 'ratio' as const, typedUnit: '%' },
        add: ({ response: draft }, figurePct) =>
          void draft.followers.push({ fan: id, ratio: (figurePct ?? 80) / 100, floorPct: 0, atLeadFloor: 'follow' }),
      })),
}
