import type { ModelDocument, Part } from '../model'
import type { Move, SectionPlan, StepLimits } from '../plan'
import { apply, DIRECTION_VECTORS, turnFromText, TURNS, type Vec } from '../space'
import { boxBetween, Geometry, obstacle, pressObstacle, union } from './geometry'
import type { ReplayedThing } from './things'
import { Table } from './table'

/** What of a printed plan is replayed. */
export interface PrintedPlan {
  readonly sections: readonly SectionPlan[]
}

/** What a step may ask of a reader where nothing else is said: the designer's usual, written down a second time. */
const USUAL_LIMITS: StepLimits = { parts: 8, kinds: 4, inAll: 16 }

/**
 * Replays a printed plan and names every breach of "buildable" 1, 2, 3 and 5, in words. Built afresh from the model and the
 * printed text, it trusts nothing the planner says.
 */
export function replay(model: ModelDocument, plan: PrintedPlan, limits: StepLimits = USUAL_LIMITS): string[] {
  const geometry = new Geometry(model)
  return plan.sections.flatMap((section) => [...replaySection(geometry, plan, section, limits), ...onceEach(model, plan, section)])
}

function baseOf(plan: PrintedPlan, section: SectionPlan): string {
  let at = section
  while (at.derivedFrom !== undefined) at = plan.sections.find((candidate) => candidate.id === at.derivedFrom)!
  return at.id
}

function thingsOf(geometry: Geometry, plan: PrintedPlan, section: SectionPlan, move: Move): ReplayedThing[] {
  const base = baseOf(plan, section)
  if ('parts' in move) return move.parts.flatMap((id) => geometry.part(base, id) ?? [])
  if ('copy' in move) return [geometry.copy(base, move.copy)!]
  const derived = plan.sections.find((candidate) => candidate.id === move.section)!
  return [
    union(
      move.section,
      derived.steps.flatMap((step) => step.moves.flatMap((inner) => thingsOf(geometry, plan, derived, inner))),
    ),
  ]
}

function directionOf(direction: Move['direction']): Vec {
  if (typeof direction !== 'string') return direction
  return DIRECTION_VECTORS[['+x', '-x', '+y', '-y', '+z', '-z'].indexOf(direction)]!
}

function replaySection(geometry: Geometry, plan: PrintedPlan, section: SectionPlan, limits: StepLimits): string[] {
  const breaches: string[] = []
  const table = new Table(geometry.holdsPressed)
  const place = plan.sections.indexOf(section)
  const base = baseOf(plan, section)
  section.steps.forEach((step, index) => {
    const where = `${section.id} step ${index + 1}`
    if (step.number !== index + 1) breaches.push(`${where}: numbered ${step.number}`)
    for (const move of step.moves) {
      const joined = 'section' in move ? move.section : 'copy' in move ? copyOf(geometry, base, move.copy).section : undefined
      if (joined !== undefined && plan.sections.findIndex((s) => s.id === joined) >= place)
        breaches.push(`${where}: ${joined} is not finished`)
      for (const thing of thingsOf(geometry, plan, section, move)) {
        // A section without parts is joined, but nothing moves.
        if (thing.boxes.length + thing.solids.length === 0) continue
        const direction = directionOf(move.direction)
        const near = table.near(thing, direction)
        const by =
          move.press === undefined ? obstacle(thing, direction, near) : pressObstacle(thing, direction, directionOf(move.press), near)
        if (by !== undefined) breaches.push(`${where}: ${thing.id} meets ${by} on its way along ${String(move.direction)}`)
        table.put(thing, index)
      }
    }
    breaches.push(...holdingBreaches(section, { index, table, standsApart: geometry.section(base).apart === true }))
    breaches.push(...limitBreaches(geometry, baseOf(plan, section), { id: section.id, step }, limits))
  })
  return breaches
}

const copyOf = (geometry: Geometry, base: string, id: string) => geometry.section(base).copies!.find((c) => c.id === id)!

interface LaidTable {
  readonly index: number
  readonly table: Table
  /** Nothing has to hold what stands on the table. */
  readonly standsApart: boolean
}

