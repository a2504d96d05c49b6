/** What is used of the npm package, whose own types are older than this compiler. */
declare module 'odex' {
  export class Solver {
    constructor(size: number)
    absoluteTolerance: number
    relativeTolerance: number
    solve(slope: (x: number, y: number[]) => number[], fromX: number, y: number[], toX: number): { y: number[] }
  }
}
