import type { BoxTable, Scene } from '../scene'
import { axisOf, BoxTree, senseOf, STUD_HEIGHT, type Axis, type Box, type Direction, type Vec } from '../space'
import type { SpaceLeft } from './space-left'
import { isAlong } from './travel'

/**
 * Slide and press, which real hands use where nothing goes straight: a part travels lifted by the height of a stud, then goes
 * home along `press`. Here it is read backwards: lifted off its studs against `press`, it leaves along `out`.
 *
 * @returns a node that is in the way, −1 when there is none; lattice bodies only
 */
export function pressBlocker(space: SpaceLeft, node: number, out: Direction, press: Direction): number {
  const { start, list, joint } = space.joints.adjacency
  for (let k = start[node]!; k < start[node + 1]!; k++) {
    if (space.isThere[list[k]!] === 1 && !isAlong(space.joints.list[joint[k]!]!, press)) return list[k]!
  }
  let found = -1
  eachPressObstacle(space, { node, out, press }, (other) => {
    found = other
    return true
  })
  return found
}

/** A node that leaves lifted off its studs: along `out`, having been pressed home along `press`. */
export interface Pressed {
  readonly node: number
  readonly out: Direction
  readonly press: Direction
}

/** Calls `found` with every present node in the way of a slide and press; stops when it returns true. */
export function eachPressObstacle(space: SpaceLeft, { node, out, press }: Pressed, found: (other: number) => boolean): void {
  const { scene, isThere } = space
  const rows = rowsOf(scene)
  const stages = [liftStage(scene, rows[node]!, press), slideStage(scene, rows[node]!, out, press)]
  const tree = treeOf(scene)
  const asked = new Set<number>()
  for (const stage of stages) {
    const isFound = tree.each(hullOf(stage), (other) => {
      if (other === node || isThere[other] === 0 || asked.has(other)) return false
      if (!stages.some((each) => meetsNode(scene, rows[other]!, each))) return false
      asked.add(other)
      return found(other)
    })
    if (isFound) return
  }
}

/** Boxes that a node passes through, and the axis it travels along: studs along that axis do not count. */
interface PressedBody {
  readonly axis: Axis
  /** min x, y, z, max x, y, z, and 0 for a body, 1 for an open body, 2 for a stud. */
  readonly boxes: readonly (readonly number[])[]
}

const BODY = 0
const OPEN = 1
const STUD = 2
const FAR = 1_000_000

interface Rows {
  readonly bodies: number[]
  readonly studs: number[]
}

const rowsOf = (scene: Scene): readonly Rows[] => scene.tables.of(listRows, scene)

function listRows({ nodes, bodies, studs }: Scene): readonly Rows[] {
  const rows = nodes.map((): Rows => ({ bodies: [], studs: [] }))
  for (let i = 0; i < bodies.count; i++) rows[bodies.node[i]!]!.bodies.push(i)
  for (let i = 0; i < studs.count; i++) rows[studs.node[i]!]!.studs.push(i)
  return rows
}

/** The nodes by the boxes around them, studs included. */
const treeOf = (scene: Scene): BoxTree => scene.tables.of(makeTree, scene.nodeBoxes)

const makeTree = (nodeBoxes: readonly Box[]): BoxTree =>
  new BoxTree(nodeBoxes.map(({ min, max }) => ({ min: shifted(min, -STUD_HEIGHT), max: shifted(max, STUD_HEIGHT) })))

const shifted = ([x, y, z]: Vec, by: number): Vec => [x + by, y + by, z + by]

function hullOf({ boxes }: PressedBody): Box {
  const least = (k: number): number => boxes.reduce((all, box) => Math.min(all, box[k]!), Infinity)
  const most = (k: number): number => boxes.reduce((all, box) => Math.max(all, box[k]!), -Infinity)
  return { min: [least(0), least(1), least(2)], max: [most(3), most(4), most(5)] }
}

function boxesOf(scene: Scene, rows: Rows, travelAxis: Axis): number[][] {
  const box = (table: BoxTable, i: number, kind: number): number[] => [...table.boxes.subarray(i * 6, i * 6 + 6), kind]
  return [
    ...rows.bodies.map((i) => box(scene.bodies, i, scene.bodies.mark[i] === 1 ? OPEN : BODY)),
    ...rows.studs.filter((i) => scene.studs.mark[i] !== travelAxis).map((i) => box(scene.studs, i, STUD)),
  ]
}

/** Stretches a box along a direction by a length. */
function stretch(box: readonly number[], direction: Direction, by: number): number[] {
  const stretched = [...box]
  const axis = axisOf(direction)
  if (senseOf(direction) === 1) stretched[axis + 3]! += by
  else stretched[axis]! -= by
  return stretched
}

function liftStage(scene: Scene, rows: Rows, press: Direction): PressedBody {
  const axis = axisOf(press)
  return { axis, boxes: boxesOf(scene, rows, axis).map((box) => stretch(box, (press ^ 1) as Direction, STUD_HEIGHT)) }
}

function slideStage(scene: Scene, rows: Rows, out: Direction, press: Direction): PressedBody {
  const axis = axisOf(out)
  const lift = -senseOf(press) * STUD_HEIGHT
  const lifted = boxesOf(scene, rows, axis).map((box) => {
    const moved = [...box]
    moved[axisOf(press)]! += lift
    moved[axisOf(press) + 3]! += lift
    return stretch(moved, out, FAR)
  })
  return { axis, boxes: lifted }
}

function meetsNode(scene: Scene, rows: Rows, stage: PressedBody): boolean {
  const meets = (table: BoxTable, i: number, kind: number): boolean => {
    const at = i * 6
    const { boxes } = table
    return stage.boxes.some(
      (box) =>
        box[6]! + kind !== OPEN + STUD &&
        box[0]! < boxes[at + 3]! &&
        boxes[at]! < box[3]! &&
        box[1]! < boxes[at + 4]! &&
        boxes[at + 1]! < box[4]! &&
        box[2]! < boxes[at + 5]! &&
        boxes[at + 2]! < box[5]!,
    )
  }
  return (
    rows.bodies.some((i) => meets(scene.bodies, i, scene.bodies.mark[i] === 1 ? OPEN : BODY)) ||
    rows.studs.some((i) => scene.studs.mark[i] !== stage.axis && meets(scene.studs, i, STUD))
  )
}

/** Ways to slide and press, the usual first: home downward, then sideways, then upward. */
export const PRESSES: readonly { readonly out: Direction; readonly press: Direction }[] = ([5, 3, 2, 0, 1, 4] as const).flatMap((press) =>
  ([3, 2, 0, 1, 4, 5] as const).filter((out) => axisOf(out) !== axisOf(press)).map((out) => ({ out, press })),
)
