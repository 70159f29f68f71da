import { isLoose, partsOf, sectionUses, type ModelDocument, type Part } from '../model'
import { PLATE_HEIGHT } from '../space'
import type { DeskPiece } from './piece'
import { isOfPiece } from './replacing'

/** How often three plates of a piece lie exactly on each other, turned the same, over all copies. */
export function stacksOf(model: ModelDocument, plate: DeskPiece): number {
  const uses = sectionUses(model)
  return model.sections.reduce((sum, section) => {
    const { times, mirrored } = uses.get(section.id)!
    const own = partsOf(section).filter((part) => !isLoose(part) && isUpright(part) && isOfPiece(part, plate))
    return sum + (times + mirrored) * stacksIn(own)
  }, 0)
}

/** Only what lies flat stacks upward: turns about the upright axis. */
const isUpright = ({ turn }: Part): boolean => turn === undefined || /^[+-][xy][+-][xy]$/.test(turn)

function stacksIn(parts: readonly Part[]): number {
  const placeOf = ({ at, turn = '' }: Part, up = 0): string => `${at![0]},${at![1]},${at![2] + up},${turn}`
  const there = new Set(parts.map((part) => placeOf(part)))
  let stacks = 0
  for (const part of [...parts].sort((a, b) => a.at![2] - b.at![2])) {
    const places = [0, 1, 2].map((i) => placeOf(part, i * PLATE_HEIGHT))
    if (!places.every((place) => there.has(place))) continue
    stacks++
    for (const place of places) there.delete(place)
  }
  return stacks
}
