import { boxAt, DIRECTION_VECTORS, MINUS_Z, PLUS_Z, STUD_HEIGHT, STUD_PITCH, type Direction, type Matrix, type Vec } from '../space'
import { meshOf, type Mesh } from './mesh'
import type { Solid } from './solid'
import type { BodyBox, Connector, Shape } from './types'

/** Sends +x to −x: the mirror plane of everything that is alike on its left and right. */
export const LEFT_RIGHT: Matrix = [-1, 0, 0, 0, 1, 0, 0, 0, 1]
/** Swaps −y and +x: the mirror plane of corner pieces, whose corner looks to +x −y. */
export const CORNER_DIAGONAL: Matrix = [0, -1, 0, -1, 0, 0, 0, 0, 1]

/** What a shape is called, by the program and by people. */
export type ShapeName = Pick<Shape, 'id' | 'family' | 'title'>

/** What a family gives; the rest follows from it. */
export interface ShapeRecipe {
  readonly id: string
  readonly family: string
  readonly title: string
  readonly box: Vec
  readonly bodies?: readonly BodyBox[]
  readonly connectors: readonly Connector[]
  /** Left out: its own mirror image, left to right. */
  readonly twin?: string | null
  readonly reflection?: Matrix
  /** What it looks like without its studs, which are added from the connectors. Left out: the body boxes. */
  readonly form?: readonly Solid[]
}

/** Builds a shape; its mesh is made when it is first looked at, since most models use a few dozen shapes. */
export function makeShape(recipe: ShapeRecipe): Shape {
  const bodies = recipe.bodies ?? [boxAt([0, 0, 0], recipe.box)]
  let mesh: Mesh | undefined
  let plainMesh: Mesh | undefined
  return {
    id: recipe.id,
    family: recipe.family,
    title: recipe.title,
    box: recipe.box,
    bodies,
    connectors: recipe.connectors,
    mirror: {
      twin: recipe.twin === undefined ? recipe.id : recipe.twin,
      reflection: recipe.reflection ?? LEFT_RIGHT,
    },
    get mesh() {
      mesh ??= meshOf([...plainForm(recipe, bodies), ...recipe.connectors.filter(({ kind }) => kind === 'stud').map(studForm)])
      return mesh
    },
    get plainMesh() {
      plainMesh ??= meshOf(plainForm(recipe, bodies))
      return plainMesh
    },
  }
}

const STUD_SIDES = 18
/** Drawn a little slimmer than the 3 u of its body, so that the corner studs of round pieces stay inside the round. */
const STUD_RADIUS = 2.85

const plainForm = ({ form }: ShapeRecipe, bodies: readonly BodyBox[]): readonly Solid[] =>
  form ?? bodies.map(({ min, max }): Solid => ({ kind: 'box', min, max }))

const studForm = ({ at, facing }: Connector): Solid => ({
  kind: 'stump',
  foot: at,
  axis: DIRECTION_VECTORS[facing]!,
  bottom: STUD_RADIUS,
  top: STUD_RADIUS,
  height: STUD_HEIGHT,
  sides: STUD_SIDES,
})

/** One stud that stands on the origin; with fewer sides than pieces are drawn with, where there are very many. */
export const studMesh = (sides = STUD_SIDES): Mesh =>
  meshOf([{ ...studForm({ kind: 'stud', at: [0, 0, 0], facing: PLUS_Z }), sides } as Solid])

/** The middles of the cells of a rectangle `columns` × `rows`, in u. */
export function cellMiddles(columns: number, rows: number): [number, number][] {
  const cells: [number, number][] = []
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) cells.push([column * STUD_PITCH + 5, row * STUD_PITCH + 5])
  return cells
}

export const studsAt = (cells: readonly (readonly [number, number])[], height: number): Connector[] =>
  cells.map(([x, y]) => ({ kind: 'stud', at: [x, y, height], facing: PLUS_Z }))

export const socketsAt = (cells: readonly (readonly [number, number])[]): Connector[] =>
  cells.map(([x, y]) => ({ kind: 'socket', at: [x, y, 0], facing: MINUS_Z }))

export const sideStud = (at: Vec, facing: Direction): Connector => ({ kind: 'stud', at, facing })

/** "2x4" → [2, 4]. */
export function parseSize(size: string): [number, number] {
  const [small, large] = size.split('x').map(Number)
  return [small!, large!]
}

export const sizeTitle = (size: string): string => size.replace('x', ' × ')
