import type { Catalogue } from '../catalogue'
import { Fault } from '../fault'
import {
  catalogueOf,
  copiesOf,
  copyPose,
  Flattener,
  exchangeForTwin,
  placedPart,
  type Copy,
  type ModelDocument,
  type Part,
  type PlacedPart,
  type Section,
} from '../model'
import { partHull } from '../scene'
import {
  composePoses,
  isLatticePose,
  isMirroring,
  mapVec,
  mirrorMatrix,
  nearestTurn,
  rotationDegrees,
  scale,
  turnText,
  unite,
  withoutMirror,
  type Box,
  type Matrix,
  type MirrorAxis,
  type Pose,
  type Vec,
} from '../space'
import { placeOf } from './placed-box'

/** One thing that is held: a part or a copy, by its pose in the frame of the hand, and what it holds in its own frame. */
type HeldNode =
  | { readonly kind: 'part'; readonly part: Part; readonly pose: Pose; readonly content: PlacedPart }
  | { readonly kind: 'copy'; readonly copy: Copy; readonly pose: Pose; readonly content: readonly PlacedPart[] }

/** What is about to be put down. Its frame begins at the lowest corner of all bodies that it holds, in whole u. */
export interface Hand {
  readonly nodes: readonly HeldNode[]
}

const STILL: Pose = { matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0, 0] }

/** A new piece in the hand. @throws Fault `unknown-shape` */
export function handOfPiece(piece: Pick<Part, 'shape' | 'colour' | 'length'>, catalogue: Catalogue): Hand {
  if (!catalogue.shapes.has(piece.shape)) throw new Fault('unknown-shape', `There is no shape “${piece.shape}”.`)
  return atCorner([heldPart(placedPart({ id: 'new', ...piece, at: [0, 0, 0] }, catalogue))])
}

/** A part as it stands, with its pose in the frame of the hand instead of the section's. */
const heldPart = (placed: PlacedPart): HeldNode => ({
  kind: 'part',
  part: placed.part,
  pose: placed.pose,
  content: { ...placed, pose: STILL },
})

/** A section in the hand, to be joined as one more copy. */
export function handOfSection(flattener: Flattener, id: string): Hand {
  return atCorner([{ kind: 'copy', copy: { id, section: id, at: [0, 0, 0] }, pose: STILL, content: flattener.all(id) }])
}

/** What of a section can be taken up: its parts with a place, and copies that hang on no joint. */
function nodesOf(model: ModelDocument, section: Section, ids: ReadonlySet<string>, flattener: Flattener): HeldNode[] {
  const own = flattener.own(section).filter(({ part }) => ids.has(part.id))
  const copies = copiesOf(section).filter((copy) => ids.has(copy.id) && !copy.joint)
  return [
    ...own.map(heldPart),
    ...copies.map((copy): HeldNode => ({ kind: 'copy', copy, pose: copyPose(model, section, copy), content: flattener.all(copy.section) })),
  ]
}

/** What stands in a section taken into the hand, and where the hand is then. Parts without a place, and copies that hang on a joint, stay. */
export function handOfNodes(
  model: ModelDocument,
  section: Section,
  ids: ReadonlySet<string>,
  flattener: Flattener,
): { hand: Hand; at: Vec } | undefined {
  const nodes = nodesOf(model, section, ids, flattener)
  return nodes.length === 0 ? undefined : { hand: atCorner(nodes), at: cornerOf(nodes) }
}

/** The same as a document writes it in another frame. @throws Fault `no-mirror-image`, `cannot-move` where that frame is not of the lattice */
export function nodesThrough(model: ModelDocument, section: Section, ids: ReadonlySet<string>, frame: Pose): ReturnType<typeof putDown> {
  const catalogue = catalogueOf(model)
  const nodes = nodesOf(model, section, ids, new Flattener(model))
  const moved = nodes.map((node) => asTwin({ ...node, pose: composePoses(frame, node.pose) }, catalogue))
  if (moved.some(({ kind, pose }) => kind === 'part' && !isLatticePose(pose)))
    throw new Fault('cannot-move', 'The other section stands at a free angle, so a part has no place in its lattice.')
  return putDown({ nodes: moved }, [0, 0, 0])
}

