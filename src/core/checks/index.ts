/** Checks: findings, one file a check, and what can be done about each. */
export * from './finding'
export * from './checks'
export { wayInWords } from './words'
export { nameParts } from './place'
export * from './ways-out'
export * from './worse'
export * from './techniques'
export type { Level } from './weak'
