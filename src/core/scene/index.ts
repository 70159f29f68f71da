/** The scene: a section's parts in space, as flat tables of bodies, studs and connectors. */
export * from './scene'
export * from './section'
export { GrowingInts } from './growing'
