import { studCount, type Catalogue, type ConnectorKind, type Shape } from '../catalogue'
import { axisOf } from '../space'
import { vocabularyOf, type VocabularyEntry } from './vocabulary'

/** Where a piece in the hand has its studs. */
export type StudPlace = 'top' | 'part-of-top' | 'side' | 'none'

/** What one sees of a piece without knowing its name. All that is left out is not asked. */
export interface ShapeLook {
  /** Studs across and along, in either order. */
  readonly footprint?: readonly [number, number]
  /** In plates. */
  readonly height?: number
  readonly studs?: StudPlace
  readonly joins?: JoinSort
  readonly isRound?: boolean
}

/** What a piece can take hold of besides studs, in the words of someone who looks at it. */
export const JOIN_SORTS = {
  'a bar': ['clip'],
  'a clip': ['bar'],
  'a pin or an axle': ['hole', 'cross'],
  'a hole': ['pin', 'axle', 'hose'],
  'a ball': ['cup'],
  'a cup': ['ball'],
  'a hinge': ['fork', 'tongue', 'post', 'ring'],
} as const satisfies Record<string, readonly ConnectorKind[]>
export type JoinSort = keyof typeof JOIN_SORTS

/** The shapes that look so, in the order of the catalogue. */
export const shapesThatLook = (catalogue: Catalogue, sight: ShapeLook): Shape[] =>
  vocabularyOf(catalogue.shapes)
    .filter((entry) => looksSo(entry, sight))
    .map(({ shape }) => shape)

function looksSo(entry: VocabularyEntry, { footprint, height, studs, joins, isRound }: ShapeLook): boolean {
  const { shape, size } = entry
  if (footprint) {
    const [across, along] = [...footprint].sort((a, b) => a - b)
    if (size[0] !== across || size[1] !== along) return false
  }
  if (height !== undefined && Math.round(entry.height * 2) !== Math.round(height * 2)) return false
  if (studs && studPlace(entry) !== studs) return false
  if (joins && !shape.connectors.some(({ kind }) => (JOIN_SORTS[joins] as readonly ConnectorKind[]).includes(kind))) return false
  if (isRound !== undefined && ROUND.some((word) => entry.own.has(word)) !== isRound) return false
  return true
}

const ROUND = ['round', 'cone', 'dome', 'quarter', 'wheel', 'gear', 'curve', 'curved', 'turntable', 'bush']

function studPlace({ shape, size }: VocabularyEntry): StudPlace {
  const studs = shape.connectors.filter(({ kind }) => kind === 'stud')
  if (studs.some(({ facing }) => axisOf(facing) !== 2)) return 'side'
  if (studCount(shape) === 0) return 'none'
  return size.length === 2 && studs.length < size[0]! * size[1]! ? 'part-of-top' : 'top'
}
