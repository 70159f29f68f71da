import { Flattener, type ModelDocument } from '../model'
import { posedBox, unite, type Box } from '../space'

/** Around all parts of a section, its copies' too; nothing where none has a place. */
export function extentOfSection(model: ModelDocument, id: string): Box | undefined {
  const boxes = new Flattener(model).all(id).map(({ shape, pose }) => posedBox(pose, { min: [0, 0, 0], max: shape.box }))
  return boxes.length > 0 ? boxes.reduce(unite) : undefined
}
