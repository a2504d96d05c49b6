import type { Balance } from '@/core/calibration/schema'

export type TerminalLine = {
  readonly id: string
  /** Read over wanted; null where either is missing. */
  readonly share: number | null
  /** `open`: the one that has least of what it should have, left fully open. `close`: throttle towards the open one. */
  readonly trim: 'open' | 'close' | 'leave' | null
}
type BalanceSide = {
  readonly readLs: number
  readonly wantedLs: number | null
  /** The fan's setting that would give what is wanted, or the other side's flow; by the first fan law. */
  readonly trimmedPct: number | null
}
export type BalanceResult = {
  readonly supply: BalanceSide
  readonly extract: BalanceSide
  /** Supply over extract less one; null until both have a flow. */
  readonly offShare: number | null
  readonly verdict: 'too-few' | 'balanced' | 'more-supply' | 'more-extract'
  readonly terminals: readonly TerminalLine[]
}

const total = (values: readonly (number | null)[]): number =>
  values.reduce<number>((sum, value) => sum + (value ?? 0), 0)

/** Balance in total and by terminal. Within a side, proportional balancing: the terminal that has least of its share stays open and the
 *  others are throttled to the same share (common practice, no source here); then each fan is trimmed by the first fan law. Fans without
 *  a wanted flow meet at the smaller of the two totals. */
export function balanceResult({ supplyPct, extractPct, tolerancePct, terminals }: Balance): BalanceResult {
  const of = (side: 'supply' | 'extract') => terminals.filter((terminal) => terminal.side === side)
  const read = { supply: total(of('supply').map((t) => t.readLs)), extract: total(of('extract').map((t) => t.readLs)) }
  const wantedOf = (side: 'supply' | 'extract') => {
    const mine = of(side)
    return mine.length > 0 && mine.every(({ wantedLs }) => wantedLs !== null)
      ? total(mine.map(({ wantedLs }) => wantedLs))
      : null
  }
  const isRead =
    terminals.length > 0 && terminals.every(({ readLs }) => readLs !== null) && read.supply > 0 && read.extract > 0
  const meetLs = Math.min(read.supply, read.extract)
  const side = (which: 'supply' | 'extract', pct: number): BalanceSide => {
    const wantedLs = wantedOf(which)
    const aimLs = wantedLs ?? meetLs
    return {
      readLs: read[which],
      wantedLs,
      trimmedPct: isRead ? Math.min(100, Math.round((pct * aimLs) / read[which])) : null,
    }
  }
  const lines = (['supply', 'extract'] as const).flatMap((which): TerminalLine[] => {
    const shares = of(which).map(({ id, wantedLs, readLs }) => ({
      id,
      share: wantedLs === null || readLs === null ? null : readLs / wantedLs,
    }))
    const least = Math.min(...shares.map(({ share }) => share ?? Infinity))
    return shares.map(({ id, share }) => ({
      id,
      share,
      trim:
        share === null || shares.length < 2
          ? null
          : share === least
            ? 'open'
            : share / least - 1 > tolerancePct / 100
              ? 'close'
              : 'leave',
    }))
  })
  const offShare = isRead ? read.supply / read.extract - 1 : null
  return {
    supply: side('supply', supplyPct),
    extract: side('extract', extractPct),
    offShare,
    verdict:
      offShare === null
        ? 'too-few'
        : Math.abs(offShare) <= tolerancePct / 100
          ? 'balanced'
          : offShare > 0
            ? 'more-supply'
            : 'more-extract',
    terminals: terminals.map(({ id }) => lines.find((line) => line.id === id)!),
  }
}
