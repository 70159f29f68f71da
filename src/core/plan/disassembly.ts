import { findJoints, jointsOf, neighboursOf } from '../joints'
import { Flattener, isLoose, partsOf, sectionById, type GivenStep, type ModelDocument } from '../model'
import { isAlong, pressBlocker, PRESSES, SpaceLeft, travelVector, waysAlong, type Travel } from '../motion'
import { buildScene, sectionNodes, type Scene } from '../scene'
import { boxesMeet, DIRECTIONS, MINUS_X, MINUS_Y, MINUS_Z, PLUS_X, PLUS_Y, PLUS_Z, vecOf, type Box, type Direction } from '../space'
import { CutOffSearch } from './cut-off'
import { broughtBySteps } from './derived-sections'
import { peelWell } from './section-plan'
import type { SectionPlan } from './types'

/** Something that came off: which nodes, by id, and which way they went. */
export interface TakenOff {
  readonly ids: readonly string[]
  readonly travel: Travel
  /** It was lifted off its studs first: it is pressed home along this. */
  readonly press?: Direction
  /** What nothing holds to the rest any more, now that it is gone. */
  readonly loosened: readonly string[]
}

/** Why something cannot come off: of each way what is in it, and what holds it whichever way it is pulled. */
export interface Stuck {
  readonly ways: readonly { readonly travel: Travel; readonly by: readonly string[] }[]
  readonly heldBy: readonly string[]
}

export type TakeAnswer = { readonly kind: 'off'; readonly taken: TakenOff } | ({ readonly kind: 'stuck' } & Stuck)

const UPWARD_FIRST: readonly Direction[] = [PLUS_Z, MINUS_Y, PLUS_Y, PLUS_X, MINUS_X, MINUS_Z]

/** A finished section that a person takes apart, one thing after another; read backwards it is the order in which it is built. */
export class Disassembly {
  readonly scene: Scene
  private readonly space: SpaceLeft
  private readonly cutOffs: CutOffSearch
  private readonly numberOf: ReadonlyMap<string, number>
  private readonly done: TakenOff[] = []
  /** Of what is planned the step it comes in with. */
  private readonly plannedStep = new Map<string, number>()
  /** What the planner would take off, from the first to the last; made when it is first asked for. */
  private peel: readonly (readonly number[])[] | undefined
  /** So many of those at its beginning are off: they need not be asked again. */
  private gone = 0

  /** @param planned what is suggested, from the first thing to the last; left out: what the peel finds */
  constructor(model: ModelDocument, sectionId: string, planned?: readonly PlannedRemoval[]) {
    this.scene = buildScene(sectionNodes(model, new Flattener(model), sectionId))
    this.space = new SpaceLeft(this.scene, findJoints(this.scene))
    this.numberOf = new Map(this.scene.nodes.map(({ id }, node) => [id, node]))
    this.peel = planned?.map(({ ids }) => ids.flatMap((id) => this.numberOf.get(id) ?? []))
    planned?.forEach(({ ids, step }) => ids.forEach((id) => this.plannedStep.set(id, step)))
    const floor = this.scene.nodeBoxes.reduce((low, { min }) => Math.min(low, min[2]), Infinity)
    this.cutOffs = new CutOffSearch(
      this.space,
      Uint8Array.from(this.scene.nodeBoxes, ({ min }) => (min[2] === floor ? 1 : 0)),
    )
  }

  /** From the first thing taken off to the last. */
  get taken(): readonly TakenOff[] {
    return this.done
  }

  /** How many nodes are still there. */
  get left(): number {
    return this.space.count
  }

  isThere(id: string): boolean {
    const node = this.numberOf.get(id)
    return node !== undefined && this.space.isThere[node] === 1
  }

  /** Takes nodes off as one, if hands could; else nothing changes and the reason is told. */
  take(ids: readonly string[]): TakeAnswer {
    const nodes = ids.flatMap((id) => (this.isThere(id) ? [this.numberOf.get(id)!] : []))
    if (nodes.length === 0) return { kind: 'stuck', ways: [], heldBy: [] }
    const way = this.wayOff(nodes)
    if (!way) return { kind: 'stuck', ...this.whyStuck(nodes) }
    const loosened = this.cutOffs.find(nodes).flatMap((group) => (group.touchesFloor ? [] : group.nodes.map((node) => this.idOf(node))))
    for (const node of nodes) this.space.remove(node)
    const taken: TakenOff = { ids: nodes.map((node) => this.idOf(node)), ...way, loosened }
    this.done.push(taken)
    return { kind: 'off', taken }
  }

  /** Puts back what came off last. O(nodes). */
  putBack(): TakenOff | undefined {
    const last = this.done.pop()
    if (!last) return undefined
    this.gone = 0
    this.space.restore()
    for (const { ids } of this.done) for (const id of ids) this.space.remove(this.numberOf.get(id)!)
    return last
  }

  /** What the planner would take off next: one node, or a few that only come off as one. Nothing where all is off or stuck. */
  suggest(): readonly string[] | undefined {
    if (this.left === 0) return undefined
    this.peel ??= peelWell(new SpaceLeft(this.scene, this.space.joints), () => undefined).map(({ nodes }) => nodes)
    for (let i = this.gone; i < this.peel.length; i++) {
      const there = this.peel[i]!.filter((node) => this.space.isThere[node] === 1)
      if (there.length === 0 && i === this.gone) this.gone++
      if (there.length > 0 && this.wayOff(there)) return there.map((node) => this.idOf(node))
    }
    return undefined
  }

  private readonly idOf = (node: number): string => this.scene.nodes[node]!.id

