/** Motion: what is in the way of what, along which direction, among those that are still there. */
export * from './travel'
export * from './space-left'
export * from './overlap'
export * from './press'
