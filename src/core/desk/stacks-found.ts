import { isLoose, partsOf, sectionUses, type ModelDocument, type Part, type Section } from '../model'
import { PLATE_HEIGHT } from '../space'
import type { DeskPiece } from './piece'
import { isOfPiece } from './replacing'

/** How often three plates of a piece lie exactly on each other, turned the same, over all copies. */
export function stacksOf(model: ModelDocument, plate: DeskPiece): number {
  const uses = sectionUses(model)
  return model.sections.reduce((sum, section) => {
    const { times, mirrored } = uses.get(section.id)!
    return sum + (times + mirrored) * stacksIn(section, plate).length
  }, 0)
}

/** Only what lies flat stacks upward: turns about the upright axis. */
const isUpright = ({ turn }: Part): boolean => turn === undefined || /^[+-][xy][+-][xy]$/.test(turn)

/** Three plates of a piece that lie exactly on each other, turned the same, from below; none of them in two stacks. */
export function stacksIn(section: Section, plate: DeskPiece): [Part, Part, Part][] {
  const parts = partsOf(section).filter((part) => !isLoose(part) && isUpright(part) && isOfPiece(part, plate))
  const placeOf = ({ at, turn = '' }: Part, up = 0): string => `${at![0]},${at![1]},${at![2] + up},${turn}`
  const there = new Map(parts.map((part) => [placeOf(part), part]))
  const stacks: [Part, Part, Part][] = []
  for (const part of [...parts].sort((a, b) => a.at![2] - b.at![2])) {
    const places = [0, 1, 2].map((i) => placeOf(part, i * PLATE_HEIGHT))
    const stack = places.flatMap((place) => there.get(place) ?? [])
    if (stack.length < 3) continue
    stacks.push(stack as [Part, Part, Part])
    for (const place of places) there.delete(place)
  }
  return stacks
}
