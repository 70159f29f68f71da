/** Bags: which steps come out of which bag, and which booklets are built at the same time. */
export { bookletLanes, lanesWords, type BookletLanes } from './lanes'
export { moveWork, type MovedWork, type WorkMove } from './move-work'
export { packBags, type BagPlan } from './bags'
export { timesUsual, weighted } from './weights'
export { askedBags, type BagStart } from './starts'
export { bagsTable, bagsWords, openBagWords, workWords } from './words'
