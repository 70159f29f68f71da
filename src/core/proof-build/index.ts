/** Proof builds: a model built once from its own steps with a clock, step by step, and how that travels in a letter. */
export * from './run'
export { proofLetter, readShortLog, shortLog, withoutShortLog } from './short-log'
