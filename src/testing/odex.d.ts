/** What is used of the npm package, whose own source is written for a less strict compiler. */
export declare class Solver {
  constructor(size: number)
  absoluteTolerance: number
  relativeTolerance: number
  solve(slope: (x: number, y: number[]) => number[], fromX: number, y: number[], toX: number): { y: number[] }
}
