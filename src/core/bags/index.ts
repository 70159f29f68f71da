/** Bags: which steps come out of which bag, and which booklets are built at the same time. */
export { packBags, type BagPlan } from './bags'
export { bagsTable, bagsWords, workWords } from './words'
