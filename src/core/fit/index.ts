/** Fit: sideways arithmetic, what fills a gap, slack of chains. */
export * from './units'
export * from './stacks'
export * from './slack'
export * from './gaps'
export * from './face-gap'
