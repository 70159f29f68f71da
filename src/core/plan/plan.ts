import { coloursOf, inventoryOf, total, trayOf, type ColourCount, type PieceCount } from '../count'
import {
  buildingOrder,
  Flattener,
  isSameList,
  partsOf,
  sectionById,
  sectionUses,
  type ModelDocument,
  type Part,
  type Section,
} from '../model'
import type { Travel } from '../motion'
import { ownPieceCount, type Scene } from '../scene'
import { DIRECTION_TEXTS, NO_TURN, turnText, type Direction, type Turn, type Vec } from '../space'
import type { Strategy } from './manner'
import type { BuiltSection } from './built'
import { GivenSpaces } from './given'
import { SEED } from './search'
import { isGiven, isSameOrder, type PlanOrder } from './order'
import { buildSection } from './section-plan'
import { NORMAL_LIMITS, type DirectionValue, type Move, type PlanStep, type SectionPlan, type StepLimits } from './types'

export interface PlanOptions {
  readonly limits?: StepLimits
  readonly strategy?: Strategy
  /** Work the search may spend on each section (`EFFORTS`); none by default. */
  readonly effort?: number
  /** The same input and seed give the same plan. */
  readonly seed?: number
  /** Told from 0 to 1. */
  readonly progress?: (fraction: number) => void
  /** Looks at each section as it is built, and may lay its steps anew; what it returns is kept. */
  readonly refine?: Refine
  /** Orders shown before, by section: followed where they still fit. */
  readonly kept?: PlanOrder
}

export type Refine = (built: BuiltSection) => BuiltSection

/** The plan as the command line prints it, without measures and findings. */
export interface ModelPlan {
  readonly name: string
  readonly parts: number
  readonly sections: readonly SectionPlan[]
  readonly inventory: readonly PieceCount[]
  readonly colours: readonly ColourCount[]
}

export interface PlannedModel {
  readonly plan: ModelPlan
  /** In the order of `plan.sections`. */
  readonly built: readonly BuiltSection[]
}

interface CacheEntry {
  /** What the sections rest on; their objects are never changed in place, so being the same means being equal. */
  readonly content: readonly unknown[]
  /** How they were asked for; nothing where a kept order was followed. */
  readonly how: readonly unknown[]
  readonly built: readonly BuiltSection[]
}

/** Remembers built sections by their content, so that an edit plans again only what it touches. */
export class PlanCache {
  private readonly known = new Map<string, CacheEntry>()
  readonly spaces = new GivenSpaces()

  /** @param fits of a kept order: whether it is the one remembered */
  recall(id: string, content: readonly unknown[], how: readonly unknown[], fits?: (built: readonly BuiltSection[]) => boolean) {
    const entry = this.known.get(id)
    if (!entry || !isSameList(entry.content, content)) return undefined
    return (fits ? fits(entry.built) : isSameList(entry.how, how)) ? entry.built : undefined
  }

  keep(id: string, entry: CacheEntry): void {
    this.known.set(id, entry)
  }
}

/** Share of the progress that laying the steps is told as, where they are refined after. */
const LAYING_SHARE = 0.4

