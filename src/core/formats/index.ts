/** Formats: the model file, tables, and the published bundle. */
export * from './model-text'
export * from './csv'
export * from './model-file'
export { writeInventory } from './inventory-csv'
export * from './check-bundle'
