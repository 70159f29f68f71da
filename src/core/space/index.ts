/** Space: units, vectors, the six directions, the 24 turns, boxes and poses. Integers in u inside a lattice. */
export * from './vectors'
export * from './directions'
export * from './turns'
export * from './boxes'
export * from './poses'
export * from './units'
export * from './oriented'
export * from './flat'
