import type { Rgb } from './paint'
import { NOTHING, type Layers } from './layers'

/** An RGB picture, three bytes a dot, rows from the top. */
export interface RgbImage {
  readonly width: number
  readonly height: number
  readonly data: Uint8Array
}

export interface PartLook {
  readonly colour: Rgb
  readonly line: Rgb
  readonly isClear: boolean
}

export interface InkOptions {
  /** Dots of the layers for one dot of the picture, each way. */
  readonly finer: number
  readonly paper: Rgb
  readonly look: (part: number) => PartLook
  /** Parts that are new carry a heavier outline and keep their full colour; the others are washed towards paper. */
  readonly isNew: (part: number) => boolean
  /** Small parts get hairlines: where a plate is low in the picture, full lines would fill it with ink. */
  readonly hasFineLines: boolean
  /** Share of paper in what is not new, 0 to 1. */
  readonly wash: number
}

/** Edges, from faint to heavy. */
const NONE = 0
const CREASE = 1
const OUTLINE = 2
const HEAVY = 3

/** A step in depth on one surface larger than this, u, is a step in the part. */
const DEPTH_STEP = 3

/** Turns layers into a picture: washes, ink lines where parts and surfaces meet, then averages down to size. */
export function ink(layers: Layers, options: InkOptions): RgbImage {
  const edges = findEdges(layers, options)
  thicken(edges, layers.size.width, layers.size.height, options)
  return average(layers, edges, options)
}

function findEdges(layers: Layers, options: InkOptions): Uint8Array {
  const { width, height } = layers.size
  const { part, surface, depth } = layers
  const edges = new Uint8Array(width * height)
  const newCache = new Map<number, boolean>()
  const isNew = (id: number): boolean => {
    let known = newCache.get(id)
    if (known === undefined) newCache.set(id, (known = id !== NOTHING && options.isNew(id)))
    return known
  }
  const compare = (a: number, b: number): void => {
    if (part[a] !== part[b]) {
      const nearer = depth[a]! <= depth[b]! ? a : b
      const heavy = isNew(part[a]!) !== isNew(part[b]!)
      const kind = heavy ? HEAVY : OUTLINE
      if (edges[nearer]! < kind) edges[nearer] = kind
    } else if (part[a] !== NOTHING && (surface[a] !== surface[b] || Math.abs(depth[a]! - depth[b]!) > DEPTH_STEP)) {
      if (edges[b] === NONE) edges[b] = CREASE
    }
  }
  for (let y = 0; y < height; y++) {
    const line = y * width
    for (let x = 0; x < width; x++) {
      const dot = line + x
      if (x + 1 < width) compare(dot, dot + 1)
      if (y + 1 < height) compare(dot, dot + width)
    }
  }
  return edges
}

/** Outlines grow by a dot to the right and down, heavy ones by a disc, so that they print as one and two lines' width. */
function thicken(edges: Uint8Array, width: number, height: number, { finer, hasFineLines }: InkOptions): void {
  const heavy: number[] = []
  const plain: number[] = []
  for (let dot = 0; dot < edges.length; dot++) {
    if (edges[dot] === HEAVY) heavy.push(dot)
    else if (edges[dot] === OUTLINE) plain.push(dot)
  }
  const raise = (dot: number, kind: number): void => {
    if (dot >= 0 && dot < edges.length && edges[dot]! < kind) edges[dot] = kind
  }
  if (!hasFineLines) {
    for (const dot of plain) {
      if ((dot + 1) % width !== 0) raise(dot + 1, OUTLINE)
      if (dot + width < width * height) raise(dot + width, OUTLINE)
    }
  }
  const reach = finer
  for (const dot of heavy) {
    const x = dot % width
    for (let dy = -reach; dy <= reach; dy++) {
      for (let dx = -reach; dx <= reach; dx++) {
        if (dx * dx + dy * dy > reach * reach + 1 || x + dx < 0 || x + dx >= width) continue
        raise(dot + dy * width + dx, HEAVY)
      }
    }
  }
}

const INK: Rgb = [31, 33, 36]

function average(layers: Layers, edges: Uint8Array, options: InkOptions): RgbImage {
  const { finer, paper } = options
  const width = layers.size.width / finer
  const height = layers.size.height / finer
  const data = new Uint8Array(width * height * 3)
  const palette = new PartPalette(options)
  const dots = finer * finer
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let red = 0
      let green = 0
      let blue = 0
      for (let sy = 0; sy < finer; sy++) {
        let dot = (y * finer + sy) * layers.size.width + x * finer
        for (let sx = 0; sx < finer; sx++, dot++) {
          const id = layers.part[dot]!
          const edge = edges[dot]!
          if (edge === HEAVY) {
            red += INK[0]
            green += INK[1]
            blue += INK[2]
          } else if (id === NOTHING) {
            red += paper[0]
            green += paper[1]
            blue += paper[2]
          } else {
            const shade = edge === NONE ? palette.fill(id, layers.tone[dot]!, x * finer + sx, y * finer + sy) : palette.line(id, edge)
            red += shade >> 16
            green += (shade >> 8) & 255
            blue += shade & 255
          }
        }
      }
      const at = (y * width + x) * 3
      data[at] = red / dots
      data[at + 1] = green / dots
      data[at + 2] = blue / dots
    }
  }
  return { width, height, data }
}

/** Colours of each part by tone, mixed once and packed into one number. */
class PartPalette {
  private readonly known = new Map<number, { fills: Map<number, number>; outline: number; crease: number; look: PartLook; wash: number }>()

  constructor(private readonly options: InkOptions) {}

  private of(part: number) {
    let entry = this.known.get(part)
    if (!entry) {
      const look = this.options.look(part)
      const wash = this.options.isNew(part) ? 0 : this.options.wash
      const faint = mix(look.line, look.colour, 0.45)
      entry = { fills: new Map(), look, wash, outline: pack(mix(look.line, this.options.paper, wash)), crease: pack(mix(faint, this.options.paper, wash)) }
      this.known.set(part, entry)
    }
    return entry
  }

  fill(part: number, tone: number, x: number, y: number): number {
    const entry = this.of(part)
    // See-through pieces carry fine slanting lines of light, so that they read as such in print too.
    const glint = entry.look.isClear && (x + y) % 14 < 3
    const key = glint ? tone + 256 : tone
    let packed = entry.fills.get(key)
    if (packed === undefined) {
      const shaded = entry.look.colour.map((value) => (value * tone) / 255) as unknown as Rgb
      const lit = glint ? mix(shaded, [255, 255, 255], 0.6) : shaded
      packed = pack(mix(lit, this.options.paper, entry.wash))
      entry.fills.set(key, packed)
    }
    return packed
  }

  line(part: number, edge: number): number {
    const entry = this.of(part)
    return edge === OUTLINE ? entry.outline : entry.crease
  }
}

const mix = (a: Rgb, b: Rgb, share: number): Rgb => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
]

const pack = (colour: Rgb): number => (Math.round(colour[0]) << 16) | (Math.round(colour[1]) << 8) | Math.round(colour[2])
