import {
  LIMITS,
  loosePartsFor,
  sectionById,
  type GivenStep,
  type LoosePieces,
  type ModelDocument,
  type Photo,
  type PhotoMark,
} from '../model'
import type { SectionPlan } from '../plan'
import { removeNodes } from './nodes'
import { keepSteps, withSteps, type StepPlace } from './steps'

/** In which order photos are taken: of taking apart each is built before those that were there, of building behind them. */
export type PhotoOrder = 'taking-apart' | 'building'

const changeStep = (
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  change: (given: GivenStep) => GivenStep,
): ModelDocument =>
  withSteps(keepSteps(model, plans, section), section, (steps) => steps.map((given, i) => (i === step ? change(given) : given)))

const withPhotos = (given: GivenStep, photos: readonly Photo[]): GivenStep => {
  const { photos: _photos, ...rest } = given
  return photos.length > 0 ? { ...rest, photos: photos.slice(0, LIMITS.photos) } : rest
}

/** The document with a step of its own for each photo, in the order they were taken. */
export function addPhotoSteps(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  section: string,
  { photos, order }: { readonly photos: readonly Photo[]; readonly order: PhotoOrder },
): ModelDocument {
  const fresh = photos.map((photo): GivenStep => ({ photos: [photo] }))
  const kept = sectionById(model, section)
  const ready = hasNothing(kept) ? withSteps(model, section, () => []) : keepSteps(model, plans, section)
  return withSteps(ready, section, (steps) => (order === 'building' ? [...steps, ...fresh] : [...fresh.reverse(), ...steps]))
}

const hasNothing = ({ parts = [], copies = [], steps }: ReturnType<typeof sectionById>): boolean =>
  parts.length + copies.length === 0 && steps === undefined

/** The document with more photos on a step. */
export const addPhotos = (model: ModelDocument, plans: readonly SectionPlan[], place: StepPlace, photos: readonly Photo[]): ModelDocument =>
  changeStep(model, plans, place, (given) => withPhotos(given, [...(given.photos ?? []), ...photos]))

/** The document with one photo of a step otherwise, or without it. */
export const changePhoto = (
  model: ModelDocument,
  plans: readonly SectionPlan[],
  place: StepPlace,
  { photo, change }: { readonly photo: number; readonly change: Partial<Photo> | null },
): ModelDocument =>
  changeStep(model, plans, place, (given) =>
    withPhotos(
      given,
      (given.photos ?? []).flatMap((each, i) => (i !== photo ? [each] : change ? [{ ...each, ...change }] : [])),
    ),
  )

/** The document with one more mark on a photo of a step. */
export function addPhotoMark(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  place: StepPlace,
  { photo, mark }: { readonly photo: number; readonly mark: PhotoMark },
): ModelDocument {
  const marks = sectionById(model, place.section).steps?.[place.step]?.photos?.[photo]?.marks ?? []
  return changePhoto(model, plans, place, { photo, change: { marks: [...marks, mark] } })
}

/** The document without a step and what it brings; its pieces go with it. */
export function removePhotoStep(model: ModelDocument, plans: readonly SectionPlan[], { section, step }: StepPlace): ModelDocument {
  const kept = keepSteps(model, plans, section)
  const gone = sectionById(kept, section).steps?.[step]
  const without = withSteps(kept, section, (steps) => steps.filter((_, i) => i !== step))
  return removeNodes(without, section, new Set([...(gone?.add ?? []), ...(gone?.join ?? [])]))
}

/** The document with loose pieces brought by a step. */
export function addPiecesToStep(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  place: StepPlace,
  pieces: readonly LoosePieces[],
): ModelDocument {
  const kept = keepSteps(model, plans, place.section)
  const fresh = loosePartsFor(sectionById(kept, place.section), pieces)
  const sections = kept.sections.map((each) => (each.id === place.section ? { ...each, parts: [...(each.parts ?? []), ...fresh] } : each))
  const ids = fresh.map(({ id }) => id)
  return changeStep({ ...kept, sections }, plans, place, (given) => ({ ...given, add: [...(given.add ?? []), ...ids] }))
}

/** The document with photos of the finished model. */
export function setModelPhotos(model: ModelDocument, photos: readonly Photo[]): ModelDocument {
  const { photos: _photos, ...rest } = model
  return photos.length > 0 ? { ...rest, photos: photos.slice(0, LIMITS.photos) } : rest
}
