import type { ModelDocument } from '../src/core/model'
import { buildRoof, buildWalls, layFloor, model, SectionBuilder, type Opening } from './kit'

const GROUND_COLUMNS = 64
const GROUND_ROWS = 48

/** The large one: a granary with its tower, a market before it with stalls, lamps and carts. About 1,700 parts. */
export function granary(): ModelDocument {
  return model('Granary', 'The granary of a river town on market day.', 'market', [
    market(),
    square(),
    hall(),
    hallRoof(),
    tower(),
    towerRoof(),
    mill(),
    millRoof(),
    stall(),
    lantern(),
    cart(),
  ])
}

function market(): SectionBuilder {
  const s = new SectionBuilder('market', 'Market')
  s.copy('square', [0, 0, 0])
  s.copy('hall', [160, 280, 8])
  s.copy('mill', [20, 320, 8])
  s.copy('tower', [500, 320, 8])
  for (const y of [10, 90, 170]) {
    for (const x of [50, 150, 380, 480]) s.copy('stall', [x, y, 8])
    s.copy('cart', [580, y, 8])
  }
  for (const y of [20, 80, 140, 200]) s.copy('lantern', [270, y, 8]).copy('lantern', [350, y, 8])
  return s
}

/** Two layers of plates with a paved way: a ground that all the houses stand on. */
function square(): SectionBuilder {
  const s = new SectionBuilder('square', 'Square')
  for (let y = 0; y < GROUND_ROWS; y += 8)
    for (let x = 0; x < GROUND_COLUMNS; x += 16) s.add('ground', 'plate-8x16', 'olive', [x * 10, y * 10, 0])
  // The second layer runs across the first, and none of its seams lies on one below.
  for (const [y, length] of [
    [0, 6],
    [6, 12],
    [18, 12],
    [30, 12],
    [42, 6],
  ] as const) {
    s.addAcross('sett', `plate-2x${length}`, 'ash', [0, y * 10, 4])
    for (let x = 2; x < GROUND_COLUMNS - 2; x += 4) s.addAcross('sett', `plate-4x${length}`, 'ash', [x * 10, y * 10, 4])
    s.addAcross('sett', `plate-2x${length}`, 'ash', [GROUND_COLUMNS * 10 - 20, y * 10, 4])
  }
  paving(s)
  return s
}

/** A tiled way from the quay to the hall's gate. */
function paving(s: SectionBuilder): void {
  for (let y = 0; y < 24; y += 2)
    for (const x of [29, 31]) s.add('paving', 'tile-2x2', (x + y) % 4 === 1 ? 'sand' : 'tan', [x * 10 + 10, y * 10, 8])
}

function windows(side: Opening['side'], first: number, last: number, every: number, until: number, low: number): Opening[] {
  const openings: Opening[] = []
  for (let from = first; from + 2 <= until; from += every) openings.push({ side, from, to: from + 2, first: low, last })
  return openings
}

function hall(): SectionBuilder {
  const s = new SectionBuilder('hall', 'Hall').useBricksUpTo(3)
  layFloor(s, { word: 'floor', columns: 24, rows: 16, colour: 'brown' })
  buildWalls(s, {
    at: [0, 0, 8],
    columns: 24,
    rows: 16,
    courses: 13,
    word: 'wall',
    colour: (course) => (course < 2 ? 'slate' : course === 6 ? 'cocoa' : 'ivory'),
    openings: [
      { side: 'front', from: 10, to: 14, first: 0, last: 4 },
      ...windows('front', 2, 4, 4, 9, 2),
      ...windows('front', 16, 4, 4, 22, 2),
      ...windows('front', 3, 9, 5, 22, 8),
      ...windows('back', 3, 4, 5, 22, 2),
      ...windows('back', 3, 9, 5, 22, 8),
      ...windows('left', 4, 9, 4, 13, 8),
      ...windows('right', 4, 9, 4, 13, 8),
    ],
  })
  for (const x of [30, 70, 150, 190]) {
    s.add('sack', 'round-brick-2x2', 'sand', [x, 70, 8]).add('sack', 'round-brick-2x2', 'tan', [x, 100, 8])
    s.add('sack-top', 'round-plate-2x2', 'sand', [x, 70, 20]).add('sack-top', 'round-plate-2x2', 'tan', [x, 100, 20])
  }
  s.copy('hall-roof', [0, 0, 164])
  return s
}

function hallRoof(): SectionBuilder {
  const s = new SectionBuilder('hall-roof', 'Hall roof')
  buildRoof(s, { columns: 24, rows: 16, colour: 'rust', gable: 'ivory', ridge: 'cocoa' })
  return s
}

