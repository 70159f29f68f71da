import type { Catalogue } from '@core/catalogue'
import type { ModelDocument } from '@core/model'

/** One of a short list to choose from. */
export interface Choice {
  readonly value: string
  readonly label: string
}

export const colourChoices = ({ colours }: Catalogue): Choice[] => [...colours.values()].map(({ id, name }) => ({ value: id, label: name }))

/** The sections of a model, those left out that are not meant. */
export const sectionChoices = (model: ModelDocument | null | undefined, except = ''): Choice[] =>
  (model?.sections ?? []).filter(({ id }) => id !== except).map(({ id, name }) => ({ value: id, label: name }))
