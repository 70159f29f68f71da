import type { Box, Direction, Matrix, Vec } from '../space'
import type { Mesh } from './mesh'

export type ConnectorKind = 'stud' | 'socket'

/** Where a shape takes hold: a place on its surface (u, own frame) and the direction it faces. */
export interface Connector {
  readonly kind: ConnectorKind
  readonly at: Vec
  readonly facing: Direction
}

/** One box of a shape's body. `open` boxes stop other bodies but let a stud in (the cut cells of a wedge plate). */
export interface BodyBox extends Box {
  readonly open?: true
}

/** How a shape looks in a mirror: the shape its image is (itself, its twin, or none) and the reflection that says so. */
export interface Mirror {
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
