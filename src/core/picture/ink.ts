import { memo, memoNamed } from '../memo'
import type { DecalPaint } from './decal-paint'
import { CURVED, FIRST_DECAL, surfaceOfFace, toneOfFace } from './face-bits'
import { NOTHING, type GBuffer, type Window } from './g-buffer'
import { INK, WHITE, type PartLook, type Rgb } from './paint'
import { isLit, type Sheen } from './sheen'
import type { PictureSize } from './view'
import { mergeWindows } from './windows'
import { TONES } from './projected-mesh'

/** An RGB picture, three bytes a dot, rows from the top. */
export interface RgbImage {
  readonly width: number
  readonly height: number
  readonly data: Uint8Array
}

export interface InkOptions {
  /** By part. */
  readonly looks: readonly PartLook[]
  /** Parts from…to (not included) are new: they carry a heavier outline and keep their full colour. */
  readonly newFrom: number
  readonly newTo: number
  /** Small parts get hairlines: where a brick plate is low in the picture, full lines would fill it with ink. */
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

/**
 * Turns a G-buffer into a picture: washes, ink lines where parts and surfaces meet, then averages down to size.
 *
 * It keeps its last picture: where only a window of the buffer changed, only that is inked again, so that walking a rail
 * costs about what each step touches.
 */
export class Inker {
  private readonly edges: Uint8Array
  private readonly image: RgbImage
  /** What is given away: a picture each time would be a megabyte each time. */
  private readonly given: RgbImage

  constructor(
    private readonly buffer: GBuffer,
    private readonly finer: number,
    private readonly paper: Rgb,
    private readonly decals?: DecalPaint,
  ) {
    const { width, height } = buffer.size
    this.edges = new Uint8Array(width * height)
    const data = new Uint8Array((width / finer) * (height / finer) * 3)
    if (paper[0] === paper[1] && paper[1] === paper[2]) data.fill(paper[0])
    else for (let at = 0; at < data.length; at += 3) data.set(paper, at)
    this.image = { width: width / finer, height: height / finer, data }
    this.given = { ...this.image, data: new Uint8Array(data.length) }
  }

  /**
   * @param changed where dots may look different from the last picture
   * @returns a picture to draw on, which is good until the next is inked
   */
  ink(changed: readonly Readonly<Window>[], options: InkOptions): RgbImage {
    const reach = this.finer * 2 + 2
    const [palette, texel] = [mixPalette(options), this.texelOf(options)]
    for (const window of mergeWindows(changed, reach * 2)) this.inkWindow(window, reach, { ...options, palette, texel })
    this.given.data.set(this.image.data)
    return this.given
  }

  /** Windows do not disturb each other: the edges of each are found anew as far around it as a line reaches. */
  private inkWindow(changed: Readonly<Window>, reach: number, options: InkOptions & Pick<Averaged, 'palette' | 'texel'>): void {
    const { buffer, finer, paper, edges, image } = this
    const inner = widened(changed, reach, buffer.size)
    const outer = widened(changed, reach * 2, buffer.size)
    for (let y = outer.top; y <= outer.bottom; y++) {
      const line = y * buffer.size.width
      edges.fill(NONE, line + outer.left, line + outer.right + 1)
    }
    findEdges(buffer, edges, outer, options)
    thicken(edges, buffer.size.width, outer, { finer, hasFineLines: options.hasFineLines })
    const { palette, texel, newFrom, newTo } = options
    average({ buffer, edges, image, finer, palette, paper, texel, newFrom, newTo }, inner)
  }

