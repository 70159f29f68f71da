/** Replay: a second, plain implementation of "buildable" that checks printed plans and shares nothing with the planner. */
export * from './replay'
export { Geometry, groupsOf, jointAxes, lowest, obstacle, overlaps, pressObstacle } from './geometry'
export { linkWays } from './links'
export type { ReplayedThing } from './things'
