/** The catalogue: shapes by family (body, outline mesh, connectors, mirror twin) and colours. */
export * from './types'
export * from './holds'
export { massOf } from './mass'
export { colourDifference, labOf } from './colour-difference'
export { alikeFor } from './colour-vision'
export type { Facet, Mesh } from './mesh'
export type { OwnShape } from './own'
export { BASE_CATALOGUE, extendCatalogue, nearestIds, socketCount, studCount, type Catalogue } from './registry'
