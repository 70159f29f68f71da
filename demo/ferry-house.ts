import type { ModelDocument } from '../src/core/model'
import { buildRoof, buildWalls, model, SectionBuilder } from './kit'

/** The middle one: the waiting house of a river ferry, with two sheds, four lamps, a boat and a stove inside. */
export function ferryHouse(): ModelDocument {
  return model(
    'Ferry house',
    'Where travellers wait for the boat across the river. The stove stands in a closed room: put it in before the roof.',
    'landing',
    [landing(), house(), roof(), shed(), lamp(), boat()],
  )
}

function landing(): SectionBuilder {
  const s = new SectionBuilder('landing', 'Landing')
  for (const x of [0, 80, 160]) s.addAcross('ground', 'plate-8x16', 'olive', [x, 0, 0])
  for (const y of [0, 40, 80, 120]) {
    const colour = y === 0 ? 'sand' : 'moss'
    s.add('lawn', 'plate-4x12', colour, [0, y, 4]).add('lawn', 'plate-4x12', colour, [120, y, 4])
  }
  for (let x = 0; x < 240; x += 20) s.add('quay', 'tile-2x2', 'ash', [x, 0, 8])
  for (const y of [20, 30, 40, 50]) s.add('path', 'tile-1x2', 'sand', [110, y, 8])
  s.copy('house', [60, 60, 8])
  s.copy('shed', [20, 70, 8])
  s.copy('shed', [220, 70, 8], { mirror: 'x' })
  for (const [x, y] of [
    [10, 20],
    [210, 20],
    [10, 140],
    [210, 140],
  ] as const)
    s.copy('lamp', [x, y, 8])
  for (const [x, y] of [
    [40, 30],
    [80, 40],
    [40, 140],
    [70, 140],
    [110, 140],
    [150, 140],
    [180, 140],
  ] as const) {
    s.add('bush', 'round-plate-2x2', 'forest', [x, y, 8]).add('blossom', 'round-plate-1x1', 'rose', [x, y, 12])
  }
  s.copy('boat', [130, 20, 8])
  return s
}

function house(): SectionBuilder {
  const s = new SectionBuilder('house', 'House')
  s.add('floor', 'plate-4x12', 'brown', [0, 0, 0]).add('floor', 'plate-4x12', 'brown', [0, 40, 0])
  buildWalls(s, {
    at: [0, 0, 4],
    columns: 12,
    rows: 8,
    courses: 6,
    word: 'wall',
    colour: (course) => (course === 0 ? 'slate' : 'ivory'),
    openings: [
      { side: 'front', from: 5, to: 7, first: 0, last: 3 },
      { side: 'front', from: 2, to: 4, first: 2, last: 3 },
      { side: 'front', from: 8, to: 10, first: 2, last: 3 },
      { side: 'left', from: 3, to: 5, first: 2, last: 3 },
      { side: 'right', from: 3, to: 5, first: 2, last: 3 },
      { side: 'back', from: 5, to: 7, first: 2, last: 3 },
      // The sign's own brick goes here.
      { side: 'front', from: 4, to: 8, first: 4, last: 4 },
    ],
  })
  s.add('sign-brick', 'brick-1x4-side4', 'ivory', [40, 0, 52])
  s.add('sign', 'plate-1x4', 'navy', [40, -4, 53], '+x+z')
  s.add('sign-face', 'tile-1x2', 'white', [40, -8, 53], '+x+z').add('sign-face', 'tile-1x2', 'amber', [60, -8, 53], '+x+z')
  s.add('rug', 'tile-2x4', 'wine', [40, 30, 4])
  s.add('stove', 'brick-2x2', 'black', [90, 50, 4]).add('stove', 'plate-2x2', 'slate', [90, 50, 16])
  s.add('pipe', 'round-brick-1x1', 'slate', [100, 60, 20]).add('pipe', 'round-brick-1x1', 'slate', [100, 60, 32])
  s.add('pipe', 'round-brick-1x1', 'slate', [100, 60, 44]).add('pipe', 'round-brick-1x1', 'slate', [100, 60, 56])
  s.add('kettle', 'round-plate-1x1', 'copper', [90, 50, 20])
  s.add('bench', 'brick-1x2', 'tan', [20, 60, 4]).add('bench', 'brick-1x2', 'tan', [50, 60, 4])
  s.add('seat', 'tile-1x6', 'brown', [20, 60, 16])
  s.copy('roof', [0, 0, 76])
  return s
}

