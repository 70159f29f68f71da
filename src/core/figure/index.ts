/** Figures: recipes by slots, with alternatives, made into sections whose limbs hang on joints. */
export * from './recipe'
export * from './build'
export * from './words'
export { figureCosts, type FigureCost } from './costs'
export { piecesForSlot } from './slot-pieces'
