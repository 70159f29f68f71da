import { inventoryOf } from '../count'
import { partsOf, type ModelDocument } from '../model'
import { ANY_COLOUR, deskPiece, tallyPieces, type DeskPiece } from './piece'

/**
 * Every piece of some whole models, counted as the plan counts; of parts whose colour does not matter the colour is `any`.
 * @param copies how many whole models
 */
export function needOf(model: ModelDocument, copies = 1): DeskPiece[] {
  const sections = model.sections.map((section) =>
    partsOf(section).some(({ showsColour }) => showsColour === false)
      ? {
          ...section,
          parts: partsOf(section).map((part) => (part.showsColour === false ? { ...part, colour: ANY_COLOUR } : part)),
        }
      : section,
  )
  return tallyPieces(inventoryOf({ ...model, sections }).map(deskPiece)).map((piece) => ({ ...piece, count: piece.count * copies }))
}
