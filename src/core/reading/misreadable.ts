import type { PlacedPart } from '../model'
import { isDrawnBeside, PlaceReader, READ_DOTS, type StepLook } from '../picture'
import { travelVector } from '../motion'
import type { BuiltSection } from '../plan'
import { NO_TURN, subtract, type Vec } from '../space'
import { OtherPlaces, slipsOf, type Slip, type SlippedPlace } from './other-places'

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
  readonly stride?: number
  readonly progress?: (fraction: number) => void
}

/** How a section reads: how many of its parts were looked at, and those that can be misread. */
export interface SectionReading {
  readonly parts: number
  readonly misreadings: readonly Misreading[]
}

/**
 * All parts of a section that can be misread: the same piece one stud or plate off, or turned a quarter or half, would hold and be
 * possible too, and the picture of the step would hardly differ.
 *
 * @param stride every so manieth step is looked at; 1 for all
 * @param progress from 0 to 1
 */
export function readSection(
  built: BuiltSection,
  looks: readonly StepLook[],
  { stride = 1, progress }: ReadingOptions = {},
): SectionReading {
  const { scene, steps } = built
  const reading: Reading = {
    built,
    places: scene.tables.of(makeOtherPlaces, scene),
    reader: new PlaceReader({ scene, steps, orientations: built.orientations }, looks),
    stepOf: new Int32Array(scene.nodes.length).fill(steps.length),
  }
  steps.forEach((step, i) => {
    for (const node of step) reading.stepOf[node] = i
  })
  const wanted = [...steps.keys()].filter((step) => step % stride === 0)
  const isPart = (node: number): boolean => scene.nodes[node]!.kind === 'part'
  return {
    parts: wanted.reduce((sum, step) => sum + steps[step]!.filter(isPart).length, 0),
    misreadings: wanted.flatMap((step, i) => {
      progress?.(i / wanted.length)
      return misreadIn(reading, step, steps[step]!)
    }),
  }
}

const makeOtherPlaces = (scene: BuiltSection['scene']): OtherPlaces => new OtherPlaces(scene)

interface Reading {
  readonly built: BuiltSection
  readonly reader: PlaceReader
  readonly places: OtherPlaces
  readonly stepOf: Int32Array
}

function misreadIn(reading: Reading, step: number, nodes: readonly number[]): Misreading[] {
  const { built, places, stepOf } = reading
  const wasThere = (other: number): boolean => stepOf[other]! < step
  const parts = nodes.flatMap((node) => {
    const { kind, parts: own } = built.scene.nodes[node]!
    return kind === 'part' ? [{ node, part: own[0]!, rings: places.holdsAt(own[0]!, node, wasThere) }] : []
  })
  return parts.flatMap(({ node, part, rings }): Misreading[] => {
    const besides = parts.filter((other) => other.node !== node).flatMap((other) => other.rings)
    const found = misread(reading, step, { node, part, rings, besides })
    return found ? [{ step, node, slip: found.slip, off: subtract(found.pose.at, part.pose.at) }] : []
  })
}

interface NodeInStep {
  readonly node: number
  readonly part: PlacedPart
  /** Where it takes hold of what was there before the step, and where the rest of the step does, u. */
  readonly rings: readonly Vec[]
  readonly besides: readonly Vec[]
}

function misread(
  { built, reader, places, stepOf }: Reading,
  step: number,
  { node, part, rings, besides }: NodeInStep,
): SlippedPlace | undefined {
  const isThere = (other: number): boolean => stepOf[other]! <= step
  const wasThere = (other: number): boolean => stepOf[other]! < step
  // What nothing holds lies on the table wherever it is put.
  if (places.holdsAt(part, node, isThere).length === 0) return undefined
  const isShown = showsItsWay(built, step, node)
  const slips = slipsOf(part).flatMap(({ slip, pose }): SlippedPlace[] => {
    const isTurn = slip === 'quarter' || slip === 'half'
    const other = { shape: part.shape, pose }
    if ((!isTurn && isShown) || places.holdsAt(other, node, isThere).length === 0) return []
    return [{ slip, pose, holds: places.holdsAt(other, node, wasThere) }]
  })
  if (slips.length === 0) return undefined
  return reader.findAlike(step, node, {
    here: rings,
    besides,
    places: slips,
    isPossible: ({ pose }) => places.isPossible({ ...part, pose }, node, isThere),
    enough: { dots: LEAST_SHARE * READ_DOTS, across: LEAST_ACROSS },
  })
}

/** An arrow shows where it comes from, and so where it goes. */
function showsItsWay(built: BuiltSection, step: number, node: number): boolean {
  const travel = travelOf(built, node)
  const alike = built.steps[step]!.filter((other) => travelOf(built, other).join() === travel.join()).length
  return isDrawnBeside({ isPart: true, travel, alike }, built.orientations[step] ?? NO_TURN)
}

const travelOf = ({ arrives }: BuiltSection, node: number): Vec => travelVector(arrives[node]!)
