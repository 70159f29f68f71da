import type { ModelDocument } from '../src/core/model'
import { dropSign, stripes } from './decals'
import { model, SectionBuilder } from './kit'

/** A machine: a wind pump with gears and a crank, a hose, a flap and a tail that swings. */
export function windPump(): ModelDocument {
  const plain = model('Wind pump', 'Turn the crank and the sails go round three times as slowly. The hose is cut from tube.', 'pump', [
    pump(),
    flap(),
    tail(),
  ])
  return {
    ...plain,
    decals: [dropSign, stripes],
    shapes: [
      {
        id: 'ballast',
        name: 'Ballast block',
        boxes: [
          { at: [0, 0, 0], size: [20, 20, 8] },
          { at: [5, 5, 8], size: [10, 10, 4] },
        ],
        connectors: [
          ...[5, 15].flatMap((x) => [5, 15].map((y) => ({ kind: 'socket' as const, at: [x, y, 0] as const, facing: '-z' as const }))),
          { kind: 'stud', at: [10, 10, 12], facing: '+z' },
        ],
      },
    ],
  }
}

function pump(): SectionBuilder {
  const s = new SectionBuilder('pump', 'Pump')
  s.add('ground', 'plate-6x8', 'olive', [0, 0, 0])
  for (const y of [10, 40]) {
    s.add('post', 'brick-1x4', 'ash', [30, y, 4])
    const sign = y === 10 ? { work: [{ kind: 'decal' as const, decal: 'drop-sign', face: 'front' as const }] } : {}
    s.addMore('post', { shape: 'brick-1x4', colour: 'ash', at: [30, y, 16], ...sign })
    s.add('bearing', 'brick-1x4-holes', 'slate', [30, y, 28])
    s.add('cap', 'tile-1x4', 'rust', [30, y, 40])
  }
  s.addAcross('shaft', 'axle-6', 'black', [37, 0, 31]).addAcross('shaft', 'axle-5', 'black', [57, 0, 31])
  s.add('gear', 'gear-24', 'ash', [24, 20, 18]).add('gear', 'gear-8', 'ash', [54, 20, 28])
  s.addAcross('bush', 'bush', 'red', [36, 30, 30]).addAcross('bush', 'bush', 'red', [56, 30, 30])
  s.add('sails', 'propeller', 'white', [20, 52, 14])
  s.add('crank', 'crank', 'rust', [55, 0, 29]).addAcross('grip', 'axle-2', 'red', [77, -12, 31])
  s.add('riser', 'plate-1x2', 'slate', [0, 50, 4])
  s.add('hinge', 'hinge-plate-1x2-fork', 'slate', [0, 50, 8])
  s.joined('flap', { on: { part: 'hinge-1', kind: 'fork' }, by: { part: 'hinge-1', kind: 'tongue' }, angles: [-50] })
  s.add('knuckle', 'plate-1x2-ball', 'slate', [0, 0, 4])
  s.joined('tail', { on: { part: 'knuckle-1', kind: 'ball' }, by: { part: 'socket-1', kind: 'cup' }, angles: [0, 20, 0] })
  s.add('eye', 'brick-1x1-hole', 'slate', [70, 50, 4])
  s.addMore('hose', {
    shape: 'tube',
    colour: 'navy',
    at: [72, 20, 7],
    turn: '+y-x',
    length: 48,
    work: [{ kind: 'cut', note: '48 mm from the roll' }],
  })
  s.add('clip', 'plate-1x1-clip', 'slate', [70, 0, 4])
  s.add('mast', 'bar-4', 'tan', [73, -6, 0], '+z+y')
  s.add('ballast', 'ballast', 'cocoa', [10, 10, 4])
  s.addMore('sign', { shape: 'tile-1x2', colour: 'white', at: [30, 20, 4], work: [{ kind: 'paint', note: 'a blue drop, by hand' }] })
  return s
}

function flap(): SectionBuilder {
  const s = new SectionBuilder('flap', 'Flap')
  s.add('hinge', 'hinge-plate-1x2-tongue', 'slate', [0, 0, 0])
  const work = [{ kind: 'decal' as const, decal: 'edge-stripes', face: 'top' as const }]
  s.addMore('board', { shape: 'tile-1x2', colour: 'rust', at: [0, 0, 4], work })
  return s
}

function tail(): SectionBuilder {
  const s = new SectionBuilder('tail', 'Tail')
  s.add('socket', 'plate-1x2-cup', 'slate', [0, 0, 0])
  s.add('vane', 'plate-2x2', 'rust', [0, 0, 4])
  return s
}
