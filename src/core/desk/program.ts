/** A linear program some of whose variables are whole numbers, as plain data; who solves it is chosen outside the core. */

export interface ProgramRow {
  readonly columns: readonly number[]
  readonly values: readonly number[]
  /** Least and most of the sum; infinite where there is no bound. */
  readonly least: number
  readonly most: number
}

/** What each unit of a variable costs, and its bounds; all least bounds are 0. */
export interface IntegerProgram {
  readonly costs: readonly number[]
  readonly most: readonly number[]
  readonly isWhole: readonly boolean[]
  readonly rows: readonly ProgramRow[]
}

export interface ProgramAnswer {
  /** The best values found; undefined where none were. */
  readonly values: readonly number[] | undefined
  /** No solution costs less. */
  readonly bound: number
  /** There is none at all. */
  readonly isImpossible: boolean
}

export interface ProgramLimits {
  readonly seconds: number
  /** A solution to begin with. */
  readonly start?: readonly number[]
  /** Told of the best cost and of the bound as they get better. @returns whether to stop */
  readonly onProgress?: (best: number, bound: number) => boolean
}

/** Minimises the cost of a program. */
export type SolveProgram = (program: IntegerProgram, limits: ProgramLimits) => ProgramAnswer

/** Writes a program variable by variable and row by row. */
export class ProgramBuilder {
  private readonly costs: number[] = []
  private readonly most: number[] = []
  private readonly isWhole: boolean[] = []
  private readonly rows: ProgramRow[] = []

  /** @returns the number of the variable */
  whole(most: number, cost: number): number {
    this.isWhole.push(true)
    this.most.push(most)
    return this.costs.push(cost) - 1
  }

  /** A variable that need not be whole. */
  part(most: number, cost: number): number {
    this.isWhole.push(false)
    this.most.push(most)
    return this.costs.push(cost) - 1
  }

  /** Σ value × variable ≥ least. */
  atLeast(terms: readonly (readonly [column: number, value: number])[], least: number): void {
    this.rows.push({ columns: terms.map(([column]) => column), values: terms.map(([, value]) => value), least, most: Infinity })
  }

  atMost(terms: readonly (readonly [column: number, value: number])[], most: number): void {
    this.rows.push({ columns: terms.map(([column]) => column), values: terms.map(([, value]) => value), least: -Infinity, most })
  }

  program(): IntegerProgram {
    return { costs: this.costs, most: this.most, isWhole: this.isWhole, rows: this.rows }
  }
}
