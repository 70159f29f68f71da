import { BASE_CATALOGUE } from '@core/catalogue'

/** What people call a shape or colour of ours. */
export const titleOf = (kind: 'shape' | 'colour', id: string): string =>
  (kind === 'shape' ? BASE_CATALOGUE.shapes.get(id)?.title : BASE_CATALOGUE.colours.get(id)?.name) ?? id
