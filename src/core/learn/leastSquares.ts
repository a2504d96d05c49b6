/** Residuals of a model at parameters, all of the same weight; NaN where the model breaks down there. */
type Residuals = (parameters: readonly number[]) => Float64Array

export type Bound = readonly [low: number, high: number]

export type Fitted = {
  readonly parameters: readonly number[]
  /** Covariance of the parameters, for residuals of equal and independent error. */
  readonly covariance: readonly (readonly number[])[]
  /** Root mean square of the residuals, by their degrees of freedom. */
  readonly sigma: number
  readonly steps: number
}

const MOST_STEPS = 60
const SMALLEST_GAIN = 1e-9
const sumOfSquares = (residuals: Float64Array): number => {
  let sum = 0
  for (const r of residuals) sum += r * r
  return Number.isFinite(sum) ? sum : Infinity
}

/** Solves a symmetric positive system by Cholesky’s factors; null where it is not positive. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const size = right.length
  const lower: number[][] = []
  for (let row = 0; row < size; row++) {
    lower.push([])
    for (let column = 0; column <= row; column++) {
      let sum = matrix[row]![column]!
      for (let k = 0; k < column; k++) sum -= lower[row]![k]! * lower[column]![k]!
      if (row === column && !(sum > 0)) return null
      lower[row]!.push(row === column ? Math.sqrt(sum) : sum / lower[column]![column]!)
    }
  }
  const forward: number[] = []
  for (let row = 0; row < size; row++) {
    let sum = right[row]!
    for (let k = 0; k < row; k++) sum -= lower[row]![k]! * forward[k]!
    forward.push(sum / lower[row]![row]!)
  }
  const answer = new Array<number>(size).fill(0)
  for (let row = size - 1; row >= 0; row--) {
    let sum = forward[row]!
    for (let k = row + 1; k < size; k++) sum -= lower[k]![row]! * answer[k]!
    answer[row] = sum / lower[row]![row]!
  }
  return answer
}

function inverse(matrix: readonly (readonly number[])[]): number[][] | null {
  const columns = matrix.map((_, column) =>
    solve(
      matrix,
      matrix.map((__, row) => (row === column ? 1 : 0)),
    ),
  )
  return columns.some((column) => column === null) ? null : (columns as number[][])
}

/** Slopes of the residuals, by a difference to either side; columns are parameters. */
function slopes(residuals: Residuals, at: readonly number[], bounds: readonly Bound[]): Float64Array[] {
  return at.map((value, index) => {
    const [low, high] = bounds[index]!
    const by = 1e-4 * Math.max(1e-3, (high - low) / 4)
    const [up, down] = [Math.min(high, value + by), Math.max(low, value - by)]
    const move = (to: number) => residuals(at.map((own, other) => (other === index ? to : own)))
    const [above, below] = [move(up), move(down)]
    return above.map((r, row) => (r - below[row]!) / (up - down))
  })
}

function normal(columns: readonly Float64Array[], residuals: Float64Array) {
  const dot = (a: Float64Array, b: Float64Array): number => {
    let sum = 0
    for (let row = 0; row < a.length; row++) sum += a[row]! * b[row]!
    return sum
  }
  return {
    matrix: columns.map((a) => columns.map((b) => dot(a, b))),
    right: columns.map((a) => -dot(a, residuals)),
  }
}

/** Parameters within bounds at which the sum of squares is least. A damped step that would leave its bounds stops at them. Source: Levenberg 1944,
 *  Marquardt 1963, as in Nocedal and Wright, Numerical Optimization, chapter 10; checked against NIST StRD. Null where the residuals do not tell
 *  the parameters apart. */
export function leastSquares(residuals: Residuals, start: readonly number[], bounds: readonly Bound[]): Fitted | null {
  let at = start.map((value, index) => Math.min(bounds[index]![1], Math.max(bounds[index]![0], value)))
  let here = residuals(at)
  let sum = sumOfSquares(here)
  if (sum === Infinity) return null
  let damping = 1e-3
  let steps = 0
  for (let isDone = false; !isDone && steps < MOST_STEPS; steps++) {
    const { matrix, right } = normal(slopes(residuals, at, bounds), here)
    isDone = true
    for (let attempt = 0; attempt < 12; attempt++) {
      const damped = matrix.map((row, index) => row.map((x, k) => (k === index ? x * (1 + damping) + 1e-12 : x)))
      const step = solve(damped, right)
      const to = step && at.map((value, k) => Math.min(bounds[k]![1], Math.max(bounds[k]![0], value + step[k]!)))
      const there = to && residuals(to)
      const sumThere = there ? sumOfSquares(there) : Infinity
      if (to && there && sumThere < sum) {
        isDone = sum - sumThere < SMALLEST_GAIN * sum
        ;[at, here, sum] = [to, there, sumThere]
        damping = Math.max(1e-9, damping / 5)
        break
      }
      damping *= 4
    }
  }
  const { matrix } = normal(slopes(residuals, at, bounds), here)
  const turned = inverse(matrix)
  if (!turned) return null
  const variance = sum / Math.max(1, here.length - at.length)
  return {
    parameters: at,
    covariance: turned.map((row) => row.map((x) => x * variance)),
    sigma: Math.sqrt(variance),
    steps,
  }
}
