/** How grave a judgement is, the gravest first. */
export const SEVERITIES = ['hurts', 'fails', 'wears', 'know'] as const
export type Severity = (typeof SEVERITIES)[number]

export const SEVERITY_NAMES: Record<Severity, string> = {
  hurts: 'can hurt',
  fails: 'will not work',
  wears: 'will wear or annoy',
  know: 'worth knowing',
}
