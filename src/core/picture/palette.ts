import type { RgbImage } from './rgb-image'

/** A picture by a list of its colours: a byte for each dot, three for each colour. */
export interface IndexedImage {
  readonly width: number
  readonly height: number
  /** Of each dot, row by row, the number of its colour. */
  readonly indices: Uint8Array<ArrayBuffer>
  readonly palette: Uint8Array<ArrayBuffer>
}

const MOST_COLOURS = 256

/**
 * A picture by its colours. Those of faces and lines are few; where they meet, dots are blends, each of which is rare: of more than
 * 256 colours the commonest stay, and each other dot takes the nearest of these (the popularity method; Heckbert 1982, "Color image
 * quantization for frame buffer display").
 */
export function indexedImage({ width, height, data }: RgbImage): IndexedImage {
  const { numbers, colours, counts } = numberedColours(data)
  const order = colours.map((_, number) => number).sort((a, b) => counts[b]! - counts[a]! || colours[a]! - colours[b]!)
  const kept = order.slice(0, MOST_COLOURS).map((number) => colours[number]!)
  const indexOf = new Uint8Array(colours.length)
  order.forEach((number, rank) => (indexOf[number] = rank < MOST_COLOURS ? rank : nearest(colours[number]!, kept)))
  const indices = new Uint8Array(width * height)
  for (let dot = 0; dot < indices.length; dot++) indices[dot] = indexOf[numbers[dot]!]!
  return { width, height, indices, palette: Uint8Array.from(kept.flatMap((colour) => [colour >> 16, (colour >> 8) & 255, colour & 255])) }
}

/** Every colour once, in the order in which they come, how many dots have it, and of each dot the number of its colour. */
function numberedColours(data: Uint8Array): { numbers: Uint32Array; colours: number[]; counts: number[] } {
  const numbers = new Uint32Array(data.length / 3)
  const [colours, counts]: [number[], number[]] = [[], []]
  const known = new Map<number, number>()
  let [last, number] = [-1, 0]
  for (let dot = 0, at = 0; dot < numbers.length; dot++, at += 3) {
    const colour = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!
    if (colour !== last) {
      last = colour
      const found = known.get(colour)
      number = found ?? colours.push(colour) - 1
      if (found === undefined) known.set(colour, number)
    }
    numbers[dot] = number
    counts[number] = (counts[number] ?? 0) + 1
  }
  return { numbers, colours, counts }
}

/** Index of the nearest, by the squared distance of red, green and blue. */
function nearest(colour: number, kept: readonly number[]): number {
  const [red, green, blue] = [colour >> 16, (colour >> 8) & 255, colour & 255]
  let [best, least] = [0, Infinity]
  kept.forEach((each, index) => {
    const far = ((each >> 16) - red) ** 2 + (((each >> 8) & 255) - green) ** 2 + ((each & 255) - blue) ** 2
    if (far < least) [best, least] = [index, far]
  })
  return best
}
