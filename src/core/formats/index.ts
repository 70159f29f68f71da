/** Formats: model files, one object a format; the table of pieces; and the check of what is published. */
export type { ReadFile, ReadOptions, Remark, WritableFormat } from './format'
export * from './registry'
export { railJson } from './rail-json'
export { drawing } from './gltf/gltf'
export { partsTable } from './table/parts-table'
export * from './model-file'
export { writePieceTable } from './piece-table'
export * from './check-bundle'
