/** Plan: steps from joints and motion, and the measures of how well they read. */
export * from './types'
export * from './plan'
export * from './measures'
export * from './edit'
export type { BuiltSection } from './section-plan'
export type { Holding, HoldingProblem } from './holding'
