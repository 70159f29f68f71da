import { Budget } from '../fault'
import { partHull, type Scene } from '../scene'
import { boxAt, unite, type Box } from '../space'

/** A scene as the eye needs it: which parts each node has, and how far all reaches. */
export interface PictureScene {
  readonly scene: Scene
  /** The parts of node n are list[start[n]] … list[start[n + 1] − 1]. */
  readonly start: Int32Array
  readonly list: Int32Array
  readonly box: Box
  /** Dots that may still be drawn to look at it. */
  budget: Budget
}

/** Dots that a look may draw: some whole pictures, and so many for each part; six times what buildings need. */
const DOTS = 60_000_000
const DOTS_OF_PART = 30_000

/** Begins a look: what was drawn for others before does not count. */
export function beginLook(scene: Scene): void {
  pictureSceneOf(scene).budget = budgetOf(scene)
}

const budgetOf = ({ parts }: Scene): Budget =>
  new Budget(DOTS + DOTS_OF_PART * parts.length, 'drawing of parts that cover each other', 'Move apart what stands in one place.')

export const pictureSceneOf = (scene: Scene): PictureScene => scene.tables.of(makePictureScene, scene)

function makePictureScene(scene: Scene): PictureScene {
  const start = new Int32Array(scene.nodes.length + 1)
  for (const node of scene.partNode) start[node + 1]!++
  for (let node = 0; node < scene.nodes.length; node++) start[node + 1]! += start[node]!
  const fill = start.slice()
  const list = new Int32Array(scene.parts.length)
  scene.partNode.forEach((node, part) => (list[fill[node]!++] = part))
  return { scene, start, list, box: boxAround(scene), budget: budgetOf(scene) }
}

const boxAround = ({ parts }: Scene): Box => (parts.length === 0 ? boxAt([0, 0, 0], [10, 10, 4]) : parts.map(partHull).reduce(unite))
