import { total, type PieceCount } from '../count'
import { catalogueOf, type BagBegin, type BagWeights, type ModelDocument } from '../model'
import type { ModelPlan } from '../plan'
import { atomsOf, workOfAtoms, type Atom } from './atoms'
import { atomsAt } from './begins'
import { shareOut } from './booklets'
import { LookAlikes } from './look-alikes'
import { packAtoms, packBetween } from './pack'
import { trayOfWork, workSections, type BagWork } from './work'

interface Bag {
  readonly number: number
  readonly booklet: number
  readonly work: readonly BagWork[]
  readonly tray: readonly PieceCount[]
  readonly pieces: number
}

interface BagBooklet {
  readonly number: number
  /** Ids of sections, in building order. */
  readonly sections: readonly string[]
  /** Numbers of its bags. */
  readonly bags: readonly number[]
  /** Ids of the copies that are joined in it. */
  readonly joins: readonly string[]
}

export interface BagPlan {
  readonly bags: readonly Bag[]
  readonly booklets: readonly BagBooklet[]
  readonly measures: {
    /** Pieces of the largest bag, and of one in the mean. */
    readonly largest: number
    readonly mean: number
    /** Pairs of kinds in one bag that are taken for each other. */
    readonly lookAlikes: number
    readonly sectionsPerBag: number
  }
}

export interface BagOptions {
  /** In one bag at most, unless one step takes more. */
  readonly pieces: number
  /** How many people build at the same time. */
  readonly booklets: number
  readonly weights?: Partial<BagWeights>
  /** Where the designer has bags begin. */
  readonly begins?: readonly BagBegin[]
}

/** Which steps come out of which bag: building bag after bag never needs what a later one brings. */
export function packBags(model: ModelDocument, plan: ModelPlan, options: BagOptions): BagPlan {
  const bags: Bag[] = []
  const { rows, alike, sections } = packRows(model, plan, options)
  const booklets = rows.map(({ ids, atoms, starts }, i): BagBooklet => {
    const first = bags.length
    starts.forEach((start, k) => {
      const work = workOfAtoms(atoms.slice(start, starts[k + 1]))
      const tray = trayOfWork(model, sections, work)
      bags.push({ number: bags.length + 1, booklet: i + 1, work, tray, pieces: total(tray) })
    })
    return {
      number: i + 1,
      sections: ids,
      bags: bags.slice(first).map(({ number }) => number),
      joins: ids.flatMap((id) => sections.get(id)!.copies),
    }
  })
  return { bags, booklets, measures: measuresOf(bags, alike) }
}

/** The row of atoms of one booklet, cut into bags. */
export interface PackedRow {
  /** Of its sections. */
  readonly ids: readonly string[]
  readonly atoms: readonly Atom[]
  /** Numbers of the first atom of each bag. */
  readonly starts: readonly number[]
}

/** The rows of all booklets, each cut into bags. */
export function packRows(model: ModelDocument, plan: ModelPlan, { pieces: most, booklets, weights, begins = [] }: BagOptions) {
  const sections = workSections(model, plan)
  const alike = new LookAlikes(catalogueOf(model))
  const packing = { most, alike, ...(weights ? { weights } : {}) }
  const rows = shareOut(sections, model.root, booklets).map((ids): PackedRow => {
    const atoms = atomsOf(ids, sections, most)
    const trays = atoms.map(({ work }) => trayOfWork(model, sections, work))
    const asked = atomsAt(atoms, begins)
    const starts = asked.length === 0 ? packAtoms(atoms, trays, packing) : packBetween(atoms, trays, asked, packing)
    return { ids, atoms, starts }
  })
  return { rows, alike, sections }
}

function measuresOf(bags: readonly Bag[], alike: LookAlikes): BagPlan['measures'] {
  const sum = (of: (bag: Bag) => number): number => bags.reduce((all, bag) => all + of(bag), 0)
  const mean = (of: (bag: Bag) => number): number => (bags.length === 0 ? 0 : Number((sum(of) / bags.length).toFixed(3)))
  return {
    largest: Math.max(0, ...bags.map(({ pieces }) => pieces)),
    mean: mean(({ pieces }) => pieces),
    lookAlikes: sum(({ tray }) => alike.pairs(tray)),
    sectionsPerBag: mean(({ work }) => new Set(work.map(({ section }) => section)).size),
  }
}
