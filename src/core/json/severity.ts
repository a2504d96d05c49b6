/** How grave a judgement is, the gravest first. */
export const SEVERITIES = ['hurts', 'fails', 'wears', 'know'] as const
export type Severity = (typeof SEVERITIES)[number]

export const SEVERITY_NAMES: Record<Severity, string> = {
  hurts: 'danger',
  fails: 'fault',
  wears: 'wear or nuisance',
  know: 'note',
}

/** The same by its shape, beside the word. */
export const SEVERITY_SIGNS: Record<Severity, string> = { hurts: '▲', fails: '■', wears: '◆', know: '●' }
