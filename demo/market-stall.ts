import type { ModelDocument } from '../src/core/model'
import { model, SectionBuilder } from './kit'

/** A small stall with two things that may be left out, and a version for the night: the parts desk has something to compare. */
export function marketStall(): ModelDocument {
  return {
    ...model('Market stall', 'Plums in the morning, lantern light in the evening.', 'stall', [stall(), crate()]),
    options: [
      { id: 'crates', name: 'Crates of plums', note: 'Without them the counter is free for your own goods', on: true },
      { id: 'lantern', name: 'Lantern', note: 'It stands where a third crate would', on: false },
    ],
    variants: [
      {
        id: 'night',
        inBooklet: true,
        name: 'Night version',
        note: 'The crates are packed away and the lantern is lit',
        with: ['lantern'],
        without: ['crates'],
        recolour: [
          { from: 'orange', to: 'navy' },
          { from: 'white', to: 'slate' },
        ],
      },
    ],
  }
}

function stall(): SectionBuilder {
  const s = new SectionBuilder('stall', 'Stall')
  s.add('ground', 'plate-6x8', 'tan', [0, 0, 0])
  for (let course = 0; course < 4; course++)
    for (const [x, y] of [
      [0, 0],
      [70, 0],
      [0, 50],
      [70, 50],
    ] as const)
      s.add('post', 'brick-1x1', 'brown', [x, y, 4 + course * 12])
  for (const x of [0, 40]) s.add('counter', 'brick-1x4', 'sand', [x, 20, 4])
  s.add('counter', 'brick-1x2', 'sand', [0, 20, 16])
  s.add('counter', 'brick-1x4', 'sand', [20, 20, 16])
  s.add('counter', 'brick-1x2', 'sand', [60, 20, 16])
  s.add('board', 'plate-2x8', 'brown', [0, 20, 28])
  s.add('roof', 'plate-6x8', 'white', [0, 0, 52])
  for (let row = 0; row < 6; row++) s.add('stripe', 'tile-1x8', row % 2 === 0 ? 'orange' : 'white', [0, row * 10, 56])
  for (const x of [10, 40]) s.copy('crate', [x, 20, 32], { option: 'crates' })
  s.addMore('lantern', { shape: 'round-brick-1x1', colour: 'amber', at: [60, 30, 32], option: 'lantern' })
  s.addMore('lantern', { shape: 'round-plate-1x1', colour: 'clear-amber', at: [60, 30, 44], option: 'lantern' })
  return s
}

function crate(): SectionBuilder {
  const s = new SectionBuilder('crate', 'Crate')
  s.add('floor', 'plate-2x2', 'tan', [0, 0, 0])
  for (const [x, y] of [
    [0, 0],
    [10, 0],
    [0, 10],
    [10, 10],
  ] as const)
    s.add('plum', 'round-plate-1x1', 'plum', [x, y, 4])
  return s
}
