import { pieceKey, type PieceCount } from '../count'
import type { BagWeights } from '../model'
import type { Atom } from './atoms'
import type { LookAlikes } from './look-alikes'

export const USUAL_WEIGHTS: BagWeights = { bag: 12, split: 10, lookAlike: 20, uneven: 1 }

export interface Packing {
  /** Pieces in a bag. */
  readonly most: number
  readonly alike: LookAlikes
  readonly weights?: Partial<BagWeights>
}

/** The same with some bags that begin where they are told: what lies between is one bag where it fits, and is cut where it does not. */
export function packBetween(
  atoms: readonly Atom[],
  trays: readonly (readonly PieceCount[])[],
  begins: readonly number[],
  packing: Packing,
): number[] {
  const ends = [...new Set([0, ...begins, atoms.length])].sort((a, b) => a - b)
  return ends.slice(0, -1).flatMap((from, i) => {
    const to = ends[i + 1]!
    if (fitsInBag(atoms.slice(from, to), packing.most)) return [from]
    return packAtoms(atoms.slice(from, to), trays.slice(from, to), packing).map((start) => from + start)
  })
}

/** Within the limit, or one that is larger with what takes no pieces. */
export const fitsInBag = (atoms: readonly Atom[], most: number): boolean =>
  atoms.reduce((sum, { pieces }) => sum + pieces, 0) <= most || atoms.filter(({ pieces }) => pieces > 0).length <= 1

/**
 * Cuts a row of atoms into bags of so many pieces at most, at least cost. One atom that is larger has a bag of its own, with what
 * takes no pieces. There are never more than twice the bags that the pieces need, and one.
 *
 * @param trays the pieces of each atom
 * @returns the number of the first atom of each bag
 */
export function packAtoms(
  atoms: readonly Atom[],
  trays: readonly (readonly PieceCount[])[],
  { most, alike, weights: asked }: Packing,
): number[] {
  if (atoms.length === 0) return []
  const weights = { ...USUAL_WEIGHTS, ...asked }
  const pieces = atoms.reduce((sum, atom) => sum + atom.pieces, 0)
  const bagsMost = 2 * Math.ceil(pieces / most) + 1
  const kinds = new KindTable(trays, alike)
  for (let dearer = 1; dearer < 1000; dearer *= 4) {
    const starts = cheapestCuts(atoms, kinds, most, { ...weights, bag: weights.bag * dearer })
    if (starts.length <= bagsMost) return starts
  }
  return filledOneByOne(atoms, most)
}

/** Dynamic programming over the last cut, exact for the row (Bellman 1954, "The theory of dynamic programming"). */
function cheapestCuts(atoms: readonly Atom[], kinds: KindTable, most: number, weights: BagWeights): number[] {
  const count = atoms.length
  const pieces = atoms.reduce((sum, atom) => sum + atom.pieces, 0)
  const mean = Math.max(1, pieces / Math.max(1, Math.ceil(pieces / most)))
  const best = new Float64Array(count + 1).fill(Infinity)
  const from = new Int32Array(count + 1)
  best[0] = 0
  for (let end = 1; end <= count; end++) {
    let [sum, filling] = [0, 0]
    const kindsOfBag = kinds.window()
    const split = end < count && !atoms[end - 1]!.isLast ? weights.split : 0
    for (let start = end - 1; start >= 0; start--) {
      sum += atoms[start]!.pieces
      if (atoms[start]!.pieces > 0) filling++
      if (sum > most && filling > 1) break
      const cost =
        best[start]! + weights.bag + split + weights.lookAlike * kindsOfBag.add(start) + (weights.uneven * (sum - mean) ** 2) / mean
      if (cost >= best[end]!) continue
      best[end] = cost
      from[end] = start
    }
  }
  const starts: number[] = []
  for (let end = count; end > 0; end = from[end]!) starts.unshift(from[end]!)
  return starts
}

/** Each bag takes what comes next as long as it fits: any two neighbours hold more than one bag could. */
function filledOneByOne(atoms: readonly Atom[], most: number): number[] {
  const starts = [0]
  let sum = 0
  atoms.forEach(({ pieces }, i) => {
    if (sum > 0 && sum + pieces > most) {
      starts.push(i)
      sum = 0
    }
    sum += pieces
  })
  return starts
}

/** Kinds of pieces by number, and which are taken for each other. */
class KindTable {
  private readonly numbers: readonly (readonly number[])[]
  private readonly alike: (readonly number[])[]

  constructor(trays: readonly (readonly PieceCount[])[], alike: LookAlikes) {
    const known = new Map<string, number>()
    const kinds: PieceCount[] = []
    this.numbers = trays.map((tray) =>
      tray.map((piece) => {
        const key = pieceKey(piece)
        let number = known.get(key)
        if (number === undefined) known.set(key, (number = kinds.push(piece) - 1))
        return number
      }),
    )
    this.alike = kinds.map((kind) => kinds.flatMap((other, i) => (other !== kind && alike.areAlike(kind, other) ? [i] : [])))
  }

  /** The kinds of a growing row of atoms. */
  window(): { add(atom: number): number } {
    const there = new Set<number>()
    let pairs = 0
    return {
      add: (atom) => {
        for (const kind of this.numbers[atom]!) {
          if (there.has(kind)) continue
          for (const other of this.alike[kind]!) if (there.has(other)) pairs++
          there.add(kind)
        }
        return pairs
      },
    }
  }
}
