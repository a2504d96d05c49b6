/** How schemas are checked, wherever that is. */
export const VALIDATOR_OPTIONS = { allErrors: true, strictTypes: false } as const
