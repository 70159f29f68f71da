/** Fault: the one error type, and work that is counted. */
export * from './fault'
export * from './budget'
export * from './codes'
