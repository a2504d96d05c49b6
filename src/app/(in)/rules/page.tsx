import type { Metadata } from 'next'
import { localRulesOf } from '@/db/queries/workspace'
import { RulesPage } from '@/features/rules/RulesPage'
import { keepLocalRulesAction } from '@/server/actions'
import { may } from '@/server/rights'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'Cautions and local rules' }

export default async function Rules() {
  const { scope, role } = await requireSigned()
  return <RulesPage rules={await localRulesOf(scope)} onKeep={may(role, 'seal') ? keepLocalRulesAction : null} />
}
