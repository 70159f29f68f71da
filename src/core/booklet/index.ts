/** Booklet: pages as data, and steps in words. */
export * from './pages'
export * from './cautions'
export * from './rail-layout'
export * from './proof-words'
export * from './turn-words'
export * from './decal-sheet'
export { reachWords } from './reach-words'
