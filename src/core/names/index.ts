/** Names: finding shapes by words and by looks, the quick line, and the designer's own names. */
export { searchShapes } from './search'
export * from './quick-line'
export * from './cell-words'
export * from './look-up'
export * from './aliases'
export * from './log/read-log'
export type { ToldPiece } from './log/phrases'
export * from './by-size'
