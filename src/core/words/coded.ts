type Words = (facts: never, say: never) => unknown
type FactsOf<W> = W extends Words ? Parameters<W>[0] : never

/** A code of a table of words, with the facts that are said with it. */
export type Coded<Table> = {
  readonly [K in keyof Table]: { readonly code: K; readonly facts: FactsOf<Table[K]> }
}[keyof Table]

/** Makes codes of a table: no facts are given where its words need none. */
export const coderOf =
  <Table>() =>
  <K extends keyof Table>(
    code: K,
    ...[facts]: undefined extends FactsOf<Table[K]> ? [] : [FactsOf<Table[K]>]
  ): Coded<Table> =>
    ({ code, facts }) as Coded<Table>

/** What the table says of a code. */
export const textOf = <Say, Text, Code extends string>(
  table: { readonly [K in Code]: (facts: never, say: Say) => Text },
  { code, facts }: { readonly code: Code; readonly facts: unknown },
  say: Say,
): Text => (table[code] as (facts: unknown, say: Say) => Text)(facts, say)
