/** Suggestions: what could be made a section of its own, why, and the document with it made. */
export * from './suggestion'
export { findSuggestions, LEAST_GROUP } from './find-suggestions'
export * from './cut'
