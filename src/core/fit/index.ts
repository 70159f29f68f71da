/** Fit: sideways arithmetic, what fills a gap, slack of chains, and the schools of what builders refuse. */
export * from './units'
export * from './stacks'
export * from './slack'
export * from './schools'
export * from './gaps'
export * from './face-gap'
