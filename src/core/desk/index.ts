/** The parts desk: what a model takes, what is there, what it costs, what goes into which bag. */
export { ANY_COLOUR, deskPiece, piecesIn, type DeskPiece } from './piece'
export { needOf } from './need'
export { cover, kitsHad, type KitHad } from './cover'
export { readKits, readOffers, type Kit, type OfferBook } from './books'
export { readStock, writeStock } from './stock'
export { readPrices } from './price-table'
export { addSupplier, changeSupplier, removeOffer, removeSupplier, setPrice, type SupplierTerms } from './offer-edits'
export type { IntegerProgram, ProgramAnswer, ProgramLimits, SolveProgram } from './program'
export { purchase, type Purchase } from './purchase'
export { offersAllowed, purchaseBy, type BuyingChoice } from './buying-choice'
export { cheapestChange, dearestLines, type ColourChange } from './cost-drivers'
export {
  practiceDelivery,
  practiceKits,
  practiceOffers,
  type MarketDay,
  type PracticeDelivery,
  type PracticeOrder,
} from './practice-market'
export { stockDifference, withStock, withStockChanged } from './stock-change'
export { colourBook, NO_BOOKS, notMade, type Books } from './made'
export { colourTitle, pieceLine, pieceTitle, sheetOf, sheetRows, sheetTable, sheetWords, type SheetLine } from './sheet'
export { colourBars, sectionBars, type ChartBar } from './chart-bars'
export { groupLines, sortLines, type LineGroup, type LineOrder } from './sheet-order'
export { EXAMPLE_KITS, EXAMPLE_OFFERS, EXAMPLE_STOCK } from './examples'
export { findSubstitutes, printedSubstitute, type Substitute } from './substitutes'
export { takeSubstitute } from './take-substitute'
export { substituteKey, substituteLines, substituteOf } from './told-substitutes'
export { versionsOf } from './versions'
export { ALIKE, newlyAlike } from './alike-colours'
export { compareVersions } from './comparing'
export { batchOf, coverageByKits } from './batch'
export { harvestFrom, type Harvest } from './harvest'
export { assemblyLine } from './assembly-line'
