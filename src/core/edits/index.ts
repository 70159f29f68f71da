/** Edits: every command on the document, each a function from a document to a new one. */
export {
  addStepNote,
  forgetSteps,
  keepSteps,
  mergeWithNext,
  moveStep,
  planAround,
  removeStepNote,
  setLocked,
  setStepText,
  setStepTurn,
  setStepView,
  splitStep,
  withSteps,
  type StepPlace,
  type StepText,
} from './steps'
export * from './step-parts'
export * from './halves'
export * from './cut-out'
export * from './figures'
export * from './decals'
export * from './sections'
export * from './join'
export * from './nodes'
export * from './photos'
export * from './versions'
export * from './booklet'
export * from './collect'
