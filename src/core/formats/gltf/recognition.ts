import type { Catalogue, OwnShape, Shape } from '../../catalogue'
import { alikeFits, columnBoxes, extentOf, fitsOf, type FormFit, type Triangles } from '../../form'
import { readShapeCell, type Alias } from '../../names'
import { apply, MM_PER_U, scale, subtract, transpose, TURNS, type Pose, type Vec } from '../../space'
import { scaled } from './find-scale'
import type { DrawnForm, DrawnPiece } from './pieces'

/** What a drawn piece was recognised as. */
export interface Recognised {
  readonly by: 'name' | 'form' | 'none'
  readonly shape: string
  /** Shapes that fit as well. */
  readonly others: readonly string[]
  /** Of the shape's own frame, in the frame of the form, u. */
  readonly pose: Pose
}

/** Recognises forms one after another; each form once, and once for each name it is called by. */
export class Recognition {
  private readonly byForm = new Map<DrawnForm, readonly FormFit[]>()
  private readonly byName = new Map<string, Recognised | undefined>()
  private readonly numbers = new Map<DrawnForm, number>()
  private readonly unknown = new Map<DrawnForm, Recognised>()
  readonly ownShapes: OwnShape[] = []
  private readonly shapes: readonly Shape[]
  private readonly ids = new Map<string, string | undefined>()

  /** @param mmPerUnit of the file */
  constructor(
    private readonly catalogue: Catalogue,
    private readonly mmPerUnit: number,
    private readonly names: readonly Alias[] = [],
  ) {
    this.shapes = [...catalogue.shapes.values()]
  }

  /** All fits of a form, the best first. */
  fits(form: DrawnForm): readonly FormFit[] {
    let fits = this.byForm.get(form)
    if (!fits) this.byForm.set(form, (fits = fitsOf(this.inU(form), this.shapes)))
    return fits
  }

  recognise(piece: DrawnPiece): Recognised {
    const named = this.namedShape(piece)
    if (named) {
      const found = this.asNamed(piece.form, named.shape, { isSure: named.isSure })
      if (found) return found
    }
    const fits = this.fits(piece.form)
    const [first] = fits
    if (!first) return this.unknownForm(piece.form)
    const others = alikeFits(fits)
      .slice(1)
      .map(({ shape }) => shape.id)
    return { by: 'form', shape: first.shape.id, others, pose: poseOf(first) }
  }

  private inU(form: DrawnForm): Triangles {
    return scaled(form.triangles, this.mmPerUnit / MM_PER_U)
  }

  /** The shape that a node or its mesh is named by: an id is sure, words are not. */
  private namedShape({ node, meshName }: DrawnPiece): { readonly shape: Shape; readonly isSure: boolean } | undefined {
    const told = node.extras.shape
    for (const [i, said] of [typeof told === 'string' ? told : '', meshName, node.name].entries()) {
      const id = said === '' ? undefined : this.idNamed(said)
      if (id !== undefined) return { shape: this.catalogue.shapes.get(id)!, isSure: i === 0 || this.catalogue.shapes.has(said) }
    }
    return undefined
  }

  /** Programs add numbers to names that stand twice: "brick 2x4.003". */
  private idNamed(said: string): string | undefined {
    if (!this.ids.has(said)) {
      const plain = said
        .replace(/[._ -]0*\d{3,}$/, '')
        .replace(/_/g, ' ')
        .trim()
      const tries = [said, plain, plain.replace(/ /g, '-').toLowerCase()]
      const id = tries.find((each) => this.catalogue.shapes.has(each))
      // Words must name a size or be an own name: "horn" may be anybody's horn.
      const words = id ?? (/\d/.test(plain) || this.names.length > 0 ? readShapeCell(plain, this.catalogue, this.names).id : undefined)
      this.ids.set(said, words)
    }
    return this.ids.get(said)
  }

  private asNamed(form: DrawnForm, shape: Shape, { isSure }: { readonly isSure: boolean }): Recognised | undefined {
    const number = this.numbers.get(form) ?? this.numbers.size
    this.numbers.set(form, number)
    const key = `${number} ${shape.id}`
    if (!this.byName.has(key)) this.byName.set(key, this.findNamed(form, shape, isSure))
    return this.byName.get(key)
  }

  private findNamed(form: DrawnForm, shape: Shape, isSure: boolean): Recognised | undefined {
    const [fit] = fitsOf(this.inU(form), [shape])
    const named = (pose: Pose): Recognised => ({ by: 'name', shape: shape.id, others: [], pose })
    if (fit) return named(poseOf(fit))
    if (!isSure && this.fits(form).length > 0) return undefined
    return named(bodyPose(this.inU(form), shape))
  }

  /** A form that nothing fits: an own shape of boxes. */
  private unknownForm(form: DrawnForm): Recognised {
    let found = this.unknown.get(form)
    if (!found) {
      const id = `unknown-${this.ownShapes.length + 1}`
      const { boxes, at } = columnBoxes(this.inU(form))
      this.ownShapes.push({ id, name: `Unknown ${this.ownShapes.length + 1}`, boxes })
      found = { by: 'none', shape: id, others: [], pose: { matrix: TURNS[0]!, at } }
      this.unknown.set(form, found)
    }
    return found
  }
}

const poseOf = ({ turn, at }: FormFit): Pose => ({ matrix: TURNS[turn]!, at })

/** How a drawing that only has a name lies: with its body box along the drawing, as little turned as may be. */
function bodyPose(triangles: Triangles, shape: Shape): Pose {
  const { size, middle } = extentOf(triangles)
  const apart = (matrix: Pose['matrix']): number =>
    apply(transpose(matrix), size).reduce((sum, side, axis) => sum + Math.abs(Math.abs(side) - shape.box[axis]!), 0)
  const matrix = TURNS.reduce((one, other) => (apart(other) < apart(one) - 0.01 ? other : one))
  const half: Vec = scale(shape.box, 0.5)
  return { matrix, at: subtract(middle, apply(matrix, half)) }
}
