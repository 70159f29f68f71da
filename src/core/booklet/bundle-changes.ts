import type { Bundle } from './bundle'

/** A number of something, in an older version of a booklet and in a newer one. */
interface WasAndIs {
  readonly was: number
  readonly is: number
}

/** What differs between two versions of a booklet; what is as it was is not named. */
export interface BundleChanges {
  /** Sections of the plan whose number of steps changed; a section that is not there has none. */
  readonly steps: readonly ({ readonly section: string } & WasAndIs)[]
  /** Ids of sections of the plan. */
  readonly sections: { readonly added: readonly string[]; readonly removed: readonly string[] }
  readonly pieces: readonly ({ readonly shape: string; readonly colour: string } & WasAndIs)[]
}

/** Nothing is changed: said of a first version. */
export const NO_CHANGES: BundleChanges = { steps: [], sections: { added: [], removed: [] }, pieces: [] }

/** What a builder who has one version must know of the next. Sections and pieces stand in the newer one's order, what is gone last. */
export function bundleChanges(before: Bundle, after: Bundle): BundleChanges {
  const steps = numbersThatDiffer(stepsOf(before), stepsOf(after))
  const pieces = numbersThatDiffer(piecesOf(before), piecesOf(after))
  const had = new Set(before.plan.sections.map(({ id }) => id))
  const has = new Set(after.plan.sections.map(({ id }) => id))
  return {
    steps: steps.map(([section, numbers]) => ({ section, ...numbers })),
    sections: { added: [...has].filter((id) => !had.has(id)), removed: [...had].filter((id) => !has.has(id)) },
    pieces: pieces.map(([key, numbers]) => {
      const [shape, colour] = JSON.parse(key) as [string, string]
      return { shape, colour, ...numbers }
    }),
  }
}

const stepsOf = ({ plan }: Bundle): Map<string, number> => new Map(plan.sections.map(({ id, steps }) => [id, steps.length]))

/** Pieces of one shape and colour together, whatever their length and the work done to them. */
function piecesOf({ plan }: Bundle): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { shape, colour, count } of plan.inventory) {
    const key = JSON.stringify([shape, colour])
    counts.set(key, (counts.get(key) ?? 0) + count)
  }
  return counts
}

function numbersThatDiffer(before: ReadonlyMap<string, number>, after: ReadonlyMap<string, number>): [string, WasAndIs][] {
  const keys = new Set([...after.keys(), ...before.keys()])
  return [...keys]
    .map((key): [string, WasAndIs] => [key, { was: before.get(key) ?? 0, is: after.get(key) ?? 0 }])
    .filter(([, { was, is }]) => was !== is)
}
