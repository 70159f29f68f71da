/** The scene: a section's parts in space, as flat tables of bodies, studs and connectors. */
export * from './scene'
export * from './section'
export { MARK } from './attitudes'
export { holdOfCode, ROLE } from './grips'
export { latticeConnectors } from './free-connectors'
export { GrowingInts } from './growing'
