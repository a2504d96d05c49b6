import {
  changed,
  changedEach,
  renamed,
  renamedPath,
  turned,
  withKeys,
  type Held,
  type Names,
} from '@/core/upgrade/rename'

/** Parts of a response that version 2 calls by the words of the trade. */
export const PARTS: Names = new Map([
  ['restBands', 'skipBands'],
  ['coolDown', 'heaterPurge'],
  ['runOn', 'finalRunOn'],
  ['holds', 'overrides'],
  ['aside', 'switchedOff'],
])
const KINDS: Names = new Map([
  ['surge', 'rapid-rise'],
  ['after-run', 'hold-after-fall'],
])
const RULE_KEYS: Names = new Map([['sense', 'action']])
/** What a cooling and a heating rule, or slot, do. */
const ACTIONS: Names = new Map([
  ['cooling', 'direct'],
  ['heating', 'reverse'],
])

/** A rule or a slot of a controller with `sense` as `action`. */
export const withAction = (held: Held): Held => withKeys({ ...held, sense: renamed(held.sense, ACTIONS) }, RULE_KEYS)

function withParts(response: Held, parts: Names, switchedOff: string, ofRule: (rule: Held) => Held): Held {
  const named = changedEach(withKeys(response, parts), 'rules', ofRule)
  const off = changedEach(named, switchedOff, (held) =>
    typeof held.at === 'string' ? { ...held, at: renamedPath(held.at, parts) } : held,
  )
  return changed(off, 'notes', (notes) =>
    Object.fromEntries(Object.entries(notes).map(([path, note]) => [renamedPath(path, parts), note])),
  )
}

/** From version 1 to 2: other names, the same figures. */
export const responseFrom1 = (response: Held): Held => ({
  ...withParts(response, PARTS, 'switchedOff', (rule) => ({
    ...('sense' in rule ? withAction(rule) : rule),
    kind: renamed(rule.kind, KINDS),
  })),
  schema: 'soft-gale/response@2',
})

/** What a response of version 2 was in version 1, for the marks that results of that time carry. */
export const responseAs1 = (response: Held): Held => ({
  ...withParts(response, turned(PARTS), 'aside', (rule) => ({
    ...('action' in rule
      ? withKeys({ ...rule, action: renamed(rule.action, turned(ACTIONS)) }, turned(RULE_KEYS))
      : rule),
    kind: renamed(rule.kind, turned(KINDS)),
  })),
  schema: 'soft-gale/response@1',
})
