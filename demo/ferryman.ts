import type { ModelDocument } from '../src/core/model'
import { waistcoat } from './decals'
import { model, SectionBuilder } from './kit'

/** A figure: the ferryman on his jetty, a paddle in one hand and a lantern in the other. */
export function ferryman(): ModelDocument {
  const plain = model('Ferryman', 'He looks across the river for somebody who waves.', 'ferryman', [
    ferrymanSection(),
    armWith('arm-left', 'left', (s) => s.add('paddle', 'tool-paddle', 'brown', [1, -38, -9], '-y+x')),
    armWith('arm-right', 'right', (s) => s.add('lantern', 'tool-lantern', 'amber', [-2, -14, -9], '-y+x')),
  ])
  return { ...plain, decals: [waistcoat] }
}

function ferrymanSection(): SectionBuilder {
  const s = new SectionBuilder('ferryman', 'Ferryman')
  s.add('jetty', 'plate-4x6', 'brown', [0, 0, 0])
  for (const x of [0, 40]) s.addAcross('plank', 'tile-2x4', 'tan', [x, 0, 4])
  s.add('legs', 'figure-legs', 'navy', [20, 10, 4])
  const work = [{ kind: 'decal' as const, decal: 'waistcoat', face: 'front' as const }]
  s.addMore('torso', { shape: 'figure-torso', colour: 'moss', at: [20, 10, 28], work })
  s.add('head', 'figure-head', 'peach', [24, 9, 52])
  s.add('hat', 'figure-hat-brim', 'straw', [23, 8, 64])
  s.joined('arm-left', { on: { part: 'torso-1', kind: 'ring', number: 2 }, by: { part: 'arm-1', kind: 'post' }, angles: [-25] })
  s.joined('arm-right', { on: { part: 'torso-1', kind: 'ring', number: 3 }, by: { part: 'arm-1', kind: 'post' }, angles: [60] })
  s.add('rope', 'round-tile-2x2', 'sand', [20, 20, 4])
  return s
}

function armWith(id: string, hand: 'left' | 'right', hold: (s: SectionBuilder) => SectionBuilder): SectionBuilder {
  const s = new SectionBuilder(id, hand === 'left' ? 'Left arm' : 'Right arm')
  s.add('arm', `figure-arm-${hand}`, 'moss', [0, 0, 0])
  s.add('hand', 'figure-hand', 'peach', [0, 1, -8])
  return hold(s)
}