/** The parts that are held, as they stand when the hand is at a place. Mirror images are made of the twins of shapes. */
export function heldParts({ nodes }: Hand, at: Vec, catalogue: Catalogue): PlacedPart[] {
  return nodes.flatMap((node) =>
    contentOf(node).map((inner) => {
      const pose = composePoses({ ...STILL, at }, composePoses(node.pose, inner.pose))
      return { ...inner, ...exchangeForTwin(inner.shape, pose, catalogue) }
    }),
  )
}

const contentOf = (node: HeldNode): readonly PlacedPart[] => (node.kind === 'part' ? [node.content] : node.content)

/** Around the bodies of all that is held, in the frame of the hand. */
export function handBox({ nodes }: Hand): Box {
  const boxes = nodes.flatMap((node) => contentOf(node).map((inner) => partHull({ ...inner, pose: composePoses(node.pose, inner.pose) })))
  return boxes.length > 0 ? boxes.reduce(unite) : { min: [0, 0, 0], max: [0, 0, 0] }
}

/** Whole u, so that what lies in the lattice stays there; what hangs at free angles reaches a little less than 1 u beyond. */
const cornerOf = (nodes: readonly HeldNode[]): Vec => mapVec(handBox({ nodes }).min, (value) => Math.floor(value + 1e-6) + 0)

const atCorner = (nodes: readonly HeldNode[]): Hand => {
  const back = scale(cornerOf(nodes), -1)
  return { nodes: nodes.map((node) => ({ ...node, pose: composePoses({ ...STILL, at: back }, node.pose) })) }
}

/** The hand turned by a matrix of the lattice. */
export const turnHand = ({ nodes }: Hand, matrix: Matrix): Hand =>
  atCorner(nodes.map((node) => ({ ...node, pose: composePoses({ matrix, at: [0, 0, 0] }, node.pose) })))

/** The mirror image of what is held: pieces become their twins. @throws Fault `no-mirror-image` where one has none */
export function mirrorHand(hand: Hand, axis: MirrorAxis, catalogue: Catalogue): Hand {
  return { nodes: turnHand(hand, mirrorMatrix(axis)).nodes.map((node) => asTwin(node, catalogue)) }
}

/** A part whose pose mirrors as its twin, which only turns; a copy keeps its mirror. @throws Fault `no-mirror-image` */
function asTwin(node: HeldNode, catalogue: Catalogue): HeldNode {
  if (node.kind === 'copy') return node
  const twin = exchangeForTwin(node.content.shape, node.pose, catalogue)
  if (twin.lacksTwin) {
    throw new Fault('no-mirror-image', `“${twin.shape.title}” has no mirror image.`, { wayOut: 'Leave it out of what you mirror.' })
  }
  const part: Part = { ...node.part, shape: twin.shape.id }
  return { kind: 'part', part, pose: twin.pose, content: { ...node.content, part, shape: twin.shape } }
}

/** What is held as a document writes it, put down at a place of the lattice. */
export function putDown({ nodes }: Hand, at: Vec): { readonly parts: Part[]; readonly copies: Copy[] } {
  const parts: Part[] = []
  const copies: Copy[] = []
  for (const node of nodes) {
    const pose = composePoses({ ...STILL, at }, node.pose)
    if (node.kind === 'part') {
      const { turn: _turn, ...part } = node.part
      parts.push({ ...part, ...placeOf(node.content.shape, pose) })
    } else copies.push(copyAt(node.copy, pose))
  }
  return { parts, copies }
}

function copyAt(copy: Copy, pose: Pose): Copy {
  const { turn: _turn, rotate: _rotate, mirror: _mirror, ...rest } = copy
  const isMirrored = isMirroring(pose)
  const plain = isMirrored ? withoutMirror(pose) : pose
  const turn = nearestTurn(plain.matrix)
  return {
    ...rest,
    at: pose.at,
    ...(turn === undefined ? { rotate: rotationDegrees(plain.matrix) } : turn === 0 ? {} : { turn: turnText(turn) }),
    ...(isMirrored ? { mirror: 'x' as const } : {}),
  }
}
