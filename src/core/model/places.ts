import { Fault } from '../fault'
import { partsOf, type ModelDocument, type Place, type Section } from './types'

function withPlaces(
  model: ModelDocument,
  sectionId: string,
  change: (places: readonly Place[], section: Section) => readonly Place[],
): ModelDocument {
  const sections = model.sections.map((section) => {
    if (section.id !== sectionId) return section
    const { places = [], ...rest } = section
    const next = change(places, section)
    return next.length > 0 ? { ...rest, places: next } : rest
  })
  return { ...model, sections }
}

/** The document with one more place that must stay within reach. @throws Fault `unknown-part`, `no-name` */
export function addPlace(model: ModelDocument, sectionId: string, place: Place): ModelDocument {
  return withPlaces(model, sectionId, (places, section) => {
    if (place.name.trim() === '')
      throw new Fault('no-name', 'A place needs a name.', { wayOut: 'Say what it is: a seat, a shelf, the battery.' })
    if (!partsOf(section).some(({ id }) => id === place.part)) {
      throw new Fault('unknown-part', `Section “${section.name}” has no part “${place.part}”.`, { wayOut: 'Choose one of its parts.' })
    }
    return [...places, { name: place.name.trim(), part: place.part }]
  })
}

export const removePlace = (model: ModelDocument, sectionId: string, index: number): ModelDocument =>
  withPlaces(model, sectionId, (places) => places.filter((_, i) => i !== index))