function holdingBreaches(section: SectionPlan, { index, table, standsApart }: LaidTable): string[] {
  const where = `${section.id} step ${index + 1}`
  const step = section.steps[index]!
  const isLast = index === section.steps.length - 1
  const breaches: string[] = []
  for (const group of table.looseGroups()) {
    const names = group.things.map((t) => t.id).join(', ')
    if (group.low > table.plane) breaches.push(`${where}: ${names} hangs in the air`)
    else if (standsApart) continue
    if (index - group.since >= 3 || isLast) breaches.push(`${where}: ${names} rests since step ${group.since + 1}`)
    if (group.since === index && !group.things.some((t) => step.rests.includes(t.id))) breaches.push(`${where}: ${names} rests unnamed`)
  }
  return breaches
}

function limitBreaches(
  geometry: Geometry,
  baseId: string,
  { id, step }: { readonly id: string; readonly step: SectionPlan['steps'][number] },
  limits: StepLimits,
): string[] {
  const base = geometry.section(baseId)
  const ids = step.moves.flatMap((move) => ('parts' in move ? move.parts : []))
  const parts = ids.map((id) => base.parts!.find((part) => part.id === id)!).filter((part) => part.at !== undefined)
  const breaches: string[] = []
  const where = `${id} step ${step.number}`
  if (new Set(parts.map((part) => `${part.shape} ${part.colour}`)).size > limits.kinds) breaches.push(`${where}: too many kinds`)
  if (parts.length > limits.inAll) breaches.push(`${where}: too many parts`)
  if (parts.length > limits.parts && leastRows(geometry, parts) > limits.parts) breaches.push(`${where}: too many rows of parts`)
  return breaches
}

/** Each like set once for every line along x or y it needs, whichever are fewer; lines broken by a gap count again. */
function leastRows(geometry: Geometry, parts: readonly Part[]): number {
  const sets = new Map<string, Part[]>()
  for (const part of parts) {
    const set = `${part.shape} ${part.colour} ${part.turn ?? ''} ${part.at![2]}`
    sets.set(set, [...(sets.get(set) ?? []), part])
  }
  let rows = 0
  for (const set of sets.values()) {
    const alongEach = ([0, 1] as const).map((along) => {
      const lines = new Map<number, number[]>()
      for (const part of set) lines.set(part.at![1 - along]!, [...(lines.get(part.at![1 - along]!) ?? []), part.at![along]])
      const size = geometry.catalogue.shapes.get(set[0]!.shape)!.box
      const turned = boxBetween([0, 0, 0], apply(TURNS[turnFromText(set[0]!.turn ?? '+x+y')!]!, size))
      const length = turned.max[along] - turned.min[along]
      return [...lines.values()].reduce((sum, starts) => {
        starts.sort((a, b) => a - b)
        const gaps = starts.slice(1).map((s, i) => s - starts[i]!)
        const isEven = gaps.length > 1 && new Set(gaps).size === 1
        return sum + (isEven ? 1 : 1 + gaps.filter((gap) => gap !== length).length)
      }, 0)
    })
    rows += Math.min(...alongEach)
  }
  return rows
}

function onceEach(model: ModelDocument, plan: PrintedPlan, section: SectionPlan): string[] {
  if (section.derivedFrom !== undefined) return []
  const own = plan.sections.filter((candidate) => baseOf(plan, candidate) === section.id)
  const counts = new Map<string, number>()
  for (const candidate of own)
    for (const step of candidate.steps)
      for (const move of step.moves) {
        const ids = 'parts' in move ? move.parts : ['copy' in move ? move.copy : move.section]
        for (const id of ids) counts.set(id, (counts.get(id) ?? 0) + 1)
      }
  const base = model.sections.find((candidate) => candidate.id === section.id)!
  const wanted = [...(base.parts ?? []), ...(base.copies ?? [])].map((entry) => entry.id)
  wanted.push(...own.filter((candidate) => candidate !== section).map((candidate) => candidate.id))
  return wanted.filter((id) => counts.get(id) !== 1).map((id) => `${section.id}: ${id} is added ${counts.get(id) ?? 0} times`)
}
