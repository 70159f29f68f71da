/** Checks: findings, and the report of a plan with its measures and findings. */
export * from './checks'
export { wayInWords } from './words'
export { nameParts } from './place'
export * from './report'
export * from './ways-out'
export * from './worse'
export * from './better'
export type { Level } from './weak'
