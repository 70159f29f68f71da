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

/** What a listener of a language listens for. */
interface Tongue {
  /** To the right, to the left, backward, forward, upward, downward. */
  readonly ways: readonly string[]
  readonly towards: string
  readonly stud: string
  readonly row: string
  readonly and: string
  readonly bottom: string
  /** As a pattern, after the number. */
  readonly up: string
  readonly mirror: string
  readonly top: string
  readonly length: string
  readonly in: string
  readonly long: string
  readonly section: string
  readonly ownPlace: string
}

const TONGUES = {
  en: {
    ways: ['to the right', 'to the left', 'backward', 'forward', 'upward', 'downward'],
    ...{ towards: 'towards', stud: 'stud', row: 'row', and: 'and', bottom: 'at the bottom', up: 'plates? up' },
    ...{ mirror: 'as its mirror image', top: 'its top', length: 'its length', in: 'in', long: 'mm long', section: 'Section' },
    ownPlace: 'at the place that its own steps say.',
  },
  de: {
    ways: ['nach rechts', 'nach links', 'nach hinten', 'nach vorn', 'nach oben', 'nach unten'],
    ...{ towards: 'in Richtung', stud: 'Noppe', row: 'Reihe', and: 'und', bottom: 'ganz unten', up: 'Platten? hoch' },
    ...{ mirror: 'als Spiegelbild', top: 'die Oberseite', length: 'die Länge', in: 'in', long: 'mm lang', section: 'Abschnitt' },
    ownPlace: 'an den Platz, den seine eigenen Schritte nennen.',
  },
  fr: {
    ways: ['vers la droite', 'vers la gauche', 'vers l’arrière', 'vers l’avant', 'vers le haut', 'vers le bas'],
    ...{ towards: 'dans la direction', stud: 'tenon', row: 'rang', and: 'et', bottom: 'tout en bas', up: 'plaques? plus haut' },
    ...{ mirror: 'en miroir', top: 'le dessus', length: 'la longueur', in: 'en', long: 'mm de long', section: 'Section' },
    ownPlace: 'à la place indiquée par ses propres étapes.',
  },
  es: {
    ways: ['hacia la derecha', 'hacia la izquierda', 'hacia atrás', 'hacia delante', 'hacia arriba', 'hacia abajo'],
    ...{ towards: 'en la dirección', stud: 'botón', row: 'fila', and: 'y', bottom: 'abajo del todo', up: 'placas? más arriba' },
    ...{ mirror: 'como imagen reflejada', top: 'la cara superior', length: 'el largo', in: 'en', long: 'mm de largo', section: 'Sección' },
    ownPlace: 'en el lugar que indican sus propios pasos.',
  },
} as const satisfies Record<string, Tongue>

const WAYS: readonly Triple[] = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
]
const numberOf = (words: string): number => Number(words.replace(',', '.'))
const wayOf = (words: string, { ways, towards }: Tongue): Triple =>
  WAYS[ways.indexOf(words)] ?? (words.replace(`${towards} `, '').split(' ').map(numberOf) as Triple)

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

const placePattern = ({ stud, row, and, bottom, up }: Tongue): RegExp => {
  const rest = `(?: ${and} ([\\d.,]+) mm)?`
  return new RegExp(`: ${stud} (-?\\d+)${rest}, ${row} (-?\\d+)${rest}, (?:${bottom}|(-?\\d+) ${up}${rest})\\.$`)
}

function readLine(line: string, tongue: Tongue): Told {
  const place = placePattern(tongue).exec(line)
  if (!place) throw new Error(`no place in “${line}”`)
  const [, stud, studMm, row, rowMm, plates, platesMm] = place
  const u = (mm: string | undefined): number => numberOf(mm ?? '0') / 0.8
  const at: Triple = [(Number(stud) - 1) * 10 + u(studMm), (Number(row) - 1) * 10 + u(rowMm), Number(plates ?? 0) * 4 + u(platesMm)]
  const head = line.slice(0, place.index)
  // Where numbers have commas, so has the way of what is tilted: it ends where the next is named, or at the end.
  const way = (what: string): Triple | undefined => {
    const found = new RegExp(`, ${what} (.+?)(?=, ${tongue.length} |$)`).exec(head)?.[1]
    return found === undefined ? undefined : wayOf(found, tongue)
  }
  const top = way(tongue.top) ?? WAYS[4]!
  const along = way(tongue.length) ?? WAYS[0]!
  const back = cross(top, along)
  const turned = [0, 1, 2].map((i) => [along[i]!, back[i]!, top[i]!]) as Rows
  const isMirrored = head.includes(`, ${tongue.mirror}`)
  return {
    what: head.replace(new RegExp(`, (${tongue.mirror}|(${tongue.top}|${tongue.length}) ).*$`), ''),
    matrix: isMirrored ? product(turned, MIRROR) : turned,
    at,
    isTilted: head.includes(tongue.towards),
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

function pieceOf(told: Told, { catalogue, tongue }: { catalogue: Catalogue; tongue: Tongue }): BuiltPiece {
  const named = new RegExp(`^(.*) ${tongue.in} (.*?)(?:, [\\d.,]+ ${tongue.long})?$`).exec(told.what)
  const shape = [...catalogue.shapes.values()].find(({ title }) => title === named?.[1])
  const colour = [...catalogue.colours.values()].find(({ name }) => name.toLowerCase() === named?.[2]?.toLowerCase())?.id
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

/**
 * @param catalogue with the names that pieces and colours have in the language
 * @returns all pieces of the section that is told last, in its own frame
 */
export function buildFromWords(text: string, catalogue: Catalogue, language: keyof typeof TONGUES = 'en'): BuiltPiece[] {
  const tongue: Tongue = TONGUES[language]
  const sections = new Map<string, BuiltPiece[]>()
  let pieces: BuiltPiece[] = []
  for (const line of text.split('\n')) {
    const section = new RegExp(`^${tongue.section} ([A-Z]+) ?: `).exec(line)
    if (section) sections.set(section[1]!, (pieces = []))
    if (!line.startsWith('- ')) continue
    const joined = new RegExp(`^- ${tongue.section} ([A-Z]+), `).exec(line)
    if (!joined) {
      pieces.push(pieceOf(readLine(line.slice(2), tongue), { catalogue, tongue }))
      continue
    }
    const content = sections.get(joined[1]!)!
    if (line.endsWith(tongue.ownPlace)) {
      pieces.push(...content)
      continue
    }
    const told = readLine(line.slice(2), tongue)
    const low = [0, 1, 2].map((k) => Math.min(...content.map((piece) => piece.low[k]!))) as Triple
    const high = [0, 1, 2].map((k) => Math.max(...content.map((piece) => piece.high[k]!))) as Triple
    const { shift } = place(told, low, high)
    pieces.push(...content.map((piece) => carried(piece, { told, shift, catalogue })))
  }
  return pieces
}
