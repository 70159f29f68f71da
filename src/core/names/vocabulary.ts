import { memo } from '../memo'
import { studCount, type Connector, type Shape } from '../catalogue'
import { axisOf, PLATE_HEIGHT, STUD_PITCH } from '../space'

/** What people say for what a family is called, and for what a shape has. Plain words; every one points to ours. */
const SAID: Readonly<Record<string, readonly string[]>> = {
  brick: ['block'],
  plate: ['thin', 'flat'],
  tile: ['smooth', 'flat', 'cover', 'finish'],
  jumper: ['offset', 'half', 'step', 'centre', 'center'],
  'half tile': ['half', 'step'],
  'base plate': ['board', 'ground'],
  'round plate': ['dot', 'disc', 'disk', 'circle'],
  'round tile': ['dot', 'disc', 'disk', 'circle', 'smooth', 'coin'],
  'round brick': ['cylinder', 'pillar', 'tube'],
  cone: ['taper', 'point'],
  dome: ['ball', 'half', 'round'],
  'low slope': ['wedge', 'ramp', 'roof', 'small'],
  slope: ['roof', 'ramp', 'slant'],
  'steep slope': ['roof', 'slant', 'tall'],
  'inverted slope': ['upside', 'overhang', 'under'],
  'curved slope': ['bow', 'bend', 'round', 'curve'],
  'wedge plate': ['wing', 'angle', 'cut'],
  bracket: ['angle', 'corner', 'sideways', 'side', 'ell'],
  'side-stud brick': ['side', 'sides', 'sideways', 'knob'],
  'tall side-stud brick': ['side', 'sides', 'sideways'],
  window: ['frame', 'glass'],
  door: ['frame', 'gate'],
  arch: ['bow', 'bridge', 'vault'],
  panel: ['wall', 'thin', 'screen'],
  fence: ['railing', 'rail', 'banister', 'trellis'],
  bar: ['rod', 'stick', 'pole', 'handle'],
  'clip and bar': ['clip', 'bar', 'handle', 'grip', 'claw'],
  hinge: ['fold', 'turn', 'swivel', 'pivot'],
  ball: ['joint', 'socket', 'swivel', 'knuckle'],
  'pin and axle': ['hole', 'pin', 'axle'],
  beam: ['lift', 'arm', 'holes', 'girder'],
  pin: ['peg', 'plug', 'connector'],
  axle: ['shaft', 'rod', 'cross'],
  gear: ['cog', 'wheel', 'teeth', 'cogwheel'],
  grille: ['grill', 'vent', 'drain', 'slots'],
  wheel: ['tyre', 'tire', 'rim'],
  figure: ['person', 'man', 'woman', 'body', 'people'],
  'figure headwear': ['person', 'wig', 'head', 'cap', 'hat', 'hair'],
  'hand-held': ['tool', 'accessory', 'hand'],
  'by length': ['cut', 'length', 'hose', 'pipe', 'string', 'rope', 'rubber', 'elastic'],
  detail: ['decoration', 'small', 'accessory'],
}

const KIND_WORDS: Partial<Record<Connector['kind'], readonly string[]>> = {
  clip: ['clip', 'clips'],
  bar: ['bar', 'handle'],
  hole: ['hole', 'holes'],
  cross: ['axle', 'hole', 'cross'],
  ball: ['ball'],
  cup: ['cup', 'socket'],
  fork: ['hinge', 'fork', 'fingers'],
  tongue: ['hinge', 'tongue', 'finger'],
  pin: ['pin'],
}

/** What a shape can be found by. */
export interface VocabularyEntry {
  readonly shape: Shape
  /** Every word, lower case, each once. The words of its own name come before what people say. */
  readonly own: ReadonlySet<string>
  readonly said: ReadonlySet<string>
  /** Studs across and along, the smaller first; empty where it has no such size. */
  readonly size: readonly number[]
  /** Every size it is known by: its footprint, and those in its id. */
  readonly sizes: readonly string[]
  /** In plates. */
  readonly height: number
}

export const sizeKey = (size: readonly number[]): string => [...size].sort((a, b) => a - b).join('x')

const singular = (word: string): string => (word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word)

/** Lower-case words of a text, without plurals. */
export const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '')
    .map(singular)

/** The words of a shape's own names, each once. */
export const ownWords = ({ title, id, family }: Shape): ReadonlySet<string> => new Set([title, id, family].flatMap(wordsOf))

function entryOf(shape: Shape): VocabularyEntry {
  const own = ownWords(shape)
  const said = new Set((SAID[shape.family] ?? []).flatMap(wordsOf))
  for (const { kind } of shape.connectors) for (const word of KIND_WORDS[kind] ?? []) said.add(singular(word))
  const sideStuds = shape.connectors.some(({ kind, facing }) => kind === 'stud' && axisOf(facing) !== 2)
  if (sideStuds) for (const word of ['stud', 'side', 'sideway']) said.add(word)
  if (studCount(shape) > 0) said.add('stud')
  const [x, y, z] = shape.box
  const isWhole = x % STUD_PITCH === 0 && y % STUD_PITCH === 0
  const size = isWhole ? [x / STUD_PITCH, y / STUD_PITCH].sort((a, b) => a - b) : []
  const inId = [...shape.id.matchAll(/(\d+)x(\d+)/g)].map((found) => sizeKey([Number(found[1]), Number(found[2])]))
  return { shape, own, said, size, sizes: [...(size.length > 0 ? [sizeKey(size)] : []), ...inId], height: z / PLATE_HEIGHT }
}

/** The entries of a catalogue, made once. */
export const vocabularyOf = memo((shapes: ReadonlyMap<string, Shape>): readonly VocabularyEntry[] => [...shapes.values()].map(entryOf))
