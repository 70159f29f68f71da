/** Fill: areas of studs covered by pieces, and words and pictures made of them. */
export * from './area'
export { coverArea, type Cover, type CoverPiece, type Seams } from './cover'
export * from './patterns'
export * from './pieces'
export * from './letters'
