import type { BagBegin, ModelDocument } from '../model'
import type { ModelPlan } from '../plan'
import { workOfAtoms, type Atom } from './atoms'
import { packRows, type BagOptions, type PackedRow } from './bags'
import { beginsOf } from './begins'
import { fitsInBag } from './pack'

/** Work that goes to the bag before or after: from a run of steps on to that end, or the outermost step alone. */
export interface WorkMove {
  /** Number of the bag. */
  readonly bag: number
  readonly to: 'before' | 'after'
  /** Number of the run in the bag's work, from 0; one step where missing. */
  readonly run?: number
}

/** Where bags begin after a move; or why it cannot be made. */
export type MovedWork = { readonly begins: readonly BagBegin[] } | { readonly refused: string }

/**
 * Moves work to a neighbour: the order of steps stays, so the run of a bag takes along what lies between it and the neighbour. A bag
 * from which everything goes is gone.
 */
export function moveWork(model: ModelDocument, plan: ModelPlan, options: BagOptions, move: WorkMove): MovedWork {
  const { rows } = packRows(model, plan, options)
  let first = 1
  for (const row of rows) {
    const bag = move.bag - first
    first += row.starts.length
    if (bag < 0 || bag >= row.starts.length) continue
    const starts = movedStarts(row, bag, move)
    if (!starts) return { refused: `There is no bag ${move.to} it for the same builder.` }
    const [low, high] = move.to === 'before' ? [bag - 1, bag] : [bag, bag + 1]
    const from = row.starts[low]!
    const end = row.starts[high + 1] ?? row.atoms.length
    const bounds = [from, ...starts.filter((start) => start > from && start < end), end]
    const large = bounds
      .slice(0, -1)
      .map((at, i) => row.atoms.slice(at, bounds[i + 1]))
      .find((atoms) => !fitsInBag(atoms, options.pieces))
    if (large) return { refused: `The bag would hold ${sizeOf(large)} pieces, and ${options.pieces} at most are asked for.` }
    return { begins: rows.flatMap((each) => beginsAt(each, each === row ? starts : each.starts)) }
  }
  return { refused: `There is no bag ${move.bag}.` }
}

const sizeOf = (atoms: readonly Atom[]): number => atoms.reduce((sum, { pieces }) => sum + pieces, 0)

/** The starts of a row after a move; undefined where there is no neighbour on that side. */
function movedStarts({ atoms, starts }: PackedRow, bag: number, { to, run }: WorkMove): number[] | undefined {
  const start = starts[bag]!
  const end = starts[bag + 1] ?? atoms.length
  if (to === 'before') {
    if (bag === 0) return undefined
    const next = run === undefined ? start + 1 : start + atomsOfRuns(atoms.slice(start, end), run + 1)
    return starts.flatMap((at, i) => (i === bag ? (next < end ? [next] : []) : [at]))
  }
  if (bag === starts.length - 1) return undefined
  const next = run === undefined ? end - 1 : start + atomsOfRuns(atoms.slice(start, end), run)
  return starts.flatMap((at, i) => (i === bag + 1 ? (next > start ? [next] : []) : [at]))
}

/** How many atoms make the first so many runs of a bag. */
function atomsOfRuns(atoms: readonly Atom[], runs: number): number {
  const wanted = JSON.stringify(workOfAtoms(atoms).slice(0, runs))
  for (let count = atoms.length; count > 0; count--) if (JSON.stringify(workOfAtoms(atoms.slice(0, count))) === wanted) return count
  return 0
}

function beginsAt({ atoms }: PackedRow, starts: readonly number[]): BagBegin[] {
  const begins = beginsOf(atoms)
  return starts.flatMap((start) => begins[start] ?? [])
}
