/** Pipeline: plan, look, repair, measures and findings, one after the other, and the comparison of what comes out. */
export * from './report'
export * from './better'
export * from './repair'
