import { memoLast, memoList, memoPair } from '../memo'
import { extendCatalogue, type Catalogue, type Colour, type OwnShape, type Shape } from '../catalogue'
import {
  add,
  apply,
  composePoses,
  isMirroring,
  mirrorMatrix,
  multiply,
  NO_TURN,
  rotationMatrix,
  scale,
  subtract,
  turnFromText,
  TURNS,
  type Pose,
} from '../space'
import { jointPose } from './joint-pose'
import { withExceptions } from './exceptions'
import { shapeOfPart } from './lengths'
import { partPose } from './part-pose'
import { copiesOf, isLoose, partsOf, sectionById, type Copy, type ModelDocument, type Part, type Section } from './types'

/** A part as it stands in space: its shape (the mirror twin inside mirrored copies) and the pose of the shape's own frame. */
export interface PlacedPart {
  /** Copy ids and the part id, joined by "/": stable while ids are. */
  readonly path: string
  readonly part: Part
  readonly shape: Shape
  readonly colour: string
  readonly pose: Pose
  /** The mirror image is needed but the shape has no twin in the catalogue. */
  readonly lacksTwin: boolean
  /** It stands in a mirrored copy: its pose turns all the same, since the shape is exchanged for its twin. */
  readonly isMirrored: boolean
}

const NONE: readonly never[] = []

/** The catalogue with the model's own shapes and colours; made once for each list of them, since lists are never changed in place. */
export const catalogueOf = ({ shapes = NONE, palette = NONE }: Pick<ModelDocument, 'shapes' | 'palette'>): Catalogue =>
  extended(shapes, palette)

const extended = memoPair((shapes: readonly OwnShape[], palette: readonly Colour[]): Catalogue => extendCatalogue(shapes, palette))

/** Where a copy stands in the section that holds it. */
export function copyPose(model: ModelDocument, section: Section, copy: Copy): Pose {
  return copy.joint ? jointPose(model, section, { ...copy, joint: copy.joint }, catalogueOf(model)) : ownPose(copy)
}

/** Where a copy stands that no joint carries. */
function ownPose(copy: Copy): Pose {
  const turned = copy.rotate ? rotationMatrix(copy.rotate) : TURNS[copy.turn === undefined ? NO_TURN : turnFromText(copy.turn)!]!
  return { matrix: copy.mirror === undefined ? turned : multiply(turned, mirrorMatrix(copy.mirror)), at: copy.at ?? [0, 0, 0] }
}

/**
 * Brings a pose that mirrors back to one that only turns, by exchanging the shape for its mirror twin.
 * With F the reflection that takes the shape to its twin about the middle of the body box, p = F(p' − c') + c.
 */
export function exchangeForTwin(shape: Shape, pose: Pose, catalogue: Catalogue): { shape: Shape; pose: Pose; lacksTwin: boolean } {
  if (!isMirroring(pose)) return { shape, pose, lacksTwin: false }
  const twin = shape.mirror.twin === null ? undefined : catalogue.shapes.get(shape.mirror.twin)
  if (!twin) return { shape, pose, lacksTwin: true }
  const reflection = shape.mirror.reflection
  const shift = subtract(scale(shape.box, 0.5), apply(reflection, scale(twin.box, 0.5)))
  return {
    shape: twin,
    pose: {
      matrix: multiply(pose.matrix, reflection),
      at: add(apply(pose.matrix, shift), pose.at),
    },
    lacksTwin: false,
  }
}

/** A part of a section's own, in its lattice; the same object as long as the part is. @throws RangeError for a loose part */
export const placedPart = (part: Part, catalogue: Catalogue): PlacedPart => placedIn(catalogue, part)

const placedIn = memoPair((catalogue: Catalogue, part: Part): PlacedPart => {
  const shape = shapeOfPart(part, catalogue.shapes)
  return { path: part.id, part, shape, colour: part.colour, pose: partPose(part, shape), lacksTwin: false, isMirrored: false }
})

const placedParts = memoLast((parts: readonly Part[], catalogue: Catalogue): readonly PlacedPart[] =>
  parts.filter((part) => !isLoose(part)).map((part) => placedPart(part, catalogue)),
)

