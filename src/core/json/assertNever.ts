/** Closes a switch over a union: a new member fails to compile until the switch handles it. */
export function assertNever(value: never): never {
  throw new Error(`unhandled case: ${JSON.stringify(value)}`)
}
