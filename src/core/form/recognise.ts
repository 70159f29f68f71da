import type { Shape } from '../catalogue'
import { memo } from '../memo'
import { apply, mapVec, subtract, transpose, TURNS, type Turn, type Vec } from '../space'
import { formDifference } from './compare'
import { depthForm, gridOver, turnedBack, type DepthForm, type DepthGrid } from './depth-form'
import { extentOf, shapeExtent, shapeTriangles, type FormExtent, type Triangles } from './triangles'

/** A shape that a form fits, how it is turned, and where the lowest corner of its body box stands (before any turn) in that frame. */
export interface FormFit {
  readonly shape: Shape
  readonly turn: Turn
  /** The origin of the shape's own frame, in the frame of the triangles, u. */
  readonly at: Vec
  /** How much they differ: 0 is the same. */
  readonly difference: number
}

/** Cells that may differ of any side. */
const MOST_DIFFERENCE = 0.18
/** A fit this much worse than the best is none to speak of; nearer ones cannot be told apart. */
const ALIKE = 0.012
/** A drawing may be larger than the shape by this much, u, and smaller: bodies drawn small, round ones with few sides. */
const LARGER = 0.6
const smaller = (size: number): number => Math.min(1.8, 0.6 + 0.08 * size)

const shapeForm = memo((shape: Shape): DepthForm => depthForm(shapeTriangles(shape)))

/** Forms asked for again and again: of each turn of a mesh and each grid, made when it is first needed. */
class TurnedForms {
  private readonly forms = new Map<string, DepthForm>()
  private readonly turned = new Map<string, DepthForm>()

  constructor(private readonly triangles: Triangles) {}

  /** As the mesh would stand if it were turned back. */
  form(turn: Turn, grid: DepthGrid): DepthForm {
    const key = `${turn} ${grid.cells.join()}`
    let turned = this.turned.get(key)
    if (!turned) this.turned.set(key, (turned = turnedBack(this.lying(apply(TURNS[turn]!, grid.cells), grid.cell), TURNS[turn]!)))
    return turned
  }

  /** As it lies, on a grid of so many cells; a negative count runs backwards. */
  private lying(counts: Vec, cell: number): DepthForm {
    const key = counts.join()
    let form = this.forms.get(key)
    if (!form) this.forms.set(key, (form = depthForm(this.triangles, { cells: mapVec(counts, Math.abs), cell }, mapVec(counts, Math.sign))))
    return form
  }
}

/**
 * All shapes and turns whose drawn form fits triangles, the best first; of turns that the form cannot tell apart the first of the 24.
 * @param shapes among which is looked
 */
export function fitsOf(triangles: Triangles, shapes: Iterable<Shape>): FormFit[] {
  const extent = extentOf(triangles)
  const forms = new TurnedForms(triangles)
  const fits: FormFit[] = []
  const sides = inOrder(extent.size)
  for (const shape of shapes) {
    // Most are of another size, however they are turned.
    if (!isNear(sides, sidesOf(shape))) continue
    const best = bestTurn(shape, extent, forms)
    if (best) fits.push(best)
  }
  return fits.sort((a, b) => a.difference - b.difference)
}

/** Those of the fits that are as good as the first, which must be good: what the form alone cannot tell apart. */
export const alikeFits = (fits: readonly FormFit[]): readonly FormFit[] =>
  fits.filter(({ difference }) => difference <= fits[0]!.difference + ALIKE)

function bestTurn(shape: Shape, extent: FormExtent, forms: TurnedForms): FormFit | undefined {
  const { size, middle } = shapeExtent(shape)
  const grid = gridOver(size)
  let best: FormFit | undefined
  TURNS.forEach((matrix, turn) => {
    const turned = apply(transpose(matrix), extent.size)
    if (!isNear(turned, size)) return
    const { most, sum } = formDifference(shapeForm(shape), forms.form(turn, grid), MOST_DIFFERENCE)
    if (most > MOST_DIFFERENCE || (best && sum >= best.difference - 1e-6)) return
    best = { shape, turn, difference: sum, at: subtract(extent.middle, apply(matrix, middle)) }
  })
  return best
}

/** The sides of an extent, the shortest first. */
const inOrder = (size: Vec): Vec => [...size].sort((a, b) => a - b) as unknown as Vec
const sidesOf = memo((shape: Shape): Vec => inOrder(shapeExtent(shape).size))

function isNear(asked: Vec, size: Vec): boolean {
  for (const axis of [0, 1, 2] as const) {
    const [found, side] = [Math.abs(asked[axis]), size[axis]]
    if (found > side + LARGER || found < side - smaller(side)) return false
  }
  return true
}

/** The turns under which the drawn form of a shape is the same; no turn is the first of them. */
export const formSymmetry = memo((shape: Shape): readonly Turn[] => {
  const forms = new TurnedForms(shapeTriangles(shape))
  const form = shapeForm(shape)
  const near = (a: Vec, b: Vec): boolean => a.every((value, axis) => Math.abs(Math.abs(value) - b[axis]!) < 0.05)
  return TURNS.flatMap((matrix, turn) => {
    if (turn === 0) return [0]
    const { size } = form.extent
    return near(apply(transpose(matrix), size), size) && formDifference(form, forms.form(turn, gridOver(size)), ALIKE).sum < ALIKE
      ? [turn]
      : []
  })
})