/** Plans every section of a model, each before those that use it. */
export function planModel(model: ModelDocument, options: PlanOptions = {}, cache?: PlanCache): PlannedModel {
  const limits = options.limits ?? NORMAL_LIMITS
  const { strategy = 'ground-up', effort = 0, seed = SEED } = options
  const flattener = new Flattener(model)
  const order = buildingOrder(model)
  const sizes = order.map((id) => partsOf(sectionById(model, id)).length + 1)
  const all = sizes.reduce((a, b) => a + b, 0)
  const uses = sectionUses(model)
  const printed = new Map<BuiltSection, SectionPlan>()
  const print = (section: BuiltSection): SectionPlan => {
    let text = printed.get(section)
    if (!text) printed.set(section, (text = writeSection(model, section, uses.get(section.base)!)))
    return text
  }
  let done = 0
  const how = [limits, strategy, effort, seed]
  const built = order.flatMap((id, i) => {
    const section = sectionById(model, id)
    const content = [...reachable(model, id).flatMap((used, k) => contentOf(sectionById(model, used), k === 0)), model.shapes]
    const kept = isGiven(section) ? undefined : options.kept?.[id]
    const fits = kept && ((known: readonly BuiltSection[]): boolean => isSameOrder(known.map(print), kept))
    let sections = cache?.recall(id, content, how, fits)
    if (!sections) {
      const share = options.refine ? LAYING_SHARE : 1
      const progress = (part: number, whole: number): void =>
        options.progress?.((done + (share * sizes[i]! * part) / Math.max(1, whole)) / all)
      const asked = { limits, strategy, effort, seed, progress, ...(cache ? { spaces: cache.spaces } : {}), ...(kept ? { kept } : {}) }
      const plain = buildSection(model, flattener, id, asked)
      const { refine } = options
      sections = refine ? plain.map(refine) : plain
      const isKept = sections.some((each) => each.isKept === true)
      cache?.keep(id, { content, how: isKept ? [] : how, built: sections })
      if (!isGiven(section)) cache?.spaces.keepPlanned(sections[sections.length - 1]!)
    }
    done += sizes[i]!
    options.progress?.(done / all)
    return sections
  })
  const inventory = inventoryOf(model)
  return {
    plan: {
      name: model.name,
      parts: total(inventory),
      sections: built.map(print),
      inventory,
      colours: coloursOf(inventory),
    },
    built,
  }
}

/** What a plan rests on: of the section itself everything, of those it uses what stands where, but not their steps. */
const contentOf = (section: Section, isItself: boolean): unknown[] => (isItself ? [section] : [section.parts, section.copies])

/** The section and all it uses, itself first. */
function reachable(model: ModelDocument, id: string): string[] {
  const seen = new Set([id])
  for (const section of seen) for (const copy of sectionById(model, section).copies ?? []) seen.add(copy.section)
  return [...seen]
}

function writeSection(model: ModelDocument, built: BuiltSection, use: { times: number; mirrored: number }): SectionPlan {
  const parts = partsById(partsOf(sectionById(model, built.base)))
  const count = Math.max(built.steps.length, built.looseParts.length)
  const steps = Array.from({ length: count }, (_, i) => writeStep(built, i, parts))
  return {
    id: built.id,
    name: built.name,
    times: use.times,
    mirrored: use.mirrored,
    parts: built.derivedFrom === undefined ? ownParts(model, built, steps) : calloutTotal(steps),
    ...(built.derivedFrom === undefined ? {} : { derivedFrom: built.derivedFrom }),
    steps,
  }
}

const calloutTotal = (steps: readonly PlanStep[]): number => steps.reduce((sum, step) => sum + total(step.callout), 0)

/** Own parts without those of derived sections: all that the steps add, and what given steps leave out. */
function ownParts(model: ModelDocument, built: BuiltSection, steps: readonly PlanStep[]): number {
  return isDivided(built.scene) ? calloutTotal(steps) : ownPieceCount(model, built.base)
}

const divided = new WeakMap<Scene, boolean>()

/** Whether some of a section's parts come as a section that was made of them. */
function isDivided(scene: Scene): boolean {
  let known = divided.get(scene)
  if (known === undefined) divided.set(scene, (known = scene.nodes.some((spec) => spec.kind === 'derived')))
  return known
}

/** Lists of parts are never changed in place, so what is made of one holds as long as it does. */
const partMaps = new WeakMap<readonly Part[], ReadonlyMap<string, Part>>()

function partsById(parts: readonly Part[]): ReadonlyMap<string, Part> {
  let known = partMaps.get(parts)
  if (!known) partMaps.set(parts, (known = new Map(parts.map((part) => [part.id, part]))))
  return known
}

/** A step as it was printed last, and what that rests on. */
interface WrittenStep {
  readonly parts: ReadonlyMap<string, Part>
  /** The ways in of the whole section: where they are the same object, so are those of the step. */
  readonly allArrives: readonly Travel[]
  readonly arrives: readonly Travel[]
  readonly presses: readonly (Direction | undefined)[]
  readonly hasPresses: boolean
  readonly loose: readonly string[]
  readonly rests: readonly number[]
  readonly step: PlanStep
}

