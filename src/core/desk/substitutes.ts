import { studCount, type Catalogue, type Shape } from '../catalogue'
import { ADVICE_IN_ENGLISH, type Said } from '../language'
import { catalogueOf, partsOf, sectionUses, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { EFFORTS } from '../plan'
import { BRICK_HEIGHT, MM_PER_U, PLATE_HEIGHT, STUD_PITCH } from '../space'
import type { OfferBook } from './books'
import { ANY_COLOUR, kindOf, type DeskPiece } from './piece'
import { isOfPiece, plateStand, rowStand, sectionsWith, WhatIf, type StandIn } from './replacing'
import { stacksOf } from './stacks-found'

/** What could stand in for a piece that is missing. */
export interface Substitute {
  readonly for: DeskPiece
  readonly use: readonly DeskPiece[]
  readonly kind: 'split' | 'stack' | 'colour' | 'near'
  /** What changes for the builder, as a sentence. */
  readonly consequence: string
  /** The same as data, for whoever reads another language than English. */
  readonly told: Said
  /** Height gained; lost where it is negative. */
  readonly mm?: number
  /** Codes of findings that come with it. */
  readonly findings?: readonly string[]
}

/** Pieces whose substitutes are tried out by planning their sections; more would take minutes. */
const MOST_TRIED = 120
/** Other shapes that are tried for one piece. */
const MOST_NEAR = 4
/** Pieces in a row that stand for one long one, at most. */
const MOST_IN_ROW = 4
const ROW_FAMILIES = new Set(['plate', 'tile', 'brick'])

/**
 * Substitutes for what is missing, from what is spare or offered. `split` and `stack` are offered only where the sections that use the
 * piece can still be built; `near` carries the findings that come with it.
 */
export function findSubstitutes(
  model: ModelDocument,
  missing: readonly DeskPiece[],
  { spare, offers, how }: { readonly spare: readonly DeskPiece[]; readonly offers: OfferBook | undefined; readonly how: 'exact' | 'near' },
): Substitute[] {
  const finder = new SubstituteFinder(model, new Sources(spare, offers))
  const exact = missing.flatMap((piece) => [...finder.split(piece), ...finder.stack(piece), ...finder.otherColour(piece)])
  return how === 'exact' ? exact : [...exact, ...missing.flatMap((piece) => finder.near(piece))]
}

/** What substitutes can be taken from. */
class Sources {
  private readonly counts = new Map<string, number>()

  constructor(spare: readonly DeskPiece[], offers: OfferBook | undefined) {
    const add = (shape: string, colour: string, count: number): void => {
      const key = `${shape}\n${colour}`
      this.counts.set(key, (this.counts.get(key) ?? 0) + count)
    }
    for (const { shape, colour, count, work } of spare) if (!work) add(shape, colour, count)
    for (const supplier of offers?.suppliers ?? [])
      for (const { shape, colour, available = Infinity, work } of supplier.offers) if (!work) add(shape, colour, available)
  }

  has(shape: string, colour: string): number {
    return this.counts.get(`${shape}\n${colour}`) ?? 0
  }

  /** A colour in which there is enough of a shape: the one asked for, or for any the one of which there is most. */
  colourFor(shape: string, colour: string, count: number): string | undefined {
    if (colour !== ANY_COLOUR) return this.has(shape, colour) >= count ? colour : undefined
    return this.coloursOf(shape, count)[0]
  }

  /** Colours in which there is enough of a shape, most first. */
  coloursOf(shape: string, count: number): string[] {
    return [...this.counts]
      .filter(([key, there]) => key.startsWith(`${shape}\n`) && there >= count)
      .sort(([, a], [, b]) => b - a)
      .map(([key]) => key.slice(shape.length + 1))
  }
}

class SubstituteFinder {
  private readonly catalogue: Catalogue
  private readonly whatIf: WhatIf
  private tried = 0
  private hiddenParts: ReadonlyMap<string, ReadonlySet<string>> | undefined

  constructor(
    private readonly model: ModelDocument,
    private readonly sources: Sources,
  ) {
    this.catalogue = catalogueOf(model)
    this.whatIf = new WhatIf(model)
  }

  private findings(piece: DeskPiece, stand: StandIn): string[] | undefined {
    if (this.tried >= MOST_TRIED || sectionsWith(this.model, piece).length === 0) return undefined
    this.tried++
    return this.whatIf.newFindings(piece, stand)
  }

  /** Shorter ones in a row, as few as can be. */
  split(piece: DeskPiece): Substitute[] {
    const shape = this.catalogue.shapes.get(piece.shape)
    if (!shape || piece.work || !ROW_FAMILIES.has(shape.family) || !/^[a-z]+-\d+x\d+$/.test(shape.id)) return []
    for (const lengths of rowsOf(shape.box[0] / STUD_PITCH)) {
      const row = lengths.map((length) => this.pieceOfRow(shape, length))
      if (row.some((each) => each === undefined)) continue
      const use = this.used(piece, row as Shape[])
      if (!use) continue
      const findings = this.findings(piece, rowStand(row as Shape[]))
      if (!findings) continue
      return [
        {
          for: piece,
          use,
          kind: 'split',
          ...changing({ key: lengths.length === 2 ? 'substitute.seamOne' : 'substitute.seams', about: { n: lengths.length } }),
        },
      ]
    }
    return []
  }

  /** Of the same width, lying the same way. */
  private pieceOfRow(like: Shape, length: number): Shape | undefined {
    const across = like.box[1] / STUD_PITCH
    const shape = this.catalogue.shapes.get(`${like.family}-${Math.min(length, across)}x${Math.max(length, across)}`)
    return shape && shape.box[0] === length * STUD_PITCH && shape.box[1] === like.box[1] ? shape : undefined
  }

  /** The pieces that a stand takes, where there are enough of them. */
  private used(piece: DeskPiece, shapes: readonly Shape[]): DeskPiece[] | undefined {
    const counts = new Map<string, number>()
    for (const { id } of shapes) counts.set(id, (counts.get(id) ?? 0) + piece.count)
    const use: DeskPiece[] = []
    for (const [shape, count] of counts) {
      const colour = this.sources.colourFor(shape, piece.colour, count)
      if (colour === undefined) return undefined
      use.push({ shape, colour, count })
    }
    return use
  }

  /** A brick by three plates, or three plates that lie on each other by a brick. */
  stack(piece: DeskPiece): Substitute[] {
    const shape = this.catalogue.shapes.get(piece.shape)
    if (!shape || piece.work) return []
    const size = /^(brick|plate)-(\d+x\d+)$/.exec(shape.id)
    if (!size) return []
    const other = this.catalogue.shapes.get(`${size[1] === 'brick' ? 'plate' : 'brick'}-${size[2]!}`)
    if (!other) return []
    if (size[1] === 'brick') {
      const use = this.used(piece, [other, other, other])
      if (!use || shape.box[2] !== BRICK_HEIGHT || !this.findings(piece, plateStand(other))) return []
      return [{ for: piece, use, kind: 'stack', ...changing({ key: 'substitute.threePlates' }), mm: 0 }]
    }
    const stacks = Math.min(stacksOf(this.model, piece), Math.floor(piece.count / 3))
    const colour = stacks > 0 ? this.sources.colourFor(other.id, piece.colour, stacks) : undefined
    if (colour === undefined) return []
    return [
      {
        for: { ...piece, count: stacks * 3 },
        use: [{ shape: other.id, colour, count: stacks }],
        kind: 'stack',
        ...changing({ key: 'substitute.oneBrick' }),
        mm: 0,
      },
    ]
  }

  /** Another colour where the part never shows. */
  otherColour(piece: DeskPiece): Substitute[] {
    if (piece.colour === ANY_COLOUR || piece.work) return []
    const hidden = (this.hiddenParts ??= hiddenPartsOf(this.model))
    const uses = sectionUses(this.model)
    const count = this.model.sections.reduce((sum, section) => {
      const { times, mirrored } = uses.get(section.id)!
      const ids = hidden.get(section.id)
      return sum + (times + mirrored) * partsOf(section).filter((part) => ids?.has(part.id) && isOfPiece(part, piece)).length
    }, 0)
    const most = Math.min(count, piece.count)
    const colour = most > 0 ? this.sources.coloursOf(piece.shape, most).find((each) => each !== piece.colour) : undefined
    if (colour === undefined) return []
    const name = this.catalogue.colours.get(colour)?.name ?? colour
    return [
      {
        for: { ...piece, count: most },
        use: [{ ...kindOf(piece), colour, count: most }],
        kind: 'colour',
        ...changing({ key: 'substitute.otherColour', about: { colour: { within: { colour: name } } } }),
      },
    ]
  }

  /** Another shape on the same ground. */
  near(piece: DeskPiece): Substitute[] {
    const shape = this.catalogue.shapes.get(piece.shape)
    if (!shape || piece.work || piece.lengthMm !== undefined) return []
    const alike = [...this.catalogue.shapes.values()]
      .filter((other) => other.id !== shape.id && other.box[0] === shape.box[0] && other.box[1] === shape.box[1])
      .filter(
        (other) =>
          Math.abs(other.box[2] - shape.box[2]) <= PLATE_HEIGHT &&
          this.sources.colourFor(other.id, piece.colour, piece.count) !== undefined,
      )
      .sort((a, b) => unlikeness(a, shape) - unlikeness(b, shape))
      .slice(0, MOST_NEAR)
    let best: Substitute | undefined
    for (const other of alike) {
      const findings = this.findings(piece, [{ shape: other, shift: [0, 0, 0] }])
      if (!findings || (best && best.findings!.length <= findings.length)) continue
      const mm = Number(((other.box[2] - shape.box[2]) * MM_PER_U).toFixed(2)) + 0
      best = {
        for: piece,
        use: [{ shape: other.id, colour: this.sources.colourFor(other.id, piece.colour, piece.count)!, count: piece.count }],
        kind: 'near',
        ...changing(nearWords(shape, other, mm)),
        mm,
        findings,
      }
    }
    return best ? [best] : []
  }
}

/** How far one shape is from another on the same ground. */
const unlikeness = (a: Shape, b: Shape): number =>
  Math.abs(a.box[2] - b.box[2]) * 10 + Math.abs(studCount(a) - studCount(b)) * 2 + (a.family === b.family ? 0 : 1)

function nearWords(shape: Shape, other: Shape, mm: number): Said {
  const changes: Said[] = []
  const studs = studCount(other) - studCount(shape)
  if (studs !== 0) changes.push({ key: studs > 0 ? 'substitute.studsMore' : 'substitute.studsFewer', n: Math.abs(studs) })
  if (mm !== 0) changes.push({ key: mm > 0 ? 'substitute.higher' : 'substitute.lower', about: { mm: Math.abs(mm) } })
  const shapes = { other: { piece: other.title }, shape: { within: { piece: shape.title } } }
  if (changes.length === 0) return { key: 'substitute.inPlace', about: shapes }
  return { key: 'substitute.inPlaceWith', about: { ...shapes, changes: { list: changes } } }
}

const changing = (told: Said): Pick<Substitute, 'consequence' | 'told'> => ({ consequence: ADVICE_IN_ENGLISH.say(told), told })

/** As programs have it: what changes is told as a sentence. */
export const printedSubstitute = ({ told: _told, ...printed }: Substitute): Omit<Substitute, 'told'> => printed

/** Lengths in a row that make one, fewest first, the longest first in each. */
function* rowsOf(length: number): Generator<number[]> {
  for (let count = 2; count <= Math.min(MOST_IN_ROW, length); count++) yield* rows(length, count, length - 1)
}

function* rows(length: number, count: number, most: number): Generator<number[]> {
  if (count === 1) {
    if (length <= most) yield [length]
    return
  }
  for (let first = Math.min(most, length - count + 1); first * count >= length; first--)
    for (const rest of rows(length - first, count - 1, first)) yield [first, ...rest]
}

/** Parts that never show from outside, by section. */
export function hiddenPartsOf(model: ModelDocument): Map<string, ReadonlySet<string>> {
  const { findings } = reportModel(model, { effort: EFFORTS.quick }).report
  return new Map(findings.filter(({ code }) => code === 'never-seen').map(({ section, parts }) => [section, new Set(parts)]))
}
