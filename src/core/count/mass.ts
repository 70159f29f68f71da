import { ENGLISH, type Said, type SaidAbout, type Words, rounded } from '../language'
import { massOf, type Catalogue } from '../catalogue'
import { memo } from '../memo'
import { buildingOrder, catalogueOf, copiesOf, partsOf, sectionsById, shapeOfPart, type ModelDocument } from '../model'
import { trayOf, type PieceCount } from './count'

/** How much something weighs, g: an estimate, and between what it surely lies. */
export interface Mass {
  readonly grams: number
  readonly low: number
  readonly high: number
}

/** The mass of a piece is good to about a fifth; a heap of kinds is hardly better, since they are off the same way. */
const SHARE = 0.2

const massOfGrams = (grams: number): Mass => ({ grams, low: grams * (1 - SHARE), high: grams * (1 + SHARE) })
const gramsOf = (pieces: readonly PieceCount[], { shapes }: Pick<Catalogue, 'shapes'>): number =>
  pieces.reduce((sum, piece) => sum + piece.count * massOf(shapeOfPart(piece, shapes)), 0)

export const massOfPieces = (pieces: readonly PieceCount[], catalogue: Pick<Catalogue, 'shapes'>): Mass =>
  massOfGrams(gramsOf(pieces, catalogue))

/** Of each section, by id: what it weighs with all that it joins. */
export const sectionMasses = memo((model: ModelDocument): ReadonlyMap<string, Mass> => {
  const catalogue = catalogueOf(model)
  const sections = sectionsById(model)
  const grams = new Map<string, number>()
  for (const id of buildingOrder(model)) {
    const section = sections.get(id)!
    const joined = copiesOf(section).reduce((sum, copy) => sum + grams.get(copy.section)!, 0)
    grams.set(id, gramsOf(trayOf(partsOf(section)), catalogue) + joined)
  }
  return new Map([...grams].map(([id, each]) => [id, massOfGrams(each)]))
})

/** The same for designers. */
export function massSaid({ grams, low, high }: Mass): Said {
  const figure = (value: number): SaidAbout => rounded(value, value < 10 ? 1 : 0)
  return { key: 'mass.about', about: { grams: figure(grams), low: figure(low), high: figure(high) } }
}

/** "about 12 g (10 to 14)". */
export function massWords({ grams, low, high }: Mass, { say, number }: Words = ENGLISH): string {
  const figure = (value: number): string => (value < 10 ? number(value, 1) : number(Math.round(value)))
  return say('mass.about', { grams: figure(grams), low: figure(low), high: figure(high) })
}
