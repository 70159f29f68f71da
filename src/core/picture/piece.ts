import type { Catalogue, Shape } from '../catalogue'
import { IDENTITY, type Box } from '../space'
import { Inker, type RgbImage } from './ink'
import { Layers } from './layers'
import { lookOf, WHITE } from './paint'
import { cutStencil } from './stencil'
import { fitCamera, project, type PictureSize, type ViewNumber } from './view'

const FINER = 3
const MARGIN = 3
const MOST_SCALE = 2.2

/** Around all that is drawn of a shape, u. */
function meshBox(shape: Shape): Box {
  const min: [number, number, number] = [Infinity, Infinity, Infinity]
  const max: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  for (const facet of shape.mesh) {
    for (const corner of facet.corners) {
      for (let i = 0; i < 3; i++) {
        min[i] = Math.min(min[i]!, corner[i]!)
        max[i] = Math.max(max[i]!, corner[i]!)
      }
    }
  }
  return { min, max }
}

/** The small picture of a piece, for trays and lists. */
export function paintPiece(shape: Shape, colour: string, catalogue: Catalogue, size: PictureSize, view: ViewNumber = 0): RgbImage {
  const full = { width: size.width * FINER, height: size.height * FINER }
  const box = meshBox(shape)
  const camera = fitCamera(box, view, full, MARGIN * FINER, (MOST_SCALE * FINER * size.width) / 100)
  const layers = new Layers(full)
  const [x, y, depth] = project(camera, [0, 0, 0])
  const window = layers.startWindow()
  layers.draw(cutStencil(shape, IDENTITY, camera), 0, x, y, depth)
  const look = lookOf(catalogue.colours.get(colour)!)
  return new Inker(layers, FINER, WHITE).ink(window, { looks: [look], newFrom: 0, newTo: 0, wash: 0, hasFineLines: false })
}
