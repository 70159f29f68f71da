/** Checks: one object a check in a file of its own, findings, and what can be done about each. */
export type { Level, Scope, WayOut } from './check'
export * from './finding'
export * from './registry'
export * from './find-findings'
export { nameParts, wayInWords } from './naming'
export * from './ways-out'
export * from './broken-by'
export * from './techniques'