function roof(): SectionBuilder {
  const s = new SectionBuilder('roof', 'Roof')
  buildRoof(s, { columns: 12, rows: 8, colour: 'rust', gable: 'ivory', ridge: 'cocoa' })
  return s
}

/** The left shed; the right one is its mirror image. */
function shed(): SectionBuilder {
  const s = new SectionBuilder('shed', 'Shed')
  s.add('floor', 'plate-4x6', 'brown', [0, 0, 0], '+y-x')
  for (const [course, z] of [4, 16, 28].entries()) {
    const odd = course % 2 === 1
    s.add('back', odd ? 'brick-1x3' : 'brick-1x4', 'teal', [odd ? 10 : 0, 50, z])
    s.addAcross('side', odd ? 'brick-1x4' : 'brick-1x3', 'teal', [0, 20, z])
    s.add('post', 'round-brick-1x1', 'cocoa', [30, 0, z])
  }
  s.add('barrel', 'round-brick-2x2', 'brown', [10, 30, 4]).add('lid', 'round-tile-2x2', 'tan', [10, 30, 16])
  s.add('crate', 'brick-1x2', 'sand', [10, 10, 4])
  s.add('canopy', 'wedge-plate-2x4-left', 'slate', [0, 0, 40])
  s.add('canopy', 'plate-4x4', 'slate', [0, 20, 40])
  for (const y of [10, 30]) s.add('felt', 'tile-2x2', 'slate', [20, y, 44])
  s.add('felt', 'tile-2x2', 'slate', [0, 10, 44]).add('felt', 'tile-2x2', 'slate', [0, 30, 44])
  s.add('felt', 'tile-1x4', 'slate', [0, 50, 44])
  return s
}

function lamp(): SectionBuilder {
  const s = new SectionBuilder('lamp', 'Lamp')
  s.add('foot', 'round-plate-2x2', 'black', [0, 0, 0]).add('foot', 'jumper-2x2', 'black', [0, 0, 4])
  for (const z of [8, 20, 32]) s.add('pole', 'round-brick-1x1', 'black', [5, 5, z])
  s.add('light', 'brick-1x1-side4', 'glow', [5, 5, 44])
  s.add('pane', 'tile-1x1', 'clear-amber', [5, 1, 45], '+x+z').add('pane', 'tile-1x1', 'clear-amber', [5, 15, 45], '+x-z')
  s.add('pane', 'tile-1x1', 'clear-amber', [15, 5, 45], '-z+y').add('pane', 'tile-1x1', 'clear-amber', [1, 5, 45], '+z+y')
  s.add('cap', 'cone-1x1', 'black', [5, 5, 56])
  return s
}

function boat(): SectionBuilder {
  const s = new SectionBuilder('boat', 'Boat')
  s.add('bow', 'wedge-plate-2x4-left', 'red', [0, 0, 0]).addBack('bow', 'wedge-plate-2x4-right', 'red', [0, 20, 0])
  s.add('hull', 'plate-4x4', 'red', [40, 0, 0])
  s.addAcross('rib', 'plate-2x4', 'white', [30, 0, 4]).addAcross('rib', 'plate-2x4', 'white', [60, 0, 4])
  for (const y of [0, 30]) s.add('side', 'plate-1x1', 'white', [50, y, 4])
  s.addAcross('bench', 'tile-2x4', 'tan', [60, 0, 8]).addAcross('bench', 'tile-1x4', 'tan', [40, 0, 8])
  for (const z of [4, 16]) s.add('mast', 'round-brick-1x1', 'tan', [50, 10, z])
  s.add('masthead', 'brick-1x1-side1', 'tan', [50, 10, 28])
  s.add('flag', 'tile-1x2', 'blue', [50, 6, 29], '+x+z').add('tip', 'cone-1x1', 'tan', [50, 10, 40])
  return s
}
