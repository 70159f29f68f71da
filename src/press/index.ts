/** Press: what a booklet goes out as, and the painter of a whole booklet. Above the core, since it uses a document library; below everything else. */
export * from './exports/booklet-export'
export * from './exports/registry'
export * from './html'
export type { Preview, PreviewMark, PreviewSheet } from './preview'
export { lettersLackingIn, lettersWithoutFace } from './type/lacking'
export type { ScriptFace, Weight } from './type/faces'
