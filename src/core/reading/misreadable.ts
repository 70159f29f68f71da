import type { PlacedPart } from '../model'
import { isDrawnBeside, PlaceReader, READ_DOTS, type Doubt, type PatchesByPart, type StepLook } from '../picture'
import { travelVector } from '../motion'
import type { BuiltSection } from '../plan'
import { NO_TURN, subtract, type Vec } from '../space'
import { OtherPlaces, slipsOf, type Slip, type SlippedPlace } from './other-places'
import { chooseSteps, type StepToRead } from './steps-to-read'
import { tellPlaces, type NodeInDoubt } from './tell-places'

/** A part of a step that a reader might put elsewhere without seeing the difference. */
export interface Misreading {
  /** From 0. */
  readonly step: number
  readonly node: number
  readonly slip: Slip
  /** Where it would stand by mistake, u from where it belongs. */
  readonly off: Vec
}

/** A picture that differs in a smaller share of its dots, or over fewer dots across, looks the same. */
const LEAST_SHARE = 0.0015
const LEAST_ACROSS = 12

interface ReadingOptions {
  /** Parts that are read at most: where there are more, the rest is judged by samples. */
  readonly most?: number
  /** The one step that is read, from 0. */
  readonly only?: number
  readonly patches?: PatchesByPart
  readonly progress?: (fraction: number) => void
}

/** How a section reads: its parts, or those of the one step that was read, and which of them can be misread. */
export interface SectionReading {
  readonly parts: number
  readonly misreadings: readonly Misreading[]
  /** How many more are likely among those that nobody has read. */
  readonly likely: number
  /** Each step with the insets that tell where its parts go. */
  readonly looks: readonly StepLook[]
}

/**
 * All parts of a section that can be misread: the same piece one stud or plate off, or turned a quarter or half, would hold and be
 * possible too, and the picture of the step would hardly differ. Where insets make them fewer, the step gets them.
 *
 * @param patches pictures on its parts, by the index of the part in its scene
 * @param progress from 0 to 1
 */
export function readSection(
  built: BuiltSection,
  looks: readonly StepLook[],
  { most = Infinity, only, patches, progress }: ReadingOptions = {},
): SectionReading {
  const { scene, steps } = built
  const reading: Reading = {
    built,
    places: scene.tables.of(makeOtherPlaces, scene),
    reader: new PlaceReader({ scene, steps, orientations: built.orientations }, looks, patches),
    stepOf: new Int32Array(scene.nodes.length).fill(steps.length),
  }
  steps.forEach((step, i) => {
    for (const node of step) reading.stepOf[node] = i
  })
  const all = weighedSteps(reading, looks).filter(({ step }) => only === undefined || step === only)
  const wanted = chooseSteps(all, most)
  const told = [...looks]
  let sampledDoubts = 0
  const misreadings = wanted.steps.flatMap((step, i) => {
    progress?.(i / wanted.steps.length)
    const read = { reader: reading.reader, scene, step, look: looks[step]!, ...DIFFERS }
    const { left, without, insets } = tellPlaces(read, doubtsOfStep(reading, step))
    if (insets) told[step] = { ...looks[step]!, insets }
    if (wanted.samples.has(step)) sampledDoubts += without
    return left.map(({ node, doubts }) => misreadingOf(reading, step, node, doubts[0]!.place))
  })
  // What is not read gets no insets of its own either.
  const likely = wanted.sampledParts > 0 ? (wanted.unreadParts * sampledDoubts) / wanted.sampledParts : 0
  return { parts: all.reduce((sum, { parts }) => sum + parts, 0), misreadings, likely, looks: told }
}

const isPart = ({ scene }: BuiltSection, node: number): boolean => scene.nodes[node]!.kind === 'part'

/** What is known of steps before they are read. */
const weighedSteps = ({ built, reader }: Reading, looks: readonly StepLook[]): StepToRead[] =>
  built.steps.map((nodes, step) => {
    const dots = nodes.flatMap((node, i) => (isPart(built, node) ? [reader.roughDots(step, node) * (looks[step]!.shares[i] ?? 1)] : []))
    return { step, parts: dots.length, leastDots: Math.min(Infinity, ...dots) }
  })

const makeOtherPlaces = (scene: BuiltSection['scene']): OtherPlaces => new OtherPlaces(scene)

