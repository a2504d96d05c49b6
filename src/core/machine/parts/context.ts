import type { Response } from '@/core/response/schema'
import type { CompileContext } from '@/core/rules/kind'

/** What a part of the machine is compiled with: as a rule is, and with the whole response. */
export type PartContext = CompileContext & {
  readonly response: Response
  /** Where an input is read whose points are tied to a target: its own place, or one moved by what the target has moved. */
  readonly tiedIndex: (input: string, target: string | undefined) => number
}
