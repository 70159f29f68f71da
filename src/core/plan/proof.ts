import { HOLD, type HoldKind } from '../catalogue'
import { reverseTravel, type Travel } from '../motion'
import type { Direction } from '../space'
import type { BuiltSection } from './built'

/** What one holds the other by. */
export interface Hold {
  readonly id: string
  /** How many studs, or clips, holes, balls … */
  readonly studs: number
  /** The sort, where it is not studs. */
  readonly by?: HoldKind
}

/** Why a part, copy or unit can go in where its step says: what a builder could check by hand. */
export interface Proof {
  readonly id: string
  readonly kind: 'part' | 'copy' | 'derived'
  /** Shape of a part, section of a copy. */
  readonly source: string
  /** Where it leaves to: the side it comes in from. */
  readonly from: Travel
  /** It slides in lifted and is pressed home along this. */
  readonly press?: Direction
  /** What was there and holds it. */
  readonly holds: readonly Hold[]
  /** It lies on the table, since nothing holds it yet. */
  readonly rests: boolean
  /** What had to be in before: it lies on the way in, or closes a joint across it. */
  readonly waitedFor: readonly string[]
  /** What must not be in yet: it would stand in the way. */
  readonly mustPrecede: readonly string[]
}

/** The proofs of one step (from 0), in the order of its moves. A given step has no waits, since nothing was planned. */
export function proveStep(built: BuiltSection, step: number): Proof[] {
  const place = new Map<number, number>()
  let count = 0
  for (const nodes of built.steps.slice(0, step + 1)) for (const node of nodes) place.set(node, count++)
  const before = waitsOf(built, built.steps[step] ?? [])
  return (built.steps[step] ?? []).map((node) => {
    const { id, kind, source } = built.scene.nodes[node]!
    const present = (other: number): boolean => (place.get(other) ?? Infinity) < place.get(node)!
    const holds = holdsOf(built, node).filter(({ other }) => present(other))
    const name = (other: number): string => built.scene.nodes[other]!.id
    return {
      id,
      kind,
      source,
      from: reverseTravel(built.arrives[node]!),
      ...(built.presses.has(node) ? { press: built.presses.get(node)! } : {}),
      holds: holds.map(({ other, studs, by }) => ({ id: name(other), studs, ...(by === HOLD.stud ? {} : { by }) })),
      rests: holds.length === 0,
      waitedFor: (before.get(node) ?? []).map(name),
      mustPrecede: (built.frame?.order.after[node] ?? []).map(name),
    }
  })
}

function holdsOf({ joints }: BuiltSection, node: number): { other: number; studs: number; by: HoldKind }[] {
  const { start, list, joint } = joints.adjacency
  const found = new Map<string, { other: number; studs: number; by: HoldKind }>()
  for (let k = start[node]!; k < start[node + 1]!; k++) {
    const other = list[k]!
    const { studs, hold } = joints.list[joint[k]!]!
    const known = found.get(`${other} ${hold}`)
    if (known) known.studs += studs
    else found.set(`${other} ${hold}`, { other, studs, by: hold })
  }
  return [...found.values()]
}

/** For each of some nodes, those it waited for. */
function waitsOf({ frame }: BuiltSection, nodes: readonly number[]): Map<number, number[]> {
  const asked = new Set(nodes)
  const waits = new Map<number, number[]>()
  frame?.order.after.forEach((list, first) => {
    for (const then of list) {
      if (!asked.has(then)) continue
      const known = waits.get(then)
      if (known) known.push(first)
      else waits.set(then, [first])
    }
  })
  return waits
}
