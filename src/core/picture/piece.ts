import type { Catalogue, Shape } from '../catalogue'
import { IDENTITY } from '../space'
import { Inker, type RgbImage } from './ink'
import { Layers } from './layers'
import { lookOf, WHITE } from './paint'
import { cutStencil } from './stencil'
import { fitCamera, project, type PictureSize } from './view'

const FINER = 3
const MARGIN = 3
const MOST_SCALE = 2.2

/** The small picture of a piece, for trays and lists. */
export function paintPiece(shape: Shape, colour: string, catalogue: Catalogue, size: PictureSize): RgbImage {
  const full = { width: size.width * FINER, height: size.height * FINER }
  const box = { min: [0, -2, 0] as const, max: [shape.box[0], shape.box[1], shape.box[2] + 2] as const }
  const camera = fitCamera(box, 0, full, MARGIN * FINER, (MOST_SCALE * FINER * size.width) / 100)
  const layers = new Layers(full)
  const [x, y, depth] = project(camera, [0, 0, 0])
  const window = layers.startWindow()
  layers.draw(cutStencil(shape, IDENTITY, camera), 0, x, y, depth)
  const look = lookOf(catalogue.colours.get(colour)!)
  return new Inker(layers, FINER, WHITE).ink(window, { looks: [look], newFrom: 0, newTo: 0, wash: 0, hasFineLines: false })
}
