import type { Section } from '../model'
import type { Scene } from '../scene'
import type { Precedence } from './precede'

/** Steps that stay as they are while the rest is planned: their nodes come one right after another, in a step of their own. */
export interface Locks {
  /** Nodes of each locked step, in order. */
  readonly steps: readonly (readonly number[])[]
  /** Of each node its locked step, −1 for none. */
  readonly of: Int32Array
}

/** A locked step that cannot be kept, and what would have to come in its middle (or which unit holds its parts). */
export interface LostLock {
  readonly ids: readonly string[]
  readonly because: readonly string[]
}

export interface FoundLocks {
  readonly locks: Locks | undefined
  readonly lost: readonly LostLock[]
}

/** The locked steps of a section that its order of parts allows. */
export function findLocks(section: Section, scene: Scene, order: Precedence): FoundLocks {
  const given = section.planRest === true ? (section.steps ?? []).filter((step) => step.locked === true) : []
  if (given.length === 0) return { locks: undefined, lost: [] }
  const nodeOf = new Map(scene.nodes.map((spec, node) => [spec.id, node]))
  const lost: LostLock[] = []
  const kept: number[][] = []
  for (const step of given) {
    const ids = [...(step.add ?? []), ...(step.join ?? [])]
    const nodes = ids.map((id) => nodeOf.get(id))
    const units = scene.nodes.filter((spec) => spec.kind === 'derived' && spec.parts.some(({ part, path }) => isOneOf(ids, part.id, path)))
    if (nodes.includes(undefined)) lost.push({ ids, because: units.map((spec) => spec.id) })
    else if (ids.length > 0) kept.push(inOrder(nodes as number[], order))
  }
  for (;;) {
    const locks: Locks = { steps: kept, of: lockOfNodes(kept, scene.nodes.length) }
    const broken = findBroken(locks, order)
    if (!broken) return { locks: kept.length > 0 ? locks : undefined, lost }
    const name = (node: number): string => scene.nodes[node]!.id
    lost.push({ ids: kept[broken.lock]!.map(name), because: broken.between.map(name) })
    kept.splice(broken.lock, 1)
  }
}

const isOneOf = (ids: readonly string[], part: string, path: string): boolean =>
  ids.includes(part) || ids.some((id) => path.startsWith(`${id}/`))

function lockOfNodes(steps: readonly (readonly number[])[], count: number): Int32Array {
  const of = new Int32Array(count).fill(-1)
  steps.forEach((nodes, lock) => nodes.forEach((node) => (of[node] = lock)))
  return of
}

/** The nodes as listed, but each after those of the list that it waits for. */
function inOrder(nodes: readonly number[], { after }: Precedence): number[] {
  const left = new Set(nodes)
  const ordered: number[] = []
  while (left.size > 0) {
    const waits = new Set([...left].flatMap((node) => after[node]!))
    const next = [...left].find((node) => !waits.has(node)) ?? [...left][0]!
    ordered.push(next)
    left.delete(next)
  }
  return ordered
}

/** A locked step that something outside must come into the middle of: after one of its nodes and before another. */
function findBroken({ steps, of }: Locks, { after }: Precedence): { lock: number; between: number[] } | undefined {
  for (let lock = 0; lock < steps.length; lock++) {
    const seen = new Set<number>()
    const queue: number[] = []
    const reach = (node: number): void => {
      // Going through another locked step means going through all of it.
      const group = of[node]! >= 0 ? steps[of[node]!]! : [node]
      for (const member of group) {
        if (seen.has(member)) continue
        seen.add(member)
        queue.push(member)
      }
    }
    for (const member of steps[lock]!) for (const next of after[member]!) if (of[next] !== lock) reach(next)
    for (const node of queue) {
      for (const next of after[node]!) {
        if (of[next] === lock) return { lock, between: [node] }
        reach(next)
      }
    }
  }
  return undefined
}
