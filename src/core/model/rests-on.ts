import { holdsPressed } from './techniques'
import { copiesOf, sectionById, type ModelDocument, type Section } from './types'

/**
 * All that the places of a section's parts depend on, by identity: its parts and copies, those of the sections it copies, own
 * shapes, and whether what is pressed between studs holds. Documents are never changed in place, so two equal lists mean that nothing has moved.
 */
export function restsOn(model: ModelDocument, section: Section): unknown[] {
  const key: unknown[] = [section.parts, section.copies, section.apart, model.shapes, holdsPressed(model)]
  const seen = new Set<string>()
  const visit = (copied: Section): void => {
    for (const { section: id } of copiesOf(copied)) {
      if (seen.has(id)) continue
      seen.add(id)
      const inner = sectionById(model, id)
      key.push(inner.parts, inner.copies)
      visit(inner)
    }
  }
  visit(section)
  return key
}

export const isSameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((value, i) => value === b[i])
