import { memo, memoNamed } from '../memo'
import { CREASE, HEAVY } from './ink-edges'
import { INK, WHITE, type PartLook, type Rgb } from './paint'
import { TONES } from './projected-mesh'
import type { Sheen } from './sheen'

/** Colours a dot can have, by look: three tones, three tones with a glint, crease, outline, heavy line. */
export const SLOTS = 9
export const GLINT = TONES.length
/** To be added to an edge that is one. */
export const LINES = 2 * TONES.length - CREASE

/** The colour of a dot that shows a picture on a piece. @param under what it would have without */
export type Texel = (dot: number, x: number, y: number, under: number) => number

export interface Palette {
  /** Of what shows nothing, of each look, and of each again as new: `SLOTS` colours. */
  readonly colours: Int32Array
  /** Of each part where its colours begin, by one more than its number: first come those of what shows nothing. */
  readonly slots: Int32Array
  /** By place in `colours`, in steps of `SLOTS`. */
  readonly sheens: readonly (Sheen | undefined)[]
  /** 1 for looks without a sheen: their surfaces are of one colour. */
  readonly isEven: Uint8Array
  /** All looks are. */
  readonly isAllEven: boolean
}

export interface PaletteOptions {
  /** By part. */
  readonly looks: readonly PartLook[]
  /** Parts from…to (not included) are new: they keep their full colour. */
  readonly newFrom: number
  readonly newTo: number
  /** Share of paper in what is not new, 0 to 1. */
  readonly wash: number
}

/** Mixes the colours of every look twice, for what is new and for what is not: a picture costs as many mixtures as it has colours. */
export function mixPalette({ looks, newFrom, newTo, wash }: PaletteOptions, paper: Rgb): Palette {
  const { distinct, slotsOf } = distinctLooks(looks)
  const all = [undefined, ...distinct, ...distinct]
  const colours = new Int32Array(all.length * SLOTS)
  colours.fill(pack(paper), 0, SLOTS)
  distinct.forEach((look, i) => {
    colours.set(slotColours(look, wash), (1 + i) * SLOTS)
    colours.set(slotColours(look, 0), (1 + distinct.length + i) * SLOTS)
  })
  for (let slot = LINES + HEAVY; slot < colours.length; slot += SLOTS) colours[slot] = LINE
  const slots = slotsOf.slice()
  for (let part = newFrom; part < newTo; part++) slots[part + 1]! += distinct.length * SLOTS
  const sheens = all.map((look) => look?.sheen)
  const isEven = Uint8Array.from(sheens, (sheen) => (sheen ? 0 : 1))
  return { colours, slots, sheens, isEven, isAllEven: !isEven.includes(0) }
}

interface DistinctLooks {
  readonly distinct: readonly PartLook[]
  /** As in a palette, nothing being new. */
  readonly slotsOf: Int32Array
}

const distinctLooks = memo((looks: readonly PartLook[]): DistinctLooks => {
  const numbers = new Map<PartLook, number>()
  const slotsOf = new Int32Array(looks.length + 1)
  looks.forEach((look, part) => {
    let number = numbers.get(look)
    if (number === undefined) numbers.set(look, (number = numbers.size))
    slotsOf[part + 1] = (1 + number) * SLOTS
  })
  return { distinct: [...numbers.keys()], slotsOf }
})

/** The colours of a part, mixed with so much paper: its three tones, the same with a glint, its outline and its crease. */
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

function slotColours(look: PartLook, paperShare: number): number[] {
  const { tones, lit, lines } = mixedSlots(look, paperShare)
  const [outline, crease] = lines
  return [...tones, ...lit, crease!, outline!].map(pack)
}

const scaled = (colour: Rgb, factor: number): Rgb => [colour[0] * factor, colour[1] * factor, colour[2] * factor]

const mix = (a: Rgb, b: Rgb, share: number): Rgb => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
]

const pack = (colour: Rgb): number => (Math.round(colour[0]) << 16) | (Math.round(colour[1]) << 8) | Math.round(colour[2])

const LINE = pack(INK)
