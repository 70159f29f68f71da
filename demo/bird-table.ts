import type { ModelDocument } from '../src/core/model'
import { model, SectionBuilder } from './kit'

/** The small one: a table for birds in a garden, some 35 parts. */
export function birdTable(): ModelDocument {
  const s = new SectionBuilder('bird-table', 'Bird table')
  s.add('lawn', 'plate-6x6', 'moss', [0, 0, 0])
  for (const z of [4, 16, 28]) s.add('post', 'round-brick-2x2', 'brown', [20, 20, z])
  s.add('tray', 'plate-4x4', 'tan', [10, 10, 40])
  for (const [x, y] of [
    [10, 10],
    [40, 10],
    [10, 40],
    [40, 40],
  ] as const) {
    if (y === 10) s.add('pillar', 'brick-1x1-side1', 'cocoa', [x, y, 44])
    else s.add('pillar', 'brick-1x1', 'cocoa', [x, y, 44])
    s.add('pillar', 'brick-1x1', 'cocoa', [x, y, 56])
  }
  s.add('rim', 'tile-1x2', 'sand', [20, 10, 44])
  s.add('rim', 'tile-1x2', 'sand', [20, 40, 44])
  s.addAcross('rim', 'tile-1x2', 'sand', [10, 20, 44])
  s.addAcross('rim', 'tile-1x2', 'sand', [40, 20, 44])
  for (const [x, y] of [
    [20, 20],
    [30, 30],
  ] as const)
    s.add('seed', 'round-plate-1x1', 'amber', [x, y, 44])
  s.add('water', 'round-plate-1x1', 'clear-sky', [30, 20, 44])
  s.add('apple', 'round-plate-1x1', 'red', [20, 30, 44])
  for (const x of [10, 40]) s.add('shield', 'tile-1x1', 'teal', [x, 6, 45], '+x+z')
  s.add('ceiling', 'plate-4x4', 'tan', [10, 10, 68])
  s.add('roof', 'slope-2x4', 'rust', [10, 10, 72])
  s.addBack('roof', 'slope-2x4', 'rust', [10, 30, 72])
  s.add('ridge', 'plate-2x4', 'cocoa', [10, 20, 84])
  s.add('weathervane', 'tile-2x2', 'cocoa', [20, 20, 88])
  s.add('flower', 'round-plate-1x1', 'rose', [0, 0, 4])
  for (const y of [0, 10, 20, 30, 40]) s.add('flower', 'round-plate-1x1', 'yellow', [50, y, 4])
  s.add('flower', 'round-plate-1x1', 'white', [0, 40, 4]).add('stone', 'slope-low-1x2', 'ash', [30, 50, 4], '-x-y')
  return model('Bird table', 'A small table for the birds of a garden. Ten minutes, one evening.', 'bird-table', [s])
}
