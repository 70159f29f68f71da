import { BASE_CATALOGUE } from '../src/core/catalogue'
import { withFigure } from '../src/core/figure'
import type { FigureOption, FigureRecipe, ModelDocument } from '../src/core/model'
import { waistcoat } from './decals'
import { model, SectionBuilder } from './kit'

/** A figure made by its recipe and joined: the ferryman on his jetty, a paddle in one hand and a lantern in the other. */
export function ferryman(): ModelDocument {
  const plain = model('Ferryman', 'He looks across the river for somebody who waves.', 'jetty', [jetty()])
  return withFigure({ ...plain, decals: [waistcoat] }, RECIPE, BASE_CATALOGUE)
}

function jetty(): SectionBuilder {
  const s = new SectionBuilder('jetty', 'Jetty')
  s.add('jetty', 'plate-4x6', 'brown', [0, 0, 0])
  for (const x of [0, 40]) s.addAcross('plank', 'tile-2x4', 'tan', [x, 0, 4])
  s.copy('ferryman', [20, 10, 4])
  s.add('rope', 'round-tile-2x2', 'sand', [20, 20, 4])
  return s
}

const one = (shape: string, colour: string, more: Partial<FigureOption> = {}) => ({ chosen: 0, options: [{ shape, colour, ...more }] })

const RECIPE: FigureRecipe = {
  id: 'ferryman',
  name: 'Ferryman',
  section: 'ferryman',
  slots: {
    legs: one('figure-legs', 'navy'),
    torso: one('figure-torso', 'moss', { work: [{ kind: 'decal', decal: 'waistcoat', face: 'front' }] }),
    armLeft: one('figure-arm-left', 'moss'),
    armRight: one('figure-arm-right', 'moss'),
    handLeft: one('figure-hand', 'peach'),
    handRight: one('figure-hand', 'peach'),
    head: one('figure-head', 'peach'),
    headwear: one('figure-hat-brim', 'straw'),
    heldLeft: one('tool-paddle', 'brown'),
    heldRight: one('tool-lantern', 'amber'),
  },
  pose: { armLeft: 25, armRight: 60 },
}
