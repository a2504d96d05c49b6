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

/** How a version calls what the one before or after it calls otherwise. */
type Naming = { readonly parts: Names; readonly kinds: Names; readonly ruleKeys: Names; readonly actions: Names }
const NAMES_2: Naming = { parts: PARTS, kinds: KINDS, ruleKeys: RULE_KEYS, actions: ACTIONS }
const NAMES_1: Naming = {
  parts: turned(PARTS),
  kinds: turned(KINDS),
  ruleKeys: turned(RULE_KEYS),
  actions: turned(ACTIONS),
}

/** A rule, or a slot of a controller, with the way it acts under its name. */
export const withAction = (held: Held, { ruleKeys, actions } = NAMES_2): Held =>
  Object.fromEntries(
    Object.entries(held).map(([key, value]) => {
      const name = ruleKeys.get(key)
      return name === undefined ? [key, value] : [name, renamed(value, actions)]
    }),
  )

function withNames(response: Held, names: Naming, switchedOff: string): Held {
  const { parts, kinds } = names
  const rules = changedEach(withKeys(response, parts), 'rules', (rule) => ({
    ...withAction(rule, names),
    kind: renamed(rule.kind, kinds),
  }))
  const off = changedEach(rules, switchedOff, (held) =>
    typeof held.at === 'string' ? { ...held, at: renamedPath(held.at, parts) } : held,
  )
  return changed(off, 'notes', (notes) =>
    Object.fromEntries(Object.entries(notes).map(([path, note]) => [renamedPath(path, parts), note])),
  )
}

/** From version 1 to 2: other names, the same figures. */
export const responseFrom1 = (response: Held): Held => ({
  ...withNames(response, NAMES_2, 'switchedOff'),
  schema: 'soft-gale/response@2',
})

/** What a response of version 2 was in version 1, for the marks that results of that time carry. */
export const responseAs1 = (response: Held): Held => ({
  ...withNames(response, NAMES_1, 'aside'),
  schema: 'soft-gale/response@1',
})
