import { total, type PieceCount } from '../count'
import { catalogueOf, type ModelDocument } from '../model'
import type { ModelPlan } from '../plan'
import { atomsOf, workOfAtoms } from './atoms'
import { shareOut } from './booklets'
import { LookAlikes } from './look-alikes'
import { packAtoms, type BagWeights } from './pack'
import { trayOfWork, workSections, type BagWork, type WorkSection } from './work'

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
  readonly weights?: BagWeights
}

/** Which steps come out of which bag: building bag after bag never needs what a later one brings. */
export function packBags(model: ModelDocument, plan: ModelPlan, { pieces: most, booklets, weights }: BagOptions): BagPlan {
  const sections = workSections(model, plan)
  const alike = new LookAlikes(catalogueOf(model))
  const bags: Bag[] = []
  const printed = shareOut(sections, model.root, booklets).map((ids, i): BagBooklet => {
    const first = bags.length
    const booklet = i + 1
    for (const work of packedWork(ids, sections, model, { most, alike, ...(weights ? { weights } : {}) })) {
      const tray = trayOfWork(model, sections, work)
      bags.push({ number: bags.length + 1, booklet, work, tray, pieces: total(tray) })
    }
    return {
      number: booklet,
      sections: ids,
      bags: bags.slice(first).map(({ number }) => number),
      joins: ids.flatMap((id) => sections.get(id)!.copies),
    }
  })
  return { bags, booklets: printed, measures: measuresOf(bags, alike) }
}

function packedWork(
  ids: readonly string[],
  sections: ReadonlyMap<string, WorkSection>,
  model: ModelDocument,
  packing: { readonly most: number; readonly alike: LookAlikes; readonly weights?: BagWeights },
): BagWork[][] {
  const atoms = atomsOf(ids, sections, packing.most)
  const trays = atoms.map(({ work }) => trayOfWork(model, sections, work))
  const starts = packAtoms(atoms, trays, packing)
  return starts.map((start, i) => workOfAtoms(atoms.slice(start, starts[i + 1])))
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
