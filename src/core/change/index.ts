/** Change: differences of plain values, to be stored, sent and undone. */
export * from './change'
