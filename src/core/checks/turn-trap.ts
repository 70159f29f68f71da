import type { Connector, Shape } from '../catalogue'
import { viewMatrix, type StepLook } from '../picture'
import type { BuiltSection } from '../plan'
import { memo, memoPair } from '../memo'
import { sectionById, type GivenStep, type PlacedPart, type StepNoteKind } from '../model'
import { apply, axisOf, dot, DIRECTION_VECTORS, middle, multiply, TURNS, type Matrix, type Vec, mapVec } from '../space'
import type { Scene } from '../scene'
import { defineCheck, type Found } from './check'
import { idsOf, lastStep, nameParts } from './naming'
import { writeNote } from './ways'

/** How far a side may be turned away from the viewer and still show. */
const AWAY = 0.15
/** From this share of mirrored parts on, a section is meant to be the same on both sides. */
const SYMMETRIC = 0.7
/** Fewer parts do not make a pattern. */
const LEAST_PARTS = 12

/** Pieces that a picture cannot tell the way of, and what stands differently on the two sides of a section. */
export const turnTrap = defineCheck({
  code: 'turn-trap',
  severity: 'warning',
  title: 'Easy to turn wrongly',
  about: 'A part is easy to put in the wrong way round, or the two sides of a symmetric section differ.',
  scope: 'rail',
  find({ model, built, looks }) {
    // Where the designer has said something in the step, the picture need not say it too.
    const { steps = [], planRest } = sectionById(model, built.base)
    const isNoted = (step: number | null): boolean => planRest !== true && step !== null && tellsWay(steps[step - 1])
    return [...blindSides(built, looks), ...oddPairs(built)].filter((found) => !isNoted(found.step))
  },
  waysOut: (trouble) => writeNote(trouble, 'which way round'),
})

const TELLING = new Set<StepNoteKind>(['note', 'align', 'same-way'])

const tellsWay = ({ note = '', notes = [] }: GivenStep = {}): boolean => note !== '' || notes.some(({ kind }) => TELLING.has(kind))

/** Side studs that point away from the viewer, on pieces that look the same from the back: the picture cannot tell how they go. */
function blindSides(built: BuiltSection, looks: readonly StepLook[]): Found[] {
  const suspects = built.scene.tables.of(findSuspects, built.scene)
  return built.steps.flatMap((step, i) => {
    if (suspects.size === 0 || !step.some((node) => suspects.has(node))) return []
    const toViewer = multiply(viewMatrix(looks[i]?.view ?? 0), TURNS[built.orientations[i] ?? 0]!)
    const traps = step.filter((node) => suspects.has(node) && isBlind(built.scene.nodes[node]!.parts[0]!, toViewer))
    if (traps.length === 0) return []
    const parts = idsOf(built, traps)
    const message = `The studs on the side of ${nameParts(parts)} point away from the viewer, so the picture does not tell which way round ${parts.length === 1 ? 'it goes' : 'they go'}. Say it in a note.`
    return [{ step: i + 1, parts, message }]
  })
}

/** Parts with studs on the sides of a plain body. */
const findSuspects = ({ nodes }: Scene): ReadonlySet<number> =>
  new Set(nodes.flatMap(({ kind, parts }, node) => (kind === 'part' && sideStuds(parts[0]!.shape).length > 0 ? [node] : [])))

function isBlind({ shape, pose }: PlacedPart, toViewer: Matrix): boolean {
  return sideStuds(shape).every(({ facing }) => dot(apply(multiply(toViewer, pose.matrix), DIRECTION_VECTORS[facing]!), [0, 0, 1]) > AWAY)
}

/** The studs on the sides of a plain box: without them it would be the same from all sides. None where the body tells. */
const sideStuds = memo((shape: Shape): readonly Connector[] =>
  shape.bodies.length === 1 ? shape.connectors.filter((connector) => connector.kind === 'stud' && axisOf(connector.facing) !== 2) : [],
)

/** Pairs on the two sides of an otherwise symmetric section that are turned differently. */
const oddPairs = (built: BuiltSection): Found[] =>
  built.scene.tables.of(findOddPairs, built.scene).map((pair) => {
    const parts = idsOf(built, pair)
    const message = `${nameParts(parts)} stand on the two sides of a section that is the same left and right, but one is turned differently. If that is meant, say so in a note.`
    return { step: lastStep(built, pair), parts, message }
  })

function findOddPairs(scene: Scene): (readonly [number, number])[] {
  if (scene.nodes.length < LEAST_PARTS) return []
  const low = Math.min(...scene.nodeBoxes.map(({ min }) => min[0]))
  const high = Math.max(...scene.nodeBoxes.map(({ max }) => max[0]))
  const at = new Map<string, number>()
  scene.nodes.forEach((spec, node) => {
    if (spec.kind === 'part') at.set(placeKey(spec.parts[0]!, middle(scene.nodeBoxes[node]!)), node)
  })
  const odd: (readonly [number, number])[] = []
  let mirrored = 0
  scene.nodes.forEach((spec, node) => {
    if (spec.kind !== 'part') return
    const [x, y, z] = middle(scene.nodeBoxes[node]!)
    const other = at.get(placeKey(spec.parts[0]!, [low + high - x, y, z]))
    if (other === undefined) return
    if (isMirrorOf(spec.parts[0]!, scene.nodes[other]!.parts[0]!)) mirrored++
    else if (node < other) odd.push([node, other])
  })
  return mirrored >= SYMMETRIC * scene.nodes.length ? odd : []
}

const placeKey = ({ shape, colour }: PlacedPart, at: Vec): string => `${shape.id} ${colour} ${at.join()}`

/** Whether two parts of one shape look like each other's image in a mirror across x. */
function isMirrorOf(a: PlacedPart, b: PlacedPart): boolean {
  return outlineOf(a.shape, flipped(a.pose.matrix)) === outlineOf(b.shape, b.pose.matrix)
}

const FLIP: Matrix = [-1, 0, 0, 0, 1, 0, 0, 0, 1]
/** The turns of the lattice are a few matrices used everywhere, so each is flipped once. */
const flipped = memo((matrix: Matrix): Matrix => multiply(FLIP, matrix))

/** Where a shape has its surfaces and how they face: equal for two turns of a shape that look the same. */
const outlineOf = memoPair((shape: Shape, matrix: Matrix): string => {
  const facets = shape.mesh.map(({ normal, corners }) => {
    const seen = apply(matrix, normal).map((value) => Math.round(value * 100) + 0)
    const sum = corners.reduce<Vec>((all, corner) => [all[0] + corner[0], all[1] + corner[1], all[2] + corner[2]], [0, 0, 0])
    const from = apply(
      matrix,
      mapVec(sum, (value, k) => value / corners.length - shape.box[k] / 2),
    )
    return `${seen.join()}@${from.map((value) => Math.round(value * 10) + 0).join()}`
  })
  return facets.sort().join(' ')
})
