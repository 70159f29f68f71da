import { ENGLISH, type Words } from '../language'
import type { Shape } from '../catalogue'
import { STUD_PITCH } from '../space'
import type { PieceCount } from './count'

/** What a tray says of a piece besides its shape and colour: its length, and what was done to it. Empty for most. */
export function pieceExtras({ length, work = [] }: Pick<PieceCount, 'length' | 'work'>, { say, number }: Words = ENGLISH): string {
  const done = work.map(({ kind, note, decal }) => {
    const words = [decal, note].filter((word) => word !== undefined && word !== '')
    const what = say(`piece.work.${kind}`)
    return words.length > 0 ? `${what} (${words.join(', ')})` : what
  })
  return [...(length === undefined ? [] : [say('piece.long', { n: number(length) })]), ...done].join(', ')
}

/** Families whose pieces are told from each other by their length alone. */
const LONG_FAMILIES = new Set(['beam', 'axle', 'bar'])
const RECTANGLES = new Set(['plate', 'brick', 'tile'])
/** Studs: shorter ones are seen at a glance. */
const LONG = 6

/** What stands on the picture of a long piece: "8 studs", "60 mm"; empty for the others. */
export function lengthLabel(
  { shape: id, length }: Omit<PieceCount, 'count'>,
  shapes: ReadonlyMap<string, Shape>,
  { say, number }: Words = ENGLISH,
): string {
  if (length !== undefined) return `${number(length)} mm`
  const shape = shapes.get(id)
  if (!shape) return ''
  const [short, long] = [Math.min(shape.box[0], shape.box[1]), Math.max(...shape.box)]
  const isLong = RECTANGLES.has(shape.family) && long >= LONG * STUD_PITCH && short <= 2 * STUD_PITCH
  const named = LONG_FAMILIES.has(shape.family) ? /-(\d+)$/.exec(id) : null
  if (named) return say('piece.studs', { n: named[1]! })
  return isLong ? say('piece.studs', { n: long / STUD_PITCH }) : ''
}
