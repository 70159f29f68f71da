import { copiesOf, type ModelDocument } from '../model'
import { STUD_PITCH, type Vec } from '../space'
import { extentOfSection } from './extent'
import { addNodes, sectionUsesOther } from './nodes'

/** Room left between what stands side by side, studs. */
const APART = 2

/**
 * The document with a section joined to the whole: a copy of it stands beside what is there, on the same table, and can be moved
 * from there.
 * @returns the same document where the section holds the whole itself
 */
export function joinBeside(model: ModelDocument, id: string): ModelDocument {
  if (sectionUsesOther(model, id, model.root)) return model
  const [whole, part] = [extentOfSection(model, model.root), extentOfSection(model, id)]
  const onGrid = (value: number): number => Math.ceil(value / STUD_PITCH) * STUD_PITCH
  const at: Vec =
    whole && part
      ? [
          onGrid(whole.max[0]) + APART * STUD_PITCH - onGrid(part.min[0]),
          Math.round(whole.min[1] - part.min[1]),
          Math.round(whole.min[2] - part.min[2]),
        ]
      : [0, 0, 0]
  return addNodes(model, model.root, { copies: [{ id, section: id, at }] }).model
}

/** The document without a section that nothing uses; the same where something does, or it is the whole. */
export function takeOutSection(model: ModelDocument, id: string): ModelDocument {
  const isUsed = id === model.root || model.sections.some((section) => copiesOf(section).some((copy) => copy.section === id))
  return isUsed ? model : { ...model, sections: model.sections.filter((section) => section.id !== id) }
}
