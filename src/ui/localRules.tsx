'use client'

import { createContext, useContext } from 'react'
import { ruleSource, rulesFor, type LocalRule } from '@/core/record/localRule'
import { Notice } from '@/ui/Notice'
import { usePart } from '@/ui/workingCopy/context'

const RulesContext = createContext<readonly LocalRule[]>([])

/** The workspace’s own cautions and rules, for everything below. */
export const LocalRulesProvider = RulesContext.Provider

/** What the workspace itself asks at this kind of work, where the cautions stand. */
export function LocalRuleNotices() {
  const rules = useContext(RulesContext)
  const { duty } = usePart('brief')
  return rulesFor(rules, duty).map((rule) => (
    <Notice key={rule.id} grave title={rule.text}>
      {ruleSource(rule)}
    </Notice>
  ))
}