const written = new WeakMap<readonly number[], WrittenStep>()
const NO_NODES: readonly number[] = []
const NOTHING_LOOSE: readonly string[] = []

/** Prints a step, or takes what was printed of the same nodes before when nothing about them has changed but the number. */
function writeStep(built: BuiltSection, index: number, parts: ReadonlyMap<string, Part>): PlanStep {
  const nodes = built.steps[index] ?? NO_NODES
  const loose = built.looseParts[index] ?? NOTHING_LOOSE
  const rests = built.holding.rests[index] ?? NO_NODES
  const turn = turnFrom(built.lies, index)
  const known = written.get(nodes)
  if (known?.parts === parts && known.loose === loose && known.step.turn === turn && isWrittenAs(built, nodes, rests, known)) {
    return known.step.number === index + 1 ? known.step : { ...known.step, number: index + 1 }
  }
  const added = nodes.filter((node) => built.scene.nodes[node]!.kind === 'part').map((node) => built.scene.nodes[node]!.id)
  const step: PlanStep = {
    number: index + 1,
    moves: writeMoves(built, nodes, loose),
    callout: trayOf([...added, ...loose].map((id) => parts.get(id)!)),
    rests: rests.map((node) => built.scene.nodes[node]!.id),
    ...(turn === undefined ? {} : { turn }),
  }
  const arrives = nodes.map((node) => built.arrives[node]!)
  const presses = nodes.map((node) => built.presses.get(node))
  if (nodes !== NO_NODES)
    written.set(nodes, {
      parts,
      allArrives: built.arrives,
      arrives,
      presses,
      hasPresses: presses.some((press) => press !== undefined),
      loose,
      rests,
      step,
    })
  return step
}

/** How the work lies from this step on, where that is not as before. */
function turnFrom(lies: readonly Turn[], index: number): string | undefined {
  const now = lies[index] ?? lies[lies.length - 1] ?? NO_TURN
  const before = index === 0 ? NO_TURN : (lies[index - 1] ?? now)
  return now === before ? undefined : turnText(now)
}

function isWrittenAs(built: BuiltSection, nodes: readonly number[], rests: readonly number[], known: WrittenStep): boolean {
  if (rests.length !== known.rests.length) return false
  for (let i = 0; i < rests.length; i++) if (rests[i] !== known.rests[i]) return false
  const { arrives, presses } = built
  if (arrives === known.allArrives && presses.size === 0 && !known.hasPresses) return true
  for (let i = 0; i < nodes.length; i++) {
    if (arrives[nodes[i]!] !== known.arrives[i]) return false
    if ((presses.size > 0 || known.hasPresses) && presses.get(nodes[i]!) !== known.presses[i]) return false
  }
  return true
}

/** Parts that come in one after another the same way share a move. */
function writeMoves(built: BuiltSection, nodes: readonly number[], loose: readonly string[]): Move[] {
  const moves: Move[] = []
  let open: { parts: string[]; way: string } | undefined
  for (const node of nodes) {
    const spec = built.scene.nodes[node]!
    const press = built.presses.get(node)
    const way = { direction: directionValue(built.arrives[node]!), ...(press === undefined ? {} : { press: DIRECTION_TEXTS[press]! }) }
    if (spec.kind !== 'part') {
      open = undefined
      moves.push(spec.kind === 'copy' ? { copy: spec.id, ...way } : { section: spec.id, ...way })
      continue
    }
    const text = `${String(way.direction)} ${way.press ?? ''}`
    if (open?.way === text) open.parts.push(spec.id)
    else {
      open = { parts: [spec.id], way: text }
      moves.push({ parts: open.parts, ...way })
    }
  }
  if (loose.length > 0) moves.push({ parts: [...loose], direction: '-z' })
  return moves
}

const directionValue = (travel: Travel): DirectionValue =>
  typeof travel === 'number' ? DIRECTION_TEXTS[travel]! : (travel.map((value) => Math.round(value * 1e6) / 1e6 + 0) as unknown as Vec)
