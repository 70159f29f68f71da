/** Tables as people and spreadsheets write them: rows and cells, columns by name, values of cells. */
export * from './grid'
export * from './columns'
export * from './values'
export * from './cell-problem'
