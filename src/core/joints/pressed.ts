import type { PlacedPart } from '../model'
import type { Scene } from '../scene'
import {
  apply,
  axisOf,
  DIRECTION_VECTORS,
  directionOf,
  isLatticePose,
  PLATE_HEIGHT,
  posed,
  PLUS_Z,
  STUD_PITCH,
  vecOf,
  type Vec,
} from '../space'

/** A plate or tile on edge, and two upright studs with only its thickness between them. Parts by index into the scene. */
export interface PressedPlace {
  readonly edge: number
  /** Owners of the studs on its two sides. */
  readonly studs: readonly [number, number]
  /** In the middle between the feet of the studs, u. */
  readonly at: Vec
}

const ON_EDGE: ReadonlySet<string> = new Set(['plate', 'tile'])

/** Every place where a plate or tile on edge stands pressed between two studs, in lattice poses. O(studs and lengths of such plates). */
export function findPressed(scene: Scene): PressedPlace[] {
  const edges = scene.parts.flatMap((placed, part) => (standsOnEdge(placed) ? [part] : []))
  if (edges.length === 0) return []
  const studs = uprightStuds(scene)
  return edges.flatMap((edge) => placesAlong(scene, edge, studs))
}

function placesAlong(scene: Scene, edge: number, studs: ReadonlyMap<string, number>): PressedPlace[] {
  const { shape, pose } = scene.parts[edge]!
  const corners = [posed(pose, [0, 0, 0]), posed(pose, shape.box)]
  const low = vecOf((k) => Math.min(corners[0]![k], corners[1]![k]))
  const high = vecOf((k) => Math.max(corners[0]![k], corners[1]![k]))
  const across = high[0] - low[0] === PLATE_HEIGHT ? 0 : 1
  const along = across === 0 ? 1 : 0
  const found: PressedPlace[] = []
  for (let place = low[along]; place <= high[along]; place += STUD_PITCH / 2) {
    const at = (side: number): [number, number, number] => {
      const foot: [number, number, number] = [0, 0, low[2]]
      foot[across] = low[across] + PLATE_HEIGHT / 2 + (side * STUD_PITCH) / 2
      foot[along] = place
      return foot
    }
    const [before, behind] = [studs.get(at(-1).join()), studs.get(at(1).join())]
    if (before !== undefined && behind !== undefined && before !== edge && behind !== edge)
      found.push({ edge, studs: [before, behind], at: at(0) })
  }
  return found
}

function standsOnEdge({ shape, pose }: PlacedPart): boolean {
  if (!ON_EDGE.has(shape.family) || !isLatticePose(pose)) return false
  return axisOf(directionOf(apply(pose.matrix, DIRECTION_VECTORS[PLUS_Z]!))!) !== 2
}

/** The owner of every stud that points up, by where it stands. */
function uprightStuds(scene: Scene): Map<string, number> {
  const studs = new Map<string, number>()
  scene.parts.forEach(({ shape, pose }, part) => {
    if (!isLatticePose(pose)) return
    for (const { kind, at, facing } of shape.connectors) {
      if (kind !== 'stud' || apply(pose.matrix, DIRECTION_VECTORS[facing]!)[2] !== 1) continue
      studs.set(
        posed(pose, at)
          .map((value) => value + 0)
          .join(),
        part,
      )
    }
  })
  return studs
}
