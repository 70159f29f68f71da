import type { Shape } from '../catalogue'
import { keepNoteParts, partPose, type ModelDocument, type Part } from '../model'
import { apply, posedBox, STUD_PITCH, type Pose, mapVec } from '../space'

/** Families whose longer pieces can be laid as two shorter ones of the same kind. */
const DIVISIBLE = new Set(['brick', 'plate', 'tile'])

/**
 * Two parts that fill the place of one: the same family, cut across its length at the middle, or a stud beside it.
 * @returns undefined where the catalogue has no such pieces
 */
export function halvesOf(
  part: Part,
  shapes: ReadonlyMap<string, Shape>,
  taken: ReadonlySet<string> = new Set(),
): readonly [Part, Part] | undefined {
  const shape = shapes.get(part.shape)
  if (!shape || part.at === undefined || !DIVISIBLE.has(shape.family)) return undefined
  const pose = partPose(part, shape)
  const [along, across] = [shape.box[0] / STUD_PITCH, shape.box[1] / STUD_PITCH]
  for (let first = Math.ceil(along / 2); first < along; first++) {
    const [a, b] = [shapeOf(shape, first, across, shapes), shapeOf(shape, along - first, across, shapes)]
    // A piece that is wider than it is long stands the other way round in its own frame.
    if (a && b && a.box[0] === first * STUD_PITCH && b.box[0] === (along - first) * STUD_PITCH) {
      return [
        { id: freeId(`${part.id}-a`, taken), ...placed(part, pose, a, 0) },
        { id: freeId(`${part.id}-b`, taken), ...placed(part, pose, b, first * STUD_PITCH) },
      ]
    }
  }
  return undefined
}

const shapeOf = (like: Shape, along: number, across: number, shapes: ReadonlyMap<string, Shape>): Shape | undefined =>
  shapes.get(`${like.family}-${Math.min(along, across)}x${Math.max(along, across)}`)

/** A piece in the place of a part, `shift` u along it. */
function placed(whole: Part, pose: Pose, piece: Shape, shift: number): Omit<Part, 'id'> {
  const moved = apply(pose.matrix, [shift, 0, 0])
  const at = posedBox({ matrix: pose.matrix, at: mapVec(pose.at, (value, i) => value + moved[i]) }, { min: [0, 0, 0], max: piece.box }).min
  const { id: _id, ...rest } = whole
  return { ...rest, shape: piece.id, at }
}

/** The document with the parts of one section changed; given steps forget parts that are gone. */
export function withParts(model: ModelDocument, sectionId: string, change: (parts: readonly Part[]) => readonly Part[]): ModelDocument {
  const sections = model.sections.map((section) => {
    if (section.id !== sectionId) return section
    const parts = change(section.parts ?? [])
    const known = new Set(parts.map((part) => part.id))
    const steps = section.steps?.map((step) =>
      keepNoteParts(step.add ? { ...step, add: step.add.filter((id) => known.has(id)) } : step, (id) => known.has(id)),
    )
    return { ...section, parts, ...(steps ? { steps } : {}) }
  })
  return { ...model, sections }
}

const freeId = (id: string, taken: ReadonlySet<string>): string => (taken.has(id) ? freeId(`${id}'`, taken) : id)
