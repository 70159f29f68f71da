import { cleanPhoto } from './photos'
import type { ModelDocument, Photo } from './types'

/**
 * The document with each of its photos changed; the same document where none is.
 * @param change told the path of the photo in the file
 */
export function mapPhotos(model: ModelDocument, change: (photo: Photo, place: string) => Photo): ModelDocument {
  const changed = (photos: readonly Photo[], place: string): readonly Photo[] =>
    sameOr(photos, (photo, i) => change(photo, `${place}[${i}]`))
  const sections = sameOr(model.sections, (section, i) => {
    if (!section.steps?.some((step) => step.photos)) return section
    const steps = sameOr(section.steps, (step, k) => {
      if (!step.photos) return step
      const photos = changed(step.photos, `sections[${i}].steps[${k}].photos`)
      return photos === step.photos ? step : { ...step, photos }
    })
    return steps === section.steps ? section : { ...section, steps }
  })
  const whole = sections === model.sections ? model : { ...model, sections }
  if (!model.photos) return whole
  const photos = changed(model.photos, 'photos')
  return photos === model.photos ? whole : { ...whole, photos }
}

/**
 * The document with nothing in its photos but what is drawn.
 * @param before what it has of this one was looked at already
 * @throws Fault `bad-photo`
 */
export function cleanPhotos(model: ModelDocument, before?: ModelDocument): ModelDocument {
  const known = new Set<string>()
  if (before) mapPhotos(before, (photo) => (known.add(photo.file), photo))
  return mapPhotos(model, (photo, place) => (known.has(photo.file) ? photo : cleanPhoto(photo, `${place}.file`)))
}

/** A list with its entries changed; the same list where none is. */
function sameOr<Item>(list: readonly Item[], change: (item: Item, i: number) => Item): readonly Item[] {
  const changed = list.map(change)
  return changed.every((item, i) => item === list[i]) ? list : changed
}
