import type { Catalogue } from '@core/catalogue'

/** Builds a model from its spoken text alone, by rules of its own: what a listener would do. */

type Triple = [number, number, number]
type Rows = [Triple, Triple, Triple]

/** A piece in the frame of its section: the matrix that turns its shape, and its box, u. */
export interface BuiltPiece {
  readonly shape: string
  readonly colour: string
  readonly matrix: Rows
  readonly low: Triple
  readonly high: Triple
}

const WAYS: Readonly<Record<string, Triple>> = {
  'to the right': [1, 0, 0],
  'to the left': [-1, 0, 0],
  backward: [0, 1, 0],
  forward: [0, -1, 0],
  upward: [0, 0, 1],
  downward: [0, 0, -1],
}
const wayOf = (words: string): Triple => WAYS[words] ?? (words.replace('towards ', '').split(' ').map(Number) as Triple)

const times = (m: Rows, v: readonly number[]): Triple => m.map((row) => row[0] * v[0]! + row[1] * v[1]! + row[2] * v[2]!) as Triple
const product = (a: Rows, b: Rows): Rows => {
  const columns = [0, 1, 2].map((k) => times(a, [b[0][k]!, b[1][k]!, b[2][k]!]))
  return [0, 1, 2].map((i) => [columns[0]![i]!, columns[1]![i]!, columns[2]![i]!]) as Rows
}
const cross = (a: Triple, b: Triple): Triple => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
const plus = (a: Triple, b: Triple): Triple => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
const minus = (a: Triple, b: Triple): Triple => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const MIRROR: Rows = [
  [-1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

interface Told {
  readonly what: string
  readonly matrix: Rows
  readonly at: Triple
  readonly isTilted: boolean
  readonly isMirrored: boolean
}

const PLACE =
  /: stud (-?\d+)(?: and ([\d.]+) mm)?, row (-?\d+)(?: and ([\d.]+) mm)?, (?:at the bottom|(-?\d+) plates? up(?: and ([\d.]+) mm)?)\.$/

function readLine(line: string): Told {
  const place = PLACE.exec(line)
  if (!place) throw new Error(`no place in “${line}”`)
  const [, stud, studMm, row, rowMm, plates, platesMm] = place
  const u = (mm: string | undefined): number => Number(mm ?? 0) / 0.8
  const at: Triple = [(Number(stud) - 1) * 10 + u(studMm), (Number(row) - 1) * 10 + u(rowMm), Number(plates ?? 0) * 4 + u(platesMm)]
  const head = line.slice(0, place.index)
  const top = wayOf(/, its top ([^,]+)/.exec(head)?.[1] ?? 'upward')
  const along = wayOf(/, its length ([^,]+)/.exec(head)?.[1] ?? 'to the right')
  const back = cross(top, along)
  const turned = [0, 1, 2].map((i) => [along[i]!, back[i]!, top[i]!]) as Rows
  const isMirrored = head.includes(', as its mirror image')
  return {
    what: head.replace(/, (as its mirror image|its (top|length)).*$/, ''),
    matrix: isMirrored ? product(turned, MIRROR) : turned,
    at,
    isTilted: head.includes('towards'),
    isMirrored,
  }
}

const boxOf = (matrix: Rows, low: Triple, high: Triple): [Triple, Triple] => {
  const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((i) =>
    times(matrix, [i & 1 ? high[0] : low[0], i & 2 ? high[1] : low[1], i & 4 ? high[2] : low[2]]),
  )
  const along = (pick: (...values: number[]) => number): Triple =>
    [0, 1, 2].map((k) => pick(...corners.map((corner) => corner[k]!))) as Triple
  return [along(Math.min), along(Math.max)]
}

function place(told: Told, low: Triple, high: Triple): { shift: Triple } {
  if (told.isTilted) return { shift: minus(told.at, times(told.matrix, low)) }
  return { shift: minus(told.at, boxOf(told.matrix, low, high)[0]) }
}

function pieceOf(told: Told, catalogue: Catalogue): BuiltPiece {
  const named = /^(.*) in (.*?)(?:, [\d.]+ mm long)?$/.exec(told.what)
  const shape = [...catalogue.shapes.values()].find(({ title }) => title === named?.[1])
  const colour = [...catalogue.colours.values()].find(({ name }) => name.toLowerCase() === named?.[2])?.id
  if (!shape || colour === undefined) throw new Error(`no piece in “${told.what}”`)
  const [low, high] = boxOf(told.matrix, [0, 0, 0], [...shape.box] as Triple)
  const { shift } = place(told, [0, 0, 0], [...shape.box] as Triple)
  return { shape: shape.id, colour, matrix: told.matrix, low: plus(low, shift), high: plus(high, shift) }
}

/** A piece of a finished section, where that is put; a mirrored one is its twin. */
function carried(piece: BuiltPiece, { told, shift, catalogue }: { told: Told; shift: Triple; catalogue: Catalogue }): BuiltPiece {
  const [low, high] = boxOf(told.matrix, piece.low, piece.high)
  const matrix = product(told.matrix, piece.matrix)
  const { mirror } = catalogue.shapes.get(piece.shape)!
  const r = mirror.reflection
  const reflection: Rows = [
    [r[0], r[1], r[2]],
    [r[3], r[4], r[5]],
    [r[6], r[7], r[8]],
  ]
  return {
    ...piece,
    ...(told.isMirrored ? { shape: mirror.twin ?? piece.shape, matrix: product(matrix, reflection) } : { matrix }),
    low: plus(low, shift),
    high: plus(high, shift),
  }
}

/** @returns all pieces of the section that is told last, in its own frame */
export function buildFromWords(text: string, catalogue: Catalogue): BuiltPiece[] {
  const sections = new Map<string, BuiltPiece[]>()
  let pieces: BuiltPiece[] = []
  for (const line of text.split('\n')) {
    const section = /^Section ([A-Z]+): /.exec(line)
    if (section) sections.set(section[1]!, (pieces = []))
    if (!line.startsWith('- ')) continue
    const joined = /^- Section ([A-Z]+), /.exec(line)
    if (!joined) {
      pieces.push(pieceOf(readLine(line.slice(2)), catalogue))
      continue
    }
    const content = sections.get(joined[1]!)!
    if (line.endsWith('at the place that its own steps say.')) {
      pieces.push(...content)
      continue
    }
    const told = readLine(line.slice(2))
    const low = [0, 1, 2].map((k) => Math.min(...content.map((piece) => piece.low[k]!))) as Triple
    const high = [0, 1, 2].map((k) => Math.max(...content.map((piece) => piece.high[k]!))) as Triple
    const { shift } = place(told, low, high)
    pieces.push(...content.map((piece) => carried(piece, { told, shift, catalogue })))
  }
  return pieces
}
