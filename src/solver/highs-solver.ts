import loadHighs from 'highs'
import type { IntegerProgram, ProgramAnswer, ProgramLimits, SolveProgram } from '@core/desk'

/** Costs are whole cents: what is apart by less than one is the same. */
const SAME_COST = 0.5

/**
 * A solver of integer programs (HiGHS, branch and cut, compiled to WebAssembly).
 * @param wasmUrl where its binary is, where it does not stand beside the code
 */
export async function loadSolver(wasmUrl?: string): Promise<SolveProgram> {
  const highs = await loadHighs(wasmUrl === undefined ? undefined : { locateFile: () => wasmUrl })
  return (program, limits) => solve(highs, program, limits)
}

type Highs = Awaited<ReturnType<typeof loadHighs>>

function solve(highs: Highs, program: IntegerProgram, { seconds, start, onProgress }: ProgramLimits): ProgramAnswer {
  if (program.costs.length === 0) return { values: [], bound: 0, isImpossible: false }
  return highs.withModel(modelData(highs, program), (model) => {
    model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: 0, mip_abs_gap: SAME_COST })
    if (start) begin(model, start)
    const isMip = program.isWhole.some(Boolean)
    model.run(
      onProgress
        ? {
            [highs.constants.callbackType.mipInterrupt]: (event) => {
              const { mip_primal_bound: best = Infinity, mip_dual_bound: bound = 0 } = event.data
              if (onProgress(best, bound)) event.interrupt()
              return undefined
            },
          }
        : undefined,
    )
    const status = model.getModelStatus()
    const { modelStatus, solutionStatus } = highs.constants
    const hasSolution = model.info.get('primal_solution_status') === solutionStatus.feasible
    const bound = Number(isMip ? model.info.get('mip_dual_bound') : model.getObjectiveValue())
    return {
      values: hasSolution ? [...model.getSolution().colValue] : undefined,
      bound: Number.isFinite(bound) ? bound : 0,
      isImpossible: status === modelStatus.infeasible,
    }
  })
}

/** Begins with a solution, as far as it is given. One that the solver cannot complete is only a start: it goes without. */
function begin(model: ReturnType<Highs['createModel']>, start: readonly number[]): void {
  const known = start.flatMap((value, i) => (Number.isNaN(value) ? [] : [i]))
  try {
    model.setSolution({ indices: known, values: known.map((i) => start[i]!) })
  } catch {
    model.clearSolver()
  }
}

/** The program as sparse rows. */
function modelData(highs: Highs, { costs, most, isWhole, rows }: IntegerProgram) {
  const starts = [0]
  const indices: number[] = []
  const values: number[] = []
  for (const row of rows) {
    indices.push(...row.columns)
    values.push(...row.values)
    starts.push(indices.length)
  }
  const bounded = (value: number): number => (Number.isFinite(value) ? value : Math.sign(value) * highs.infinity)
  const { integer, continuous } = highs.constants.variableType
  return {
    numCols: costs.length,
    numRows: rows.length,
    colCost: Float64Array.from(costs),
    colLower: new Float64Array(costs.length),
    colUpper: Float64Array.from(most, bounded),
    rowLower: Float64Array.from(rows, ({ least }) => bounded(least)),
    rowUpper: Float64Array.from(rows, ({ most: each }) => bounded(each)),
    matrix: {
      format: 'csr' as const,
      numCols: costs.length,
      numRows: rows.length,
      starts: Int32Array.from(starts),
      indices: Int32Array.from(indices),
      values: Float64Array.from(values),
    },
    integrality: isWhole.map((whole) => (whole ? integer : continuous)),
  }
}
