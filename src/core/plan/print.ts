import { memo } from '../memo'
import { coloursOf, inventoryOf, total, trayOf, type ColourCount, type PieceCount } from '../count'
import { partsOf, sectionById, sectionUses, type ModelDocument, type Part } from '../model'
import type { Travel } from '../motion'
import { ownPieceCount, type Scene } from '../scene'
import { DIRECTION_TEXTS, NO_TURN, turnText, type Direction, type Turn, mapVec } from '../space'
import type { BuiltSection } from './built'
import type { DirectionValue, Move, PlanStep, SectionPlan } from './types'

/** The plan as the command line prints it, without measures and findings. */
export interface ModelPlan {
  readonly name: string
  readonly parts: number
  readonly sections: readonly SectionPlan[]
  readonly inventory: readonly PieceCount[]
  readonly colours: readonly ColourCount[]
}

/** Prints built sections of one model; of each section once. */
export class PlanPrinter {
  private readonly uses: ReturnType<typeof sectionUses>
  private readonly printed = new Map<BuiltSection, SectionPlan>()

  constructor(private readonly model: ModelDocument) {
    this.uses = sectionUses(model)
  }

  section(built: BuiltSection): SectionPlan {
    let known = this.printed.get(built)
    if (!known) this.printed.set(built, (known = this.write(built)))
    return known
  }

  /** @param built all sections of the model, in building order */
  plan(built: readonly BuiltSection[]): ModelPlan {
    const inventory = inventoryOf(this.model)
    return {
      name: this.model.name,
      parts: total(inventory),
      sections: built.map((section) => this.section(section)),
      inventory,
      colours: coloursOf(inventory),
    }
  }

  private write(built: BuiltSection): SectionPlan {
    const { model } = this
    const use = this.uses.get(built.base)!
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
}

const calloutTotal = (steps: readonly PlanStep[]): number => steps.reduce((sum, step) => sum + total(step.callout), 0)

/** Own parts without those of derived sections: all that the steps add, and what given steps leave out. */
function ownParts(model: ModelDocument, built: BuiltSection, steps: readonly PlanStep[]): number {
  return isDivided(built.scene) ? calloutTotal(steps) : ownPieceCount(model, built.base)
}

/** Whether some of a section's parts come as a section that was made of them. */
const isDivided = memo(({ nodes }: Scene) => nodes.some((spec) => spec.kind === 'derived'))

const partsById = memo((parts: readonly Part[]): ReadonlyMap<string, Part> => new Map(parts.map((part) => [part.id, part])))

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
  const turn = turnFrom(built.orientations, index)
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
function turnFrom(orientations: readonly Turn[], index: number): string | undefined {
  const now = orientations[index] ?? orientations[orientations.length - 1] ?? NO_TURN
  const before = index === 0 ? NO_TURN : (orientations[index - 1] ?? now)
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
  typeof travel === 'number' ? DIRECTION_TEXTS[travel]! : mapVec(travel, (value) => Math.round(value * 1e6) / 1e6 + 0)

/** Steps of all sections, each counted once however often it is built. */
export const stepCount = (sections: readonly Pick<SectionPlan, 'steps'>[]): number =>
  sections.reduce((sum, { steps }) => sum + steps.length, 0)
