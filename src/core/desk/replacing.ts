import type { Shape } from '../catalogue'
import { catalogueOf, isLoose, partPose, partsOf, shapeOfPart, type ModelDocument, type Part, type Section } from '../model'
import { reportModel } from '../pipeline'
import { EFFORTS } from '../plan'
import { apply, mapVec, PLATE_HEIGHT, posedBox, type Vec } from '../space'
import { ANY_COLOUR, deskKey, deskPiece, type DeskPiece } from './piece'

/** What stands in place of a part: shapes, each shifted in the part's own frame, u. */
export type StandIn = readonly { readonly shape: Shape; readonly shift: Vec }[]

/** Whether a part is of a kind of piece. */
export function isOfPiece({ shape, colour, length, work, showsColour }: Part, piece: DeskPiece): boolean {
  const own = deskPiece({
    shape,
    colour: showsColour === false ? ANY_COLOUR : colour,
    count: 1,
    ...(length === undefined ? {} : { length }),
    ...(work ? { work } : {}),
  })
  return deskKey(own) === deskKey(piece)
}

/** The sections that use a piece in place. */
export const sectionsWith = (model: ModelDocument, piece: DeskPiece): Section[] =>
  model.sections.filter((section) => partsOf(section).some((part) => !isLoose(part) && isOfPiece(part, piece)))

/** The parts that stand in place of one: the first keeps its id. @param colour of all of them; its own where missing */
export function standParts(part: Part, stand: StandIn, shapes: ReadonlyMap<string, Shape>, colour = part.colour): Part[] {
  const pose = partPose(part, shapeOfPart(part, shapes))
  const { length: _length, ...kept } = part
  return stand.map(({ shape, shift }, i) => {
    const moved = apply(pose.matrix, shift)
    const { min } = posedBox(
      { matrix: pose.matrix, at: mapVec(pose.at, (value, axis) => value + moved[axis]) },
      { min: [0, 0, 0], max: shape.box },
    )
    return { ...kept, id: i === 0 ? part.id : `${part.id} · ${i + 1}`, shape: shape.id, colour, at: min }
  })
}

/** A section with every part of a piece replaced; its steps are laid anew. */
function replaced(section: Section, piece: DeskPiece, stand: StandIn, shapes: ReadonlyMap<string, Shape>): Section {
  const { steps: _steps, planRest: _rest, places: _places, ...rest } = section
  const parts = partsOf(section).flatMap((part) => (isLoose(part) || !isOfPiece(part, piece) ? [part] : standParts(part, stand, shapes)))
  return { ...rest, parts }
}

/** Shapes in a row along the length of the piece that they stand for. */
export function rowStand(row: readonly Shape[]): StandIn {
  let at = 0
  return row.map((shape) => {
    const shift = [at, 0, 0] as const
    at += shape.box[0]
    return { shape, shift }
  })
}

/** Three plates on each other. */
export const plateStand = (plate: Shape): StandIn => [0, 1, 2].map((i) => ({ shape: plate, shift: [0, 0, i * PLATE_HEIGHT] as const }))

/** Findings of sections as they are, and as they would be; each section is planned at most once as it is. */
export class WhatIf {
  private readonly before = new Map<string, readonly string[]>()
  private readonly shapes: ReadonlyMap<string, Shape>

  constructor(private readonly model: ModelDocument) {
    this.shapes = catalogueOf(model).shapes
  }

  /** Codes of findings that come with a replacement, errors first; undefined where it cannot be built. */
  newFindings(piece: DeskPiece, stand: StandIn): string[] | undefined {
    const codes: string[] = []
    for (const section of sectionsWith(this.model, piece)) {
      const before = [...this.codesOf(section.id)]
      for (const found of this.findings(replaced(section, piece, stand, this.shapes))) {
        const known = before.indexOf(found)
        if (known >= 0) before.splice(known, 1)
        else if (found.startsWith('error')) return undefined
        else codes.push(found.replace(/^\w+: /, ''))
      }
    }
    return [...new Set(codes)]
  }

  private codesOf(id: string): readonly string[] {
    let known = this.before.get(id)
    if (!known) {
      const { steps: _steps, planRest: _rest, ...section } = this.model.sections.find((each) => each.id === id)!
      this.before.set(id, (known = this.findings(section)))
    }
    return known
  }

  private findings(section: Section): string[] {
    const sections = this.model.sections.map((each) => (each.id === section.id ? section : each))
    const { figures: _figures, ...rest } = this.model
    const { findings } = reportModel({ ...rest, root: section.id, sections }, { effort: EFFORTS.quick }).report
    return findings.filter((found) => found.section === section.id).map(({ severity, code }) => `${severity}: ${code}`)
  }
}
