/** Edits: every command on the document, each a function from a document to a new one. */
export * from './steps'
export * from './halves'
export * from './cut-out'
export * from './figures'
export * from './decals'
export * from './sections'
export * from './join'