interface Reading {
  readonly built: BuiltSection
  readonly reader: PlaceReader
  readonly places: OtherPlaces
  readonly stepOf: Int32Array
}

/** The parts of a step that its picture alone leaves in doubt. */
function doubtsOfStep(reading: Reading, step: number): NodeInDoubt[] {
  const { built, places, stepOf } = reading
  const wasThere = (other: number): boolean => stepOf[other]! < step
  const parts = built.steps[step]!.flatMap((node) => {
    const { kind, parts: own } = built.scene.nodes[node]!
    return kind === 'part' ? [{ node, part: own[0]!, rings: places.holdsAt(own[0]!, node, wasThere) }] : []
  })
  return parts.flatMap(({ node, part, rings }): NodeInDoubt[] => {
    const besides = parts.filter((other) => other.node !== node).flatMap((other) => other.rings)
    const doubts = doubtsOfNode(reading, step, { node, part, rings, besides })
    return doubts.length > 0 ? [{ node, doubts: doubts.sort((a, b) => a.differs.dots - b.differs.dots) }] : []
  })
}

function misreadingOf({ built }: Reading, step: number, node: number, { slip, pose }: SlippedPlace): Misreading {
  return { step, node, slip, off: subtract(pose.at, built.scene.nodes[node]!.parts[0]!.pose.at) }
}

interface NodeInStep {
  readonly node: number
  readonly part: PlacedPart
  /** Where it takes hold of what was there before the step, and where the rest of the step does, u. */
  readonly rings: readonly Vec[]
  readonly besides: readonly Vec[]
}

function doubtsOfNode(reading: Reading, step: number, { node, part, rings, besides }: NodeInStep): Doubt<SlippedPlace>[] {
  const { built, reader, places, stepOf } = reading
  const isThere = (other: number): boolean => stepOf[other]! <= step
  const wasThere = (other: number): boolean => stepOf[other]! < step
  // What nothing holds lies on the table wherever it is put.
  if (places.holdsAt(part, node, isThere).length === 0) return []
  const isShown = showsItsWay(built, step, node)
  const slips = slipsOf(part, reader.hasPicture(node)).flatMap(({ slip, pose }): SlippedPlace[] => {
    const other = { shape: part.shape, pose }
    if ((!isTurn(slip) && isShown) || places.holdsAt(other, node, isThere).length === 0) return []
    return [{ slip, pose, holds: places.holdsAt(other, node, wasThere) }]
  })
  if (slips.length === 0) return []
  let held: readonly number[] | undefined
  return reader.doubtsIn(step, node, {
    here: rings,
    besides,
    places: slips,
    ...DIFFERS,
    isPossible: ({ pose }) =>
      places.isPossible({ ...part, pose }, node, isThere) &&
      (held ??= heldBy(reading, step, node)).every(
        (other) => places.holdsAt({ shape: part.shape, pose }, node, (each) => each === other).length > 0,
      ),
  })
}

/** Parts of the same step that a part alone holds: nobody puts it where they would not hold. */
function heldBy({ built, places, stepOf }: Reading, step: number, node: number): number[] {
  return built.steps[step]!.filter((other) => {
    const { kind, parts } = built.scene.nodes[other]!
    if (other === node || kind !== 'part') return false
    const holds = (isHolding: (each: number) => boolean): boolean => places.holdsAt(parts[0]!, other, isHolding).length > 0
    return holds((each) => each === node) && !holds((each) => each !== node && stepOf[each]! <= step)
  })
}

const isTurn = (slip: Slip): boolean => slip === 'quarter' || slip === 'half'

/** What no reader misses. */
const DIFFERS = {
  isTurned: ({ slip }: SlippedPlace): boolean => isTurn(slip),
  enough: { dots: LEAST_SHARE * READ_DOTS, across: LEAST_ACROSS },
}

/** An arrow shows where it comes from, and so where it goes. */
function showsItsWay(built: BuiltSection, step: number, node: number): boolean {
  const travel = travelOf(built, node)
  const alike = built.steps[step]!.filter((other) => travelOf(built, other).join() === travel.join()).length
  return isDrawnBeside({ isPart: true, travel, alike }, built.orientations[step] ?? NO_TURN)
}

const travelOf = ({ arrives }: BuiltSection, node: number): Vec => travelVector(arrives[node]!)
