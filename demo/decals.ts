import { encode } from 'fast-png'
import { pictureAddress, type Decal } from '../src/core/model'

type Colour = readonly [number, number, number, number]

const COLOURS: Readonly<Record<string, Colour>> = {
  '.': [0, 0, 0, 0],
  w: [250, 248, 240, 255],
  k: [28, 30, 33, 255],
  b: [38, 92, 168, 255],
  s: [132, 184, 224, 255],
  y: [240, 190, 40, 255],
  r: [176, 52, 38, 255],
}

/** A decal from rows of letters, each letter so many dots each way. */
function decal(id: string, name: string, size: readonly [number, number], rows: readonly string[], dots = 8): Decal {
  const width = rows[0]!.length * dots
  const height = rows.length * dots
  const data = new Uint8Array(width * height * 4)
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) data.set(COLOURS[rows[Math.floor(y / dots)]![Math.floor(x / dots)]!]!, (y * width + x) * 4)
  }
  return { id, name, size, picture: pictureAddress(encode({ width, height, data, channels: 4, depth: 8 })) }
}

/** A drop over water, for the pump. */
export const dropSign = decal(
  'drop-sign',
  'Drop over water',
  [24, 8],
  [
    'kkkkkkkkkkkkkkkkkkkkkkkk',
    'kwwwwwwwwwwwbwwwwwwwwwwk',
    'kwwwwwwwwwwbbbwwwwwwwwwk',
    'kwwwwwwwwwbbsbbwwwwwwwwk',
    'kwswwwswwwbsbbbwwwswwwsk',
    'kbsbbbsbbwwbbbwwbbsbbbsk',
    'kbbbsbbbsbwwwwwbsbbbsbbk',
    'kkkkkkkkkkkkkkkkkkkkkkkk',
  ],
)

/** Stripes that say: mind the edge. */
export const stripes = decal(
  'edge-stripes',
  'Edge stripes',
  [15, 5],
  ['kyyykkkyyykkkyyykk', 'yyykkkyyykkkyyykkk', 'yykkkyyykkkyyykkky', 'ykkkyyykkkyyykkkyy', 'kkkyyykkkyyykkkyyy', 'kkyyykkkyyykkkyyyk'],
)

/** A waistcoat with buttons and a watch chain. */
export const waistcoat = decal(
  'waistcoat',
  'Waistcoat',
  [14, 16],
  [
    '....rrr......rrr....',
    '....rrrr....rrrr....',
    '...rrrrrr..rrrrrr...',
    '...rrrrrrrrrrrrrr...',
    '...rrrrrrrrrrrrrr...',
    '..rrrrrrrykrrrrrrr..',
    '..rrrrrrrkkrrrrrrr..',
    '..rrrrrrrrrrrrrrrr..',
    '..rrrrrrrykrrrrrrr..',
    '..rrryrrrkkrrryrrr..',
    '.rrrrryrrrrrryrrrrr.',
    '.rrrrrryyykyyrrrrrr.',
    '.rrrrrrrrkkrrrrrrrr.',
    '.rrrrrrrrrrrrrrrrrr.',
    '.rrrrrrrrykrrrrrrrr.',
    '.rrrrrrrrkkrrrrrrrr.',
    '.rrrrrrr....rrrrrrr.',
    '.rrrrr........rrrrr.',
  ],
)
