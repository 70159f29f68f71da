import { shownCatalogue } from '../shared/shown-catalogue'

/** What people call a shape or colour of ours. */
export const titleOf = (kind: 'shape' | 'colour', id: string): string =>
  (kind === 'shape' ? shownCatalogue().shapes.get(id)?.title : shownCatalogue().colours.get(id)?.name) ?? id
