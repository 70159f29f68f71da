/** The scene: a section's parts in space, as flat tables of bodies, studs and connectors. */
export * from './scene'
export * from './section'
export { MARK } from './attitudes'
export { holdOfCode, ROLE, type GripTable } from './grips'
export { freeConnectors, latticeConnectors, type FreeConnector } from './free-connectors'
export { GrowingInts } from './growing'
export { studBox } from './stud-box'
export { keepNodes } from './kept-nodes'
