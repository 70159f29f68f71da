/** The scene: a section's parts in space, as flat tables of bodies, studs and connectors. */
export * from './scene'
export * from './section'
export { MARK } from './attitudes'
export { holdOfCode, ROLE, type GripTable } from './grips'
export { latticeConnectors, type FreeConnector } from './free-connectors'
export { GrowingInts } from './growing'