/** What one copy brings of what its section holds, standing at a pose. */
function copiedParts(copy: Copy, content: readonly PlacedPart[], outer: Pose, catalogue: Catalogue): readonly PlacedPart[] {
  return content.map((inner) => {
    const exchanged = exchangeForTwin(inner.shape, composePoses(outer, inner.pose), catalogue)
    return {
      path: `${copy.id}/${inner.path}`,
      part: inner.part,
      colour: inner.colour,
      shape: exchanged.shape,
      pose: exchanged.pose,
      lacksTwin: exchanged.lacksTwin,
      isMirrored: inner.isMirrored !== (copy.mirror !== undefined),
    }
  })
}

/** The same of a copy that stands where it says itself. */
const fixedParts = memoLast((copy: Copy, content: readonly PlacedPart[], catalogue: Catalogue) =>
  copiedParts(copy, content, ownPose(copy), catalogue),
)

const allParts = memoList((_: Section, lists: readonly (readonly PlacedPart[])[]): readonly PlacedPart[] => lists.flat())

/**
 * Flattens one section after another and keeps what it has made, since sections are used many times. After an edit what has not
 * changed is made of the very objects from before.
 */
export class Flattener {
  private readonly catalogue: Catalogue
  private readonly made = new Map<string, readonly PlacedPart[]>()

  constructor(private readonly model: ModelDocument) {
    this.catalogue = catalogueOf(model)
  }

  /** The section's own placed parts, in its lattice. */
  own = (section: Section): readonly PlacedPart[] => placedParts(partsOf(section), this.catalogue)

  /** Own parts and those of all copies, in the section's lattice. */
  all(sectionId: string): readonly PlacedPart[] {
    let placed = this.made.get(sectionId)
    if (!placed) this.made.set(sectionId, (placed = this.everything(sectionById(this.model, sectionId))))
    return placed
  }

  private everything(section: Section): readonly PlacedPart[] {
    const own = this.own(section)
    const copies = copiesOf(section)
    return copies.length === 0 ? own : allParts(section, [own, ...copies.map((copy) => this.copy(section, copy))])
  }

  /** The parts one copy brings, in the lattice of the section that holds the copy. */
  copy(section: Section, copy: Copy): readonly PlacedPart[] {
    const content = copy.except
      ? this.everything(withExceptions(sectionById(this.model, copy.section), copy.except))
      : this.all(copy.section)
    if (!copy.joint) return fixedParts(copy, content, this.catalogue)
    return copiedParts(copy, content, copyPose(this.model, section, copy), this.catalogue)
  }
}

/** How often each section is built as it stands and as its mirror image, for one whole model. */
export interface SectionUse {
  readonly times: number
  readonly mirrored: number
}

export function sectionUses(model: ModelDocument): Map<string, SectionUse> {
  const uses = new Map<string, { times: number; mirrored: number }>()
  for (const section of model.sections) uses.set(section.id, { times: 0, mirrored: 0 })
  uses.get(model.root)!.times = 1
  for (const id of buildingOrder(model).reverse()) {
    const use = uses.get(id)!
    for (const copy of copiesOf(sectionById(model, id))) {
      const inner = uses.get(copy.section)!
      const flips = copy.mirror !== undefined
      inner.times += flips ? use.mirrored : use.times
      inner.mirrored += flips ? use.times : use.mirrored
    }
  }
  return uses
}

/** The section and all it uses, directly or through others, itself first. */
export function sectionsWithin(model: ModelDocument, id: string): Set<string> {
  const seen = new Set([id])
  for (const each of seen) for (const { section } of copiesOf(sectionById(model, each))) seen.add(section)
  return seen
}

/** Section ids, each before those that use it, else in file order: that is how a designer says which rail comes first. What the root does not reach comes last. */
export function buildingOrder(model: ModelDocument): string[] {
  const order: string[] = []
  const seen = new Set<string>()
  const place = new Map(model.sections.map(({ id }, i) => [id, i]))
  const visit = (id: string): void => {
    if (seen.has(id)) return
    seen.add(id)
    const used = [...new Set(copiesOf(sectionById(model, id)).map(({ section }) => section))]
    for (const each of used.sort((a, b) => place.get(a)! - place.get(b)!)) visit(each)
    order.push(id)
  }
  visit(model.root)
  for (const section of model.sections) visit(section.id)
  return order
}
