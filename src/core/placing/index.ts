/** Placing: what lies under the pointer, what is in the hand, where it snaps to, and what would be so if it stood there. */
export * from './placed-box'
export * from './pick-part'
export * from './hand'
export * from './judge'
export * from './snap'
export * from './edge-to-edge'
export * from './selecting'
