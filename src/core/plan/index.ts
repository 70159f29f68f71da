/** Plan: steps from joints and motion, and the measures of how well they read. */
export * from './types'
export * from './plan'
export * from './measures'
export { STRATEGIES, type Strategy } from './manner'
export * from './edit'
export { layAgain, type BuiltSection, type SectionOptions } from './section-plan'
export type { Wish } from './schedule'
export type { Holding, HoldingProblem } from './holding'
