import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

const MOVER = '(?:blower|fan|curtain|outlet|nozzle|discharge)'
/** A place in the air that the fan itself moves, as somebody wrote it down. */
const STREAM = '(?:air ?stream|air|stream|jet|draught|blast|mouth|outlet|discharge)'
const IN_OWN_AIR = new RegExp(
  `\\b(?:in|into|at|under|before|in front of)\\b[^.,;]*\\b(?:own (?:air|draught|stream)|${MOVER}(?:[’']s)? ?(?:own )?${STREAM}|${STREAM} of (?:the|its|a) (?:own )?${MOVER})`,
  'i',
)
const KEPT_OUT = /\b(?:not|out of|away from|clear of|never|beside|behind)\b[^.,;]*$/i

/** A probe that hangs in the air of its own fan reads what the fan does to it: it cools itself off, and the fan short-cycles. */
export const ownAir: Judge = ({ kit }) =>
  kit.probes.flatMap((probe, index) => {
    const found = IN_OWN_AIR.exec(probe.place)
    if (!found || KEPT_OUT.test(probe.place.slice(0, found.index))) return []
    return [
      {
        id: `own-air-${probe.id}`,
        severity: 'fails' as const,
        path: `kit.probes.${index}.place`,
        says: says('own-air', { probe: probe.name, place: probe.place }),
        cure: null,
      },
    ]
  })
