import type { Box, Direction, Matrix, Vec } from '../space'
import type { Mesh } from './mesh'

/**
 * How a shape takes hold. Each joins its counterpart: stud with socket or mouth (of a hole), bar with clip, pin with hole,
 * axle with hole or cross (which carries turning too), hose (tube and cord) with hole, ball with cup, tongue with fork,
 * post with ring. `holds.ts` says what each joint lets move.
 */
export const CONNECTOR_KINDS = [
  'stud',
  'socket',
  'mouth',
  'bar',
  'clip',
  'pin',
  'axle',
  'hose',
  'hole',
  'cross',
  'ball',
  'cup',
  'tongue',
  'fork',
  'post',
  'ring',
] as const
export type ConnectorKind = (typeof CONNECTOR_KINDS)[number]

/** Where a shape takes hold: a place (u, own frame) and the direction it faces. */
export interface Connector {
  readonly kind: ConnectorKind
  /** On the surface for studs, sockets, mouths, posts and rings; on the axis for all that turns or slides. */
  readonly at: Vec
  /** Away from the body; of a clip, cup, fork: where it is open; of a bar, axle, hose: where it runs from `at`. */
  readonly facing: Direction
  /** Of a bar, axle or hose: how long it runs, u. It can be held at every u of it. */
  readonly length?: number
  /** The axis turned about, where it is not `facing`: of a clip the way of the bar it holds, of a fork or tongue the hinge's. */
  readonly along?: Direction
}

/** One box of a shape's body. `open` boxes stop other bodies but let a stud in (the cut cells of a wedge plate). */
export interface BodyBox extends Box {
  readonly open?: true
  /** A ball, bar or peg: in a free pose the box inside its round counts, so that it may turn where it is held. */
  readonly round?: true
}

/** How a shape looks in a mirror: the shape its image is (itself, its twin, or none) and the reflection that says so. */
interface Mirror {
  readonly twin: string | null
  /** Takes the shape, about the middle of its body box, to its twin. */
  readonly reflection: Matrix
}

/** An entry of the catalogue. The body box has its lowest corner at the origin of the shape's own frame. */
export interface Shape {
  readonly id: string
  readonly family: string
  /** What a person calls it: "Plate 2 × 4". */
  readonly title: string
  /** Size of the body box in u. */
  readonly box: Vec
  readonly bodies: readonly BodyBox[]
  readonly connectors: readonly Connector[]
  readonly mirror: Mirror
  readonly mesh: Mesh
  /** The same without its studs: enough to tell what hides what. */
  readonly plainMesh: Mesh
}

export type Finish = 'solid' | 'clear' | 'metal' | 'glow'

export interface Colour {
  readonly id: string
  readonly name: string
  readonly hex: string
  readonly finish: Finish
}
