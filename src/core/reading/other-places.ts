import { looksSameTurned, type Shape } from '../catalogue'
import { memo } from '../memo'
import { PointHash } from '../joints'
import type { PlacedPart } from '../model'
import type { OtherPlace } from '../picture'
import { PlaceJudge } from '../placing'
import { buildScene, ROLE, type Scene } from '../scene'
import {
  add,
  apply,
  isLatticePose,
  middle,
  multiply,
  PLATE_HEIGHT,
  posedBox,
  STUD_PITCH,
  subtract,
  type Box,
  type Matrix,
  type Pose,
  type Vec,
} from '../space'

/** How another place differs from the right one. */
export type Slip = 'stud' | 'plate' | 'quarter' | 'half'

/** Where a reader might put a part instead. */
export interface SlippedPlace extends OtherPlace {
  readonly slip: Slip
}

interface Slipped {
  readonly slip: Slip
  readonly pose: Pose
}

/** Turns about a part's own upright axis. */
const QUARTERS: readonly { readonly slip: Slip; readonly matrix: Matrix }[] = [
  { slip: 'quarter', matrix: [0, -1, 0, 1, 0, 0, 0, 0, 1] },
  { slip: 'half', matrix: [-1, 0, 0, 0, -1, 0, 0, 0, 1] },
  { slip: 'quarter', matrix: [0, 1, 0, -1, 0, 0, 0, 0, 1] },
]

/** One stud or one plate off, in the axes of the part. */
const SHIFTS: readonly { readonly slip: Slip; readonly by: Vec }[] = [
  { slip: 'stud', by: [STUD_PITCH, 0, 0] },
  { slip: 'stud', by: [-STUD_PITCH, 0, 0] },
  { slip: 'stud', by: [0, STUD_PITCH, 0] },
  { slip: 'stud', by: [0, -STUD_PITCH, 0] },
  { slip: 'plate', by: [0, 0, PLATE_HEIGHT] },
  { slip: 'plate', by: [0, 0, -PLATE_HEIGHT] },
]

/** The turns after which a shape looks another. */
const turnsThatShow = memo((shape: Shape) => QUARTERS.filter(({ matrix }) => !looksSameTurned(shape, matrix)))

/** The same piece one stud or plate off, and turned a quarter or half where that makes a difference; whether it fits is another question. @param hasPicture on one of its faces */
export function slipsOf({ shape, pose }: Pick<PlacedPart, 'shape' | 'pose'>, hasPicture = false): Slipped[] {
  if (!isLatticePose(pose)) return []
  const shifted = SHIFTS.map(({ slip, by }) => ({ slip, pose: { matrix: pose.matrix, at: add(pose.at, apply(pose.matrix, by)) } }))
  const turned = (hasPicture ? QUARTERS : turnsThatShow(shape)).flatMap(({ slip, matrix }) =>
    turnedInPlace(shape, pose, multiply(pose.matrix, matrix)).map((other) => ({ slip, pose: other })),
  )
  return [...shifted, ...turned]
}

/** Turned about its middle; where that falls between studs, to both sides of it. */
function turnedInPlace({ box }: Shape, pose: Pose, matrix: Matrix): Pose[] {
  const own: Box = { min: [0, 0, 0], max: box }
  const centre = middle(posedBox(pose, own))
  const lies = posedBox({ matrix, at: [0, 0, 0] }, own)
  const at = subtract(centre, middle(lies))
  // What has an odd and an even side lies half a stud off when it is turned.
  const snaps = onLattice(at, pose.at)
  return snaps.map((place) => ({ matrix, at: place }))
}

/** Places nearest to one whose coordinates lie whole studs from another's. */
function onLattice(at: Vec, from: Vec): Vec[] {
  let places: Vec[] = [[0, 0, 0]]
  at.forEach((value, axis) => {
    const off = (((value - from[axis]!) % STUD_PITCH) + STUD_PITCH) % STUD_PITCH
    const values = off === STUD_PITCH / 2 ? [value - off, value + off] : [Math.round(value)]
    places = places.flatMap((place) =>
      values.map((each): Vec => [axis === 0 ? each : place[0], axis === 1 ? each : place[1], axis === 2 ? each : place[2]]),
    )
  })
  return places
}

/** Asked where a part of a scene could stand instead among what is there. */
export class OtherPlaces {
  private readonly hash: PointHash
  private judge: PlaceJudge | undefined
  private readonly nodeOf: ReadonlyMap<string, number>

  constructor(private readonly scene: Scene) {
    const { grips } = scene
    this.hash = new PointHash(grips)
    for (let grip = 0; grip < grips.count; grip++) this.hash.put(grip)
    this.nodeOf = new Map(scene.nodes.map(({ id }, node) => [id, node]))
  }

  /** Where a part takes hold of what is there, u. @param node its own, which holds nothing of itself */
  holdsAt({ shape, pose }: Pick<PlacedPart, 'shape' | 'pose'>, node: number, isThere: (node: number) => boolean): Vec[] {
    const { grips } = this.scene
    const own = ownGrips(shape, pose)
    const found: Vec[] = []
    for (let i = 0; i < own.count; i++) {
      const [x, y, z] = [own.at[i * 3]!, own.at[i * 3 + 1]!, own.at[i * 3 + 2]!]
      for (let grip = this.hash.first(x, y, z, own.code[i]!); grip >= 0; grip = this.hash.next[grip]!) {
        const other = grips.node[grip]!
        if (other === node || !isThere(other)) continue
        if ((own.role[i] === ROLE.receives) === (grips.role[grip] === ROLE.receives)) continue
        found.push([x, y, z])
        break
      }
    }
    return found
  }

  /** Whether a part would stand free of all that is there, and be held. */
  isPossible(part: PlacedPart, node: number, isThere: (node: number) => boolean): boolean {
    this.judge ??= new PlaceJudge(this.scene.nodes)
    const { heldBy, collidesWith } = this.judge.judge([part], new Set([this.scene.nodes[node]!.id]))
    const there = (id: string): boolean => isThere(this.nodeOf.get(id)!)
    return heldBy.some(there) && !collidesWith.some(there)
  }
}

/** The grips of a part that stands in the lattice. */
const ownGrips = (shape: Shape, pose: Pose): Scene['grips'] =>
  buildScene([{ id: '', kind: 'part', source: shape.id, parts: [{ ...NO_PART, shape, pose }] }]).grips

const NO_PART = {
  path: '',
  part: { id: '', shape: '', colour: '', at: [0, 0, 0] },
  colour: '',
  lacksTwin: false,
  isMirrored: false,
} as const
