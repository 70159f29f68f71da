import { memo } from '../memo'
import { studCount, type Connector, type Shape } from '../catalogue'
import { axisOf, PLATE_HEIGHT, STUD_PITCH } from '../space'

/** What people say for what a family is called, and for what a shape has. Plain words; every one points to ours. */
const SAID: Readonly<Record<string, readonly string[]>> = {
  brick: ['block', 'stone'],
  'tall brick': ['high', 'column', 'pillar', 'post'],
  plate: ['thin', 'flat', 'plait', 'sheet'],
  'corner plate': ['l', 'angle', 'elbow', 'bent'],
  tile: ['smooth', 'flat', 'cover', 'finish', 'plate', 'slab', 'paving', 'flagstone', 'counter', 'floor', 'top'],
  jumper: ['offset', 'half', 'step', 'centre', 'center', 'plate', 'middle', 'single', 'one'],
  'half tile': ['half', 'step'],
  'base plate': ['board', 'ground', 'floor', 'lawn', 'road', 'big', 'baseplate'],
  'round plate': ['dot', 'disc', 'disk', 'circle', 'flat', 'thin'],
  'round tile': ['dot', 'disc', 'disk', 'circle', 'smooth', 'coin', 'flat', 'lid', 'plate'],
  'round brick': ['cylinder', 'pillar', 'tube', 'column', 'barrel', 'log', 'trunk', 'chimney', 'post'],
  cone: ['taper', 'point', 'spike', 'tip', 'nose', 'funnel', 'tapered'],
  dome: ['ball', 'half', 'round', 'hemisphere', 'bowl', 'cap', 'cupola'],
  'low slope': ['wedge', 'ramp', 'roof', 'small', 'slant', 'slanted', 'slanting', 'tile'],
  slope: ['roof', 'ramp', 'slant', 'slanted', 'slanting', 'tile', 'pitched', 'angled', 'brick', 'shingle'],
  'steep slope': ['roof', 'slant', 'tall', 'slanted', 'spire'],
  'inverted slope': ['upside', 'overhang', 'under', 'underneath', 'reverse', 'hull', 'negative'],
  'curved slope': ['bow', 'bend', 'round', 'curve', 'bonnet', 'fender', 'mudguard', 'wheel', 'arch', 'rounded'],
  'wedge plate': ['wing', 'angle', 'cut', 'triangle', 'pointed', 'diagonal', 'slanted', 'tapered'],
  bracket: ['angle', 'corner', 'sideways', 'side', 'ell', 'l', 'elbow', 'bent'],
  'side-stud brick': ['side', 'sides', 'sideways', 'knob'],
  'tall side-stud brick': ['side', 'sides', 'sideways'],
  window: ['frame', 'glass', 'pane', 'opening', 'house'],
  door: ['frame', 'gate', 'entrance', 'house'],
  arch: ['bow', 'bridge', 'vault', 'gate', 'gateway', 'doorway', 'tunnel', 'wheel', 'mudguard', 'opening'],
  panel: ['wall', 'thin', 'screen', 'partition', 'sheet'],
  fence: ['railing', 'rail', 'banister', 'trellis', 'garden', 'picket', 'barrier', 'handrail', 'balcony', 'gate'],
  bar: ['rod', 'stick', 'pole', 'handle', 'flag', 'mast', 'staff', 'pipe', 'lance', 'broom', 'thin'],
  'clip and bar': ['clip', 'bar', 'handle', 'grip', 'claw', 'hold', 'holder', 'stick', 'hook', 'snap', 'grab'],
  hinge: ['fold', 'turn', 'swivel', 'pivot', 'lid', 'flap', 'rotate', 'spin', 'revolve', 'bend'],
  ball: ['joint', 'socket', 'swivel', 'knuckle', 'shoulder'],
  'pin and axle': ['hole', 'pin', 'axle', 'peg'],
  beam: ['lift', 'arm', 'holes', 'girder', 'lever', 'strut'],
  pin: ['peg', 'plug', 'connector', 'dowel', 'bolt'],
  axle: ['shaft', 'rod', 'cross', 'spindle'],
  gear: ['cog', 'wheel', 'teeth', 'tooth', 'toothed', 'cogwheel'],
  grille: ['grill', 'vent', 'drain', 'slots', 'radiator', 'heater', 'grating', 'louvre', 'gutter'],
  wheel: ['tyre', 'tire', 'rim', 'car', 'cart', 'roll'],
  figure: ['person', 'man', 'woman', 'body', 'people', 'child', 'doll', 'face'],
  'figure headwear': ['person', 'wig', 'head', 'cap', 'hat', 'hair', 'helmet'],
  'hand-held': ['tool', 'accessory', 'hand', 'held'],
  'by length': ['cut', 'length', 'hose', 'pipe', 'string', 'rope', 'rubber', 'elastic', 'cable', 'wire', 'bendy', 'flexible'],
  detail: ['decoration', 'small', 'accessory'],
}

/** What people say for single shapes, by a piece of their id. */
const SAID_OF_SHAPES: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^leaf/, ['green', 'plant', 'foliage', 'tree', 'bush', 'leave']],
  [/^stem/, ['plant', 'stalk', 'branch', 'twig', 'green']],
  [/^flower/, ['plant', 'blossom', 'petal', 'rose', 'daisy']],
  [/^ladder/, ['rung', 'climb', 'step']],
  [/^antenna/, ['mast', 'aerial', 'flag', 'pole', 'radio', 'whip']],
  [/^steering/, ['drive', 'car', 'helm']],
  [/^chair/, ['seat', 'stool', 'sit']],
  [/^table/, ['desk']],
  [/^chain/, ['link']],
  [/^tool-lantern/, ['lamp', 'light']],
  [/^tool-paddle/, ['oar', 'row']],
  [/^tube/, ['hosepipe']],
  [/corner/, ['l']],
  [/turntable/, ['plate', 'disc']],
  [/^plate-.*clip|^bar-clip/, ['bracket']],
]

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
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word !== '')
    .map(singular)

/** The words of a shape's own names, each once. */
export const ownWords = ({ title, id, family }: Shape): ReadonlySet<string> => new Set([title, id, family].flatMap(wordsOf))

function entryOf(shape: Shape): VocabularyEntry {
  const own = ownWords(shape)
  const said = new Set((SAID[shape.family] ?? []).flatMap(wordsOf))
  for (const [which, words] of SAID_OF_SHAPES) if (which.test(shape.id)) for (const word of words) said.add(word)
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
