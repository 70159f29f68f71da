/** Count: pieces, colours and trays, all by one counting function. */
export * from './count'
export * from './piece-words'
export * from './letters'
export * from './cut-list'
export * from './mass'
export { momentsOf, momentSaid, type Moment } from './moment'