function tower(): SectionBuilder {
  const s = new SectionBuilder('tower', 'Tower').useBricksUpTo(3)
  buildWalls(s, {
    at: [0, 0, 0],
    columns: 12,
    rows: 8,
    courses: 24,
    word: 'stone',
    colour: (course) => (course % 7 === 6 ? 'slate' : course < 3 ? 'ash' : 'sand'),
    openings: [
      { side: 'front', from: 4, to: 6, first: 0, last: 3 },
      { side: 'front', from: 4, to: 6, first: 8, last: 10 },
      { side: 'front', from: 3, to: 7, first: 17, last: 19 },
      { side: 'back', from: 3, to: 7, first: 17, last: 19 },
      { side: 'left', from: 3, to: 5, first: 17, last: 19 },
      { side: 'right', from: 3, to: 5, first: 17, last: 19 },
    ],
  })
  s.copy('tower-roof', [0, 0, 288])
  return s
}

function towerRoof(): SectionBuilder {
  const s = new SectionBuilder('tower-roof', 'Tower roof')
  buildRoof(s, { columns: 12, rows: 8, colour: 'teal', gable: 'sand', ridge: 'copper' })
  return s
}

function mill(): SectionBuilder {
  const s = new SectionBuilder('mill', 'Mill').useBricksUpTo(3)
  buildWalls(s, {
    at: [0, 0, 0],
    columns: 12,
    rows: 8,
    courses: 20,
    word: 'stone',
    colour: (course) => (course < 2 ? 'ash' : course % 5 === 4 ? 'brown' : 'white'),
    openings: [
      { side: 'front', from: 5, to: 7, first: 0, last: 3 },
      ...[6, 11, 16].flatMap((low): Opening[] => [
        { side: 'front', from: 5, to: 7, first: low, last: low + 1 },
        { side: 'left', from: 3, to: 5, first: low, last: low + 1 },
      ]),
    ],
  })
  s.copy('mill-roof', [0, 0, 240])
  return s
}

function millRoof(): SectionBuilder {
  const s = new SectionBuilder('mill-roof', 'Mill roof')
  buildRoof(s, { columns: 12, rows: 8, colour: 'slate', gable: 'white', ridge: 'brown' })
  return s
}

function stall(): SectionBuilder {
  const s = new SectionBuilder('stall', 'Stall')
  s.add('board', 'plate-6x8', 'tan', [0, 0, 0])
  for (const [x, y] of [
    [0, 0],
    [70, 0],
    [0, 50],
    [70, 50],
  ] as const)
    for (const z of [4, 16, 28]) s.add('pole', 'round-brick-1x1', 'white', [x, y, z])
  s.add('counter', 'brick-1x4', 'brown', [20, 0, 4]).add('counter-top', 'tile-1x4', 'tan', [20, 0, 16])
  s.add('crate', 'brick-2x2', 'cocoa', [20, 30, 4]).add('crate', 'brick-2x2', 'cocoa', [40, 30, 4])
  for (const [x, y, colour] of [
    [20, 30, 'red'],
    [30, 40, 'green'],
    [40, 30, 'orange'],
    [50, 40, 'yellow'],
  ] as const)
    s.add('fruit', 'round-plate-1x1', colour, [x, y, 16])
  s.add('awning', 'plate-6x8', 'white', [0, 0, 40])
  for (const [i, x] of [0, 20, 40, 60].entries()) s.addAcross('stripe', 'tile-2x6', i % 2 === 0 ? 'wine' : 'white', [x, 0, 44])
  return s
}

function lantern(): SectionBuilder {
  const s = new SectionBuilder('lantern', 'Lantern')
  s.add('foot', 'jumper-2x2', 'black', [0, 0, 0])
  for (const z of [4, 16, 28, 40]) s.add('pole', 'round-brick-1x1', 'black', [5, 5, z])
  s.add('light', 'brick-1x1-side4', 'glow', [5, 5, 52])
  s.add('pane', 'tile-1x1', 'clear-amber', [5, 1, 53], '+x+z').add('pane', 'tile-1x1', 'clear-amber', [5, 15, 53], '+x-z')
  s.add('pane', 'tile-1x1', 'clear-amber', [15, 5, 53], '-z+y').add('pane', 'tile-1x1', 'clear-amber', [1, 5, 53], '+z+y')
  s.add('cap', 'cone-1x1', 'black', [5, 5, 64])
  return s
}

function cart(): SectionBuilder {
  const s = new SectionBuilder('cart', 'Cart')
  s.addAcross('block', 'brick-2x2', 'slate', [0, 0, 0]).addAcross('block', 'brick-2x2', 'slate', [0, 40, 0])
  s.addAcross('bed', 'plate-4x6', 'brown', [-10, 0, 12])
  s.addAcross('wall', 'brick-1x6', 'tan', [-10, 0, 16]).addAcross('wall', 'brick-1x6', 'tan', [20, 0, 16])
  for (const y of [0, 20, 40]) s.add('load', 'round-brick-2x2', y === 20 ? 'amber' : 'sand', [0, y, 16])
  return s
}