  /** The colour of a dot that shows a picture on a piece; nothing where no piece has one. */
  private texelOf({ newFrom, newTo, wash }: InkOptions): Texel | undefined {
    const { decals, buffer } = this
    if (!decals || decals.isEmpty) return undefined
    return (dot, x, y, under) => {
      const part = buffer.part[dot]!
      return decals.over(part, surfaceOfFace(buffer.face[dot]!), x + 0.5, y + 0.5, under, part >= newFrom && part < newTo ? 0 : wash)
    }
  }
}

type Texel = (dot: number, x: number, y: number, under: number) => number

/** Ends as whole numbers to the engine too, which windows that may be empty are not: loops from one to the other run twice as fast. */
const widened = ({ left, right, top, bottom }: Readonly<Window>, by: number, size: PictureSize): Window => ({
  left: Math.max(0, left - by) | 0,
  right: Math.min(size.width - 1, right + by) | 0,
  top: Math.max(0, top - by) | 0,
  bottom: Math.min(size.height - 1, bottom + by) | 0,
})

/**
 * Compares each dot with its right and lower neighbour: where parts meet the nearer one has an outline, where surfaces of a part meet
 * there is a crease. It runs for millions of dots, of which one in ten is told from a neighbour. Nothing it reads is captured by a
 * function: that would make each of its reads slower.
 */
function findEdges(buffer: GBuffer, edges: Uint8Array, window: Window, { newFrom, newTo }: InkOptions): void {
  const { width, height } = buffer.size
  const { part, face } = buffer
  const compared: Compared = { buffer, edges, newFrom, newTo }
  const top = window.top | 0
  const left = window.left | 0
  const bottom = Math.min(window.bottom, height - 2) | 0
  const right = Math.min(window.right, width - 2) | 0
  const curved = CURVED
  for (let y = top; y <= bottom; y++) {
    const start = y * width + left
    const end = y * width + right
    // Each dot is the right neighbour of the one before: what was read of it is carried on.
    let mine = part[start]!
    let own = face[start]!
    for (let a = start; a <= end; a++) {
      const next = part[a + 1]!
      const nextFace = face[a + 1]!
      if ((own & curved) !== 0 || mine !== next || own !== nextFace) compare(compared, a, a + 1)
      if ((own & curved) !== 0 || mine !== part[a + width]! || own !== face[a + width]!) compare(compared, a, a + width)
      mine = next
      own = nextFace
    }
  }
}

interface Compared {
  readonly buffer: GBuffer
  readonly edges: Uint8Array
  readonly newFrom: number
  readonly newTo: number
}

/** @param b the dot to the right of `a`, or below it */
function compare({ buffer: { part, face, depth }, edges, newFrom, newTo }: Compared, a: number, b: number): void {
  const one = part[a]!
  const other = part[b]!
  if (one !== other) {
    const kind = (one >= newFrom && one < newTo) === (other >= newFrom && other < newTo) ? OUTLINE : HEAVY
    const nearer = depth[a]! <= depth[b]! ? a : b
    if (edges[nearer]! < kind) edges[nearer] = kind
  } else if (one !== NOTHING && edges[b] === NONE) {
    // A surface that is curved may hide some of itself.
    const isCrease = surfaceOfFace(face[a]!) !== surfaceOfFace(face[b]!) || Math.abs(depth[a]! - depth[b]!) > DEPTH_STEP
    if (isCrease) edges[b] = CREASE
  }
}

interface LineWidths {
  /** Dots for one px of the picture. */
  readonly finer: number
  /** Outlines stay as thin as they are. */
  readonly hasFineLines: boolean
}

/** Outlines grow by a dot to the right and down, heavy ones by a disc, so that they print as one and two lines' width. */
function thicken(edges: Uint8Array, width: number, window: Window, { finer, hasFineLines }: LineWidths): void {
  const heavy: number[] = []
  // From the end, so that a dot just raised is not met again.
  const [left, right, top, bottom] = [window.left | 0, window.right | 0, window.top | 0, window.bottom | 0]
  for (let y = bottom; y >= top; y--) {
    for (let x = right, dot = y * width + x; x >= left; x--, dot--) {
      const kind = edges[dot]!
      if (kind < OUTLINE) continue
      if (kind === HEAVY) heavy.push(dot)
      else if (!hasFineLines) {
        if (x < right && edges[dot + 1]! < OUTLINE) edges[dot + 1] = OUTLINE
        if (y < bottom && edges[dot + width]! < OUTLINE) edges[dot + width] = OUTLINE
      }
    }
  }
  const reach = finer
  for (const dot of heavy) {
    const x = dot % width
    const y = (dot - x) / width
    for (let dy = -reach; dy <= reach; dy++) {
      if (y + dy < top || y + dy > bottom) continue
      for (let dx = -reach; dx <= reach; dx++) {
        if (dx * dx + dy * dy > reach * reach + 1 || x + dx < left || x + dx > right) continue
        edges[dot + dy * width + dx] = HEAVY
      }
    }
  }
}

/** Colours a dot can have, by look: three tones, three tones with a glint, outline, crease; and two for all: paper, ink. */
const SLOTS = 8
const GLINT = TONES.length
const OUTLINE_SLOT = 6
const CREASE_SLOT = 7

interface Averaged {
  readonly buffer: GBuffer
  readonly edges: Uint8Array
  readonly image: RgbImage
  readonly finer: number
  readonly palette: Palette
  readonly paper: Rgb
  readonly texel: Texel | undefined
  readonly newFrom: number
  readonly newTo: number
}

/** Averages squares of `finer` × `finer` dots into dots of the picture. */
function average(averaged: Averaged, window: Window): void {
  const { buffer, edges, image, finer, palette, paper, newFrom, newTo } = averaged
  const fullWidth = buffer.size.width
  const { width, data } = image
  const { part, face } = buffer
  const { colours, lookOf, count } = palette
  const [nothing, paperColour] = [NOTHING, pack(paper)]
  const first = (window.left / finer) | 0
  const last = (window.right / finer) | 0
  const bottom = (window.bottom / finer) | 0
  // Where every dot has a colour of its own, or squares are not of four dots, none is looked at as a whole.
  const mayBeEven = finer === 2 && !averaged.texel
  for (let y = (window.top / finer) | 0; y <= bottom; y++) {
    for (let x = first, at = (y * width + first) * 3; x <= last; x++, at += 3) {
      const a = (y * fullWidth + x) * finer
      let colour = -1
      if (mayBeEven) {
        // Most squares are: without edges they show one surface of one part, and as a rule in one tone.
        const b = a + fullWidth
        if ((edges[a]! | edges[a + 1]! | edges[b]! | edges[b + 1]!) === NONE) {
          const id = part[a]!
          if (id === nothing) colour = part[b + 1] === nothing ? paperColour : -1
          else {
            const shown = face[a]!
            const look = lookOf[id]!
            if (shown === face[a + 1] && shown === face[b] && shown === face[b + 1] && id === part[b + 1] && palette.isEven[look] === 1)
              colour = colours[(id >= newFrom && id < newTo ? count + look : look) * SLOTS + toneOfFace(shown)]!
          }
        }
      }
      if (colour < 0) colour = mixedColour(averaged, x, y)
      data[at] = colour >> 16
      data[at + 1] = (colour >> 8) & 255
      data[at + 2] = colour & 255
    }
  }
}

/** The mean colour of a square whose dots differ. */
function mixedColour({ buffer, edges, finer, palette, paper, texel, newFrom, newTo }: Averaged, x: number, y: number): number {
  const { part, face } = buffer
  const { colours, sheens, lookOf, count } = palette
  let red = 0
  let green = 0
  let blue = 0
  for (let sy = 0; sy < finer; sy++) {
    let dot = (y * finer + sy) * buffer.size.width + x * finer
    for (let sx = 0; sx < finer; sx++, dot++) {
      const id = part[dot]!
      const edge = edges[dot]!
      let colour: number
      if (edge === HEAVY) colour = LINE
      else if (id === NOTHING) colour = pack(paper)
      else {
        const look = lookOf[id]!
        const slots = (id >= newFrom && id < newTo ? count + look : look) * SLOTS
        if (edge !== NONE) colour = colours[slots + (edge === OUTLINE ? OUTLINE_SLOT : CREASE_SLOT)]!
        else {
          // What is not plain carries stripes of light, so that it reads as such in print too.
          const sheen = sheens[look]
          const glint = sheen && isLit(sheen, x * finer + sx, y * finer + sy) ? GLINT : 0
          colour = colours[slots + glint + toneOfFace(face[dot]!)]!
          if (texel && surfaceOfFace(face[dot]!) >= FIRST_DECAL) colour = texel(dot, x * finer + sx, y * finer + sy, colour)
        }
      }
      red += colour >> 16
      green += (colour >> 8) & 255
      blue += colour & 255
    }
  }
  const dots = finer * finer
  return (((red / dots) | 0) << 16) | (((green / dots) | 0) << 8) | ((blue / dots) | 0)
}

interface Palette {
  /** Of each look and of each again as new, `SLOTS` colours. */
  readonly colours: Int32Array
  readonly sheens: readonly (Sheen | undefined)[]
  /** 1 for looks without a sheen: their surfaces are of one colour. */
  readonly isEven: Uint8Array
  /** Of each part, which look it has. */
  readonly lookOf: Uint16Array
  /** How many looks there are. */
  readonly count: number
}

/** Mixes the colours of every look twice, for what is new and for what is not: a picture costs as many mixtures as it has colours. */
function mixPalette({ looks, wash }: InkOptions): Palette {
  const { distinct, lookOf } = distinctLooks(looks)
  const count = distinct.length
  const colours = new Int32Array(count * SLOTS * 2)
  distinct.forEach((look, i) => {
    colours.set(slotsOf(look, wash), i * SLOTS)
    colours.set(slotsOf(look, 0), (count + i) * SLOTS)
  })
  const sheens = distinct.map(({ sheen }) => sheen)
  return { colours, sheens, isEven: Uint8Array.from(sheens, (sheen) => (sheen ? 0 : 1)), lookOf, count }
}

interface DistinctLooks {
  readonly distinct: readonly PartLook[]
  readonly lookOf: Uint16Array
}

const distinctLooks = memo((looks: readonly PartLook[]): DistinctLooks => {
  const numbers = new Map<PartLook, number>()
  const lookOf = new Uint16Array(looks.length)
  looks.forEach((look, part) => {
    let number = numbers.get(look)
    if (number === undefined) numbers.set(look, (number = numbers.size))
    lookOf[part] = number
  })
  return { distinct: [...numbers.keys()], lookOf }
})

/** The colours of a part, mixed with so much paper: its three tones, the same with a glint, and its outlines and creases. */
export interface MixedSlots {
  readonly tones: readonly Rgb[]
  readonly lit: readonly Rgb[]
  readonly lines: readonly Rgb[]
  /** The same as texts, to sort by. */
  readonly lineNames: readonly string[]
}

/** Of a look, mixed with so much paper. */
export const mixedSlots = memoNamed((look: PartLook, paperShare: number): MixedSlots => {
  const washed = (colour: Rgb): Rgb => mix(colour, WHITE, paperShare)
  const toned = TONES.map((tone) => scaled(look.colour, tone / 255))
  const lines = [look.line, mix(look.line, look.colour, 0.45)].map(washed)
  const lit = toned.map((colour) => washed(mix(colour, WHITE, look.sheen?.light ?? 0)))
  return { tones: toned.map(washed), lit, lines, lineNames: lines.map((line) => line.join()) }
})

function slotsOf(look: PartLook, paperShare: number): number[] {
  const { tones, lit, lines } = mixedSlots(look, paperShare)
  return [...tones, ...lit, ...lines].map(pack)
}

const scaled = (colour: Rgb, factor: number): Rgb => [colour[0] * factor, colour[1] * factor, colour[2] * factor]

const mix = (a: Rgb, b: Rgb, share: number): Rgb => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
]

const pack = (colour: Rgb): number => (Math.round(colour[0]) << 16) | (Math.round(colour[1]) << 8) | Math.round(colour[2])

const LINE = pack(INK)