  private wayOff(nodes: readonly number[]): { travel: Travel; press?: Direction } | undefined {
    const travel = this.travelsOf(nodes).find((each) => this.space.groupBlocker(nodes, each) < 0)
    if (travel !== undefined) return { travel }
    if (nodes.length > 1 || this.scene.freeBodies.length > 0) return undefined
    const pressed = PRESSES.find(({ out, press }) => pressBlocker(this.space, nodes[0]!, out, press) < 0)
    return pressed && { travel: pressed.out, press: pressed.press }
  }

  /** The six directions, upward first, or along a joint that does not lie in the lattice. */
  private travelsOf(nodes: readonly number[]): readonly Travel[] {
    const isOutside = (node: number): boolean => !nodes.includes(node)
    for (const node of nodes) {
      const free = jointsOf(this.space.joints, node).find(
        ({ lets, a, b }) => lets === 0 && isOutside(a === node ? b : a) && this.space.isThere[a === node ? b : a] === 1,
      )
      if (free) return waysAlong(free)
    }
    return UPWARD_FIRST
  }

  private whyStuck(nodes: readonly number[]): Stuck {
    const { space } = this
    const isOther = (node: number): boolean => space.isThere[node] === 1 && !nodes.includes(node)
    const holders = new Set<string>()
    for (const node of nodes) {
      for (const joint of jointsOf(space.joints, node)) {
        const other = joint.a === node ? joint.b : joint.a
        if (isOther(other) && !isAlong(joint, PLUS_Z)) holders.add(this.idOf(other))
      }
    }
    const ways = DIRECTIONS.map((travel) => {
      const by = new Set<string>()
      space.eachBlocker(nodes, travel, (other) => isOther(other) && by.add(this.idOf(other)))
      return { travel, by: [...by] }
    })
    return { ways: ways.sort((a, b) => a.by.length - b.by.length), heldBy: [...holders] }
  }

  /** Whether two come in with one step of the plan. */
  arePlannedTogether(one: TakenOff, other: TakenOff): boolean {
    const step = this.plannedStep.get(one.ids[0]!)
    return step !== undefined && step === this.plannedStep.get(other.ids[0]!)
  }

  /** Whether two that came off one after the other may come in as one step: alike, side by side, neither holding the other. */
  areAlikeApart(one: TakenOff, other: TakenOff): boolean {
    if (one.ids.length !== 1 || other.ids.length !== 1 || one.press !== undefined || other.press !== undefined) return false
    const [a, b] = [this.numberOf.get(one.ids[0]!)!, this.numberOf.get(other.ids[0]!)!]
    const [nodeA, nodeB] = [this.scene.nodes[a]!, this.scene.nodes[b]!]
    if (nodeA.kind !== nodeB.kind || nodeA.source !== nodeB.source || nodeA.parts[0]?.colour !== nodeB.parts[0]?.colour) return false
    if (typeof one.travel !== 'number' || one.travel !== other.travel) return false
    if (neighboursOf(this.space.joints, a).includes(b)) return false
    return !boxesMeet(stretched(this.scene.nodeBoxes[a]!, one.travel), this.scene.nodeBoxes[b]!)
  }
}

/** What a plan takes off at once, by id, and the step (from 1) that it comes in with. */
export interface PlannedRemoval {
  readonly ids: readonly string[]
  readonly step: number
}

/** What comes off first of a planned section, and next: its steps turned round. */
export const plannedRemovals = (plan: SectionPlan, plans: readonly SectionPlan[]): PlannedRemoval[] =>
  broughtBySteps(plan, plans)
    .flatMap((things, step) => things.map((ids) => ({ ids, step: step + 1 })))
    .reverse()

const FAR = 1_000_000

/** A box drawn out without end both ways along a direction. */
const stretched = ({ min, max }: Box, travel: Direction): Box => {
  const along = travelVector(travel)
  return {
    min: vecOf((axis) => (along[axis] === 0 ? min[axis] : -FAR)),
    max: vecOf((axis) => (along[axis] === 0 ? max[axis] : FAR)),
  }
}

/** Like pieces that come in as one step, at most. */
const MOST_IN_STEP = 4

const isSameStep = (disassembly: Disassembly, step: readonly TakenOff[], next: TakenOff): boolean =>
  step.every((each) => disassembly.arePlannedTogether(each, next)) ||
  (step.length < MOST_IN_STEP && step.every((each) => disassembly.areAlikeApart(each, next)))

/**
 * The document with the steps of a section in the order in which it was taken apart, turned round. What was not taken off comes
 * first, planned by the program; loose parts come last.
 */
export function keepDisassembly(model: ModelDocument, sectionId: string, disassembly: Disassembly): ModelDocument {
  const section = sectionById(model, sectionId)
  const copies = new Set((section.copies ?? []).map(({ id }) => id))
  const groups: TakenOff[][] = []
  for (const taken of [...disassembly.taken].reverse()) {
    const last = groups.at(-1)
    if (last && isSameStep(disassembly, last, taken)) last.push(taken)
    else groups.push([taken])
  }
  const isAll = disassembly.left === 0
  const steps = groups.map((group): GivenStep => {
    const ids = group.flatMap((taken) => taken.ids)
    const [add, join] = [ids.filter((id) => !copies.has(id)), ids.filter((id) => copies.has(id))]
    return {
      ...(add.length > 0 ? { add } : {}),
      ...(join.length > 0 ? { join } : {}),
      ...(isAll ? {} : { locked: true }),
    }
  })
  const loose = partsOf(section)
    .filter(isLoose)
    .map(({ id }) => id)
  const { planRest: _planRest, ...rest } = section
  const next = {
    ...rest,
    steps: isAll && loose.length > 0 ? [...steps, { add: loose }] : steps,
    ...(isAll ? {} : { planRest: true }),
  }
  return { ...model, sections: model.sections.map((each) => (each.id === sectionId ? next : each)) }
}
