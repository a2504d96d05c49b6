import type { Response } from '@/core/response/schema'
import type { CompileContext } from '@/core/rules/kind'

/** What a part of the machine is compiled with: as a rule is, and with the whole response. */
export type PartContext = CompileContext & { readonly response: Response }
