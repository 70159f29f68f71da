/** Joints: what holds what, found by position. */
export * from './joints'
export * from './connected'
export * from './bridges'
export { slackChains, type SlackChain } from './slack-chain'
export { PointHash } from './point-hash'
export { findPressed } from './pressed'
