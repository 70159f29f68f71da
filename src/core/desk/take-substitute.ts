import type { Shape } from '../catalogue'
import {
  catalogueOf,
  documentOfVersion,
  isLoose,
  keepNoteParts,
  partsOf,
  sectionUses,
  type GivenStep,
  type ModelDocument,
  type Part,
  type Section,
} from '../model'
import type { DeskPiece } from './piece'
import { isOfPiece, plateStand, rowStand, standParts } from './replacing'
import { stacksIn } from './stacks-found'
import { hiddenPartsOf, type Substitute } from './substitutes'

/** What stands in place of parts, by their ids; nothing where a part goes. */
type Replacements = ReadonlyMap<string, readonly Part[]>

/**
 * The model with a substitute in place of as many pieces as it is for, over all copies, section after section; what a section is
 * built of is the same in all its copies, so the last one may take a few more. Given steps bring what stands in place of their parts.
 * @returns the same document where nothing of the piece stands in it
 */
export function takeSubstitute(model: ModelDocument, substitute: Substitute): ModelDocument {
  const uses = sectionUses(documentOfVersion(model))
  const choose = chooserOf(model, substitute)
  let left = substitute.for.count
  let isChanged = false
  const sections = model.sections.map((section) => {
    const { times, mirrored } = uses.get(section.id) ?? { times: 0, mirrored: 0 }
    const most = times + mirrored === 0 ? 0 : Math.ceil(left / (times + mirrored))
    const chosen = most > 0 ? choose(section, most) : []
    if (chosen.length === 0) return section
    isChanged = true
    left -= (times + mirrored) * chosen.reduce((sum, { count }) => sum + count, 0)
    return withReplaced(section, new Map(chosen.flatMap(({ parts }) => [...parts])))
  })
  return isChanged ? { ...model, sections } : model
}

/** One replacement, and how many pieces it does away with. */
interface Chosen {
  readonly parts: Replacements
  readonly count: number
}

/** Chooses what of a section is replaced, so many pieces at most (a whole stack where they go together). */
function chooserOf(model: ModelDocument, { for: piece, use, kind }: Substitute): (section: Section, most: number) => Chosen[] {
  const { shapes } = catalogueOf(model)
  const own = (section: Section): Part[] => partsOf(section).filter((part) => !isLoose(part) && isOfPiece(part, piece))
  const { colour } = use[0]!
  if (kind === 'colour') {
    const hidden = hiddenPartsOf(documentOfVersion(model))
    return (section, most) =>
      own(section)
        .filter(({ id }) => hidden.get(section.id)?.has(id))
        .slice(0, most)
        .map((part) => ({ parts: new Map([[part.id, [{ ...part, colour }]]]), count: 1 }))
  }
  if (kind === 'stack' && use[0]!.count < piece.count) {
    const brick = shapes.get(use[0]!.shape)!
    return (section, most) =>
      stacksIn(section, piece)
        .slice(0, Math.ceil(most / 3))
        .map(([below, middle, above]) => ({
          parts: new Map([
            [below.id, standParts(below, [{ shape: brick, shift: [0, 0, 0] }], shapes, colour)],
            [middle.id, []],
            [above.id, []],
          ]),
          count: 3,
        }))
  }
  const row = rowOf(piece, use, shapes)
  const stand = kind === 'stack' ? plateStand(row[0]!) : rowStand(row)
  return (section, most) =>
    own(section)
      .slice(0, most)
      .map((part) => ({ parts: new Map([[part.id, standParts(part, stand, shapes, colour)]]), count: 1 }))
}

/** What stands for one piece, the longest first. */
const rowOf = (piece: DeskPiece, use: readonly DeskPiece[], shapes: ReadonlyMap<string, Shape>): Shape[] =>
  use
    .flatMap(({ shape, count }) => Array.from({ length: Math.round(count / piece.count) }, () => shapes.get(shape)!))
    .sort((a, b) => b.box[0] - a.box[0])

function withReplaced(section: Section, replacements: Replacements): Section {
  const { steps, places } = section
  const idsFor = (id: string): readonly string[] => replacements.get(id)?.map((part) => part.id) ?? [id]
  const isThere = (id: string): boolean => idsFor(id).length > 0
  return {
    ...section,
    parts: partsOf(section).flatMap((part) => replacements.get(part.id) ?? [part]),
    ...(steps ? { steps: steps.flatMap((step) => stepReplaced(step, idsFor, isThere)) } : {}),
    ...(places ? { places: places.filter(({ part }) => isThere(part)) } : {}),
  }
}

/** None where nothing of it is left. */
function stepReplaced(step: GivenStep, idsFor: (id: string) => readonly string[], isThere: (id: string) => boolean): GivenStep[] {
  if (!step.add) return [keepNoteParts(step, isThere)]
  const add = step.add.flatMap(idsFor)
  return add.length === 0 && !step.join?.length ? [] : [keepNoteParts({ ...step, add }, isThere)]
}
