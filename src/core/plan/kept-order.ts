import { reverseTravel, type Travel } from '../motion'
import { directionFromText } from '../space'
import type { NodeSpec, Scene } from '../scene'
import type { Removal } from './peel'
import type { Frame } from './schedule'
import type { Move, SectionPlan } from './types'

/**
 * An order that a designer has seen stays: a printed plan is read back as a peel and its schedule. Everything between is
 * done as for a new plan, so a kept order that the rules no longer allow is found out and given up.
 */

const travelOf = (move: Move): Travel => (typeof move.direction === 'string' ? directionFromText(move.direction)! : move.direction)

/**
 * What leaves, in the order of taking apart, as a printed plan tells it; undefined where that does not bring exactly what is there.
 * Loose parts have no node and are passed over.
 */
export function removalsOfKept(plan: SectionPlan, all: readonly SectionPlan[], specs: readonly NodeSpec[]): readonly Removal[] | undefined {
  const nodeOf = new Map(specs.map((spec, node) => [spec.id, node]))
  const plans = new Map(all.map((section) => [section.id, section]))
  const removals: Removal[] = []
  const seen = new Set<number>()
  const take = (ids: readonly string[], move: Move, unit?: string): void => {
    const nodes = ids.flatMap((id) => nodeOf.get(id) ?? [])
    if (nodes.length === 0) return
    nodes.forEach((node) => seen.add(node))
    const press = move.press === undefined ? undefined : directionFromText(move.press)
    const way = { travel: reverseTravel(travelOf(move)), ...(press === undefined ? {} : { press }) }
    removals.push({ nodes, ...way, ...(unit === undefined ? {} : { unit }) })
  }
  let count = 0
  for (const step of plan.steps) {
    for (const move of step.moves) {
      if ('parts' in move) for (const id of move.parts) take([id], move)
      else if ('copy' in move) take([move.copy], move)
      else take(idsIn(move.section, plans), move, move.section)
    }
  }
  for (const removal of removals) count += removal.nodes.length
  if (count !== specs.length || seen.size !== specs.length) return undefined
  return removals.reverse()
}

/** All parts and copies that a derived section brings, those of its own derived sections included. */
function idsIn(id: string, plans: ReadonlyMap<string, SectionPlan>, open = new Set<string>()): string[] {
  const plan = plans.get(id)
  if (!plan || open.has(id)) return []
  open.add(id)
  return plan.steps.flatMap((step) =>
    step.moves.flatMap((move) => ('parts' in move ? move.parts : 'copy' in move ? [move.copy] : idsIn(move.section, plans, open))),
  )
}

/** The nodes of each step; steps of loose parts alone are left out. */
export function nodesOfSteps(plan: SectionPlan, scene: Scene): number[][] {
  const nodeOf = new Map(scene.nodes.map((spec, node) => [spec.id, node]))
  const steps = plan.steps.map((step) =>
    step.moves
      .flatMap((move) => ('parts' in move ? move.parts : ['copy' in move ? move.copy : move.section]))
      .flatMap((id) => nodeOf.get(id) ?? []),
  )
  return steps.filter((nodes) => nodes.length > 0)
}

/** Whether steps keep what directions alone demand, and each locked step in one piece. */
export function obeys(steps: readonly (readonly number[])[], { order, locks, scene }: Frame): boolean {
  const place = new Int32Array(scene.nodes.length)
  const stepOf = new Int32Array(scene.nodes.length)
  let at = 0
  steps.forEach((nodes, step) => {
    for (const node of nodes) {
      place[node] = at++
      stepOf[node] = step
    }
  })
  if (at !== scene.nodes.length) return false
  const isOrdered = order.after.every((list, first) => list.every((then) => place[first]! < place[then]!))
  const isWhole = (nodes: readonly number[]): boolean =>
    nodes.every((node) => stepOf[node] === stepOf[nodes[0]!]) && steps[stepOf[nodes[0]!]!]!.length === nodes.length
  return isOrdered && (locks?.steps ?? []).every(isWhole)
}
