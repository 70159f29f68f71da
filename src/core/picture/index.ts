/** Picture: step pictures by a z-buffer over typed arrays, the same dots in Node and in the browser; PNG bytes. */
export * from './view'
export * from './drawn-section'
export * from './rail-painter'
export * from './look'
export * from './piece'
export { encodePng, deflateRows } from './png'
export type { RgbImage } from './ink'
export { rgbOf, type Rgb } from './paint'
